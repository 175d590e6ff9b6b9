// How a try went, with what it was tried on as that stands now: whether a chain is proven comes of it.
import { z } from "zod";
import { driverVerdict, OPERATIONS } from "#core/kit/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { addAttempt, type KnownKit, loadKit } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import { unitById } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

const input = z.object({
  unit: id.optional(),
  operation: z.enum(OPERATIONS),
  /** None: the radio went straight into the computer. */
  lead: id.optional(),
  computer: id,
  tool: id.optional(),
  worked: z.boolean(),
  symptom: z.string().trim().max(300),
  /** Only of what failed: that it never works is no try, but a fact. */
  settled: z.boolean(),
});

/** Problems: `no-unit`; `not-in-kit`. */
export const noteTry = defineAct({
  name: "note-try",
  input,
  may: "confirm-fact",
  run: async (tx, { unit, operation, worked, symptom, settled, ...ids }, who) => {
    if (unit !== undefined && !(await unitById(tx, unit))) return bad({ kind: "no-unit" as const });
    const kit = await loadKit(tx);
    const found = partsOf(kit, ids);
    if (!found) return bad({ kind: "not-in-kit" as const });
    const { lead, computer, tool } = found;
    await addTryWith(tx, kit, {
      unit: unit ?? null,
      operation,
      lead,
      computer,
      tool,
      worked,
      symptom,
      settled: settled && !worked,
      by: who.person,
    });
    const what = [lead?.tag ?? "straight in", computer.name, tool?.name].filter(Boolean).join(", ");
    return good({
      answer: { what },
      log: [{ entry: { kind: "tried" as const, what, worked, symptom }, unit }],
      touches: [{ scope: { of: "club" as const }, why: `a try with ${what}` }],
    });
  },
});

type Kit = KnownKit["prepared"]["kit"];

/** Keeps how a try went, with chip, driver and system as they stand now: whoever notes one, by hand or in a run, notes the same. */
export const addTryWith = (
  tx: Tx,
  { prepared }: KnownKit,
  tried: {
    readonly unit: string | null;
    readonly operation: (typeof OPERATIONS)[number];
    readonly lead: Kit["leads"][number] | undefined;
    readonly computer: Kit["computers"][number];
    readonly tool: Kit["tools"][number] | undefined;
    readonly worked: boolean;
    readonly settled: boolean;
    readonly symptom: string;
    readonly by: string;
  },
) => {
  const { lead, computer, tool, ...rest } = tried;
  const chip = lead?.chip;
  return addAttempt(tx, {
    ...rest,
    lead: lead?.id ?? null,
    computer: computer.id,
    tool: tool?.id ?? null,
    chip,
    driver: (chip && driverVerdict(chip, computer, prepared.kit.rules))?.driver ?? null,
    system: computer.system,
    systemVersion: computer.version,
  });
};

type Parts = Pick<z.infer<typeof input>, "lead" | "computer" | "tool">;

function partsOf({ prepared }: KnownKit, ids: Parts) {
  const { leads, computers, tools } = prepared.kit;
  const lead = leads.find((l) => l.id === ids.lead);
  const computer = computers.find((c) => c.id === ids.computer);
  const tool = tools.find((t) => t.id === ids.tool);
  if (!computer || (ids.lead !== undefined && !lead) || (ids.tool !== undefined && !tool)) return undefined;
  return { lead, computer, tool };
}
