// Notes how a try went, with the lead, the computer and the tool as they stand now.
import { z } from "zod";
import { driverVerdict } from "#core/kit/driver.ts";
import { OPERATIONS } from "#core/kit/shapes.ts";
import { addAttempt, type KnownKit, loadKit, strikeTry, triesWith } from "#db/kit.ts";
import { tell } from "#db/log.ts";
import type { Tx } from "#db/pool.ts";
import { bringUpToDate } from "#db/work.ts";
import type { SignedIn } from "../context.ts";

const triedShape = z.object({
  receipt: z.uuid(),
  operation: z.enum(OPERATIONS),
  lead: z.string().regex(/^\d{0,18}$/),
  computer: z.string().regex(/^\d{1,18}$/),
  tool: z.string().regex(/^\d{0,18}$/),
  worked: z.enum(["yes", "no"]),
  symptom: z.string().trim().max(300).default(""),
  /** Only of what failed: that it never works is no try, but a fact. */
  settled: z.literal("on").optional(),
});

/** Notes a try with what it was tried on as that stands now. */
export async function noteTry(tx: Tx, who: SignedIn, unit: string | null, form: FormData) {
  const parsed = triedShape.safeParse(Object.fromEntries(form));
  if (!parsed.success) return { ok: false, says: "This form was not whole; send it again." };
  const { receipt, operation, worked, symptom, settled, ...ids } = parsed.data;
  const kit = await loadKit(tx);
  const found = partsOf(kit, ids);
  if (!found) return { ok: false, says: "What was tried is not in the kit any more." };
  const { lead, computer, tool, chip } = found;
  const verdict = chip && driverVerdict(chip, computer, kit.prepared.kit.rules);
  const noted = await addAttempt(tx, {
    unit,
    operation,
    lead: lead?.id ?? null,
    computer: computer.id,
    tool: tool?.id ?? null,
    chip,
    driver: verdict?.driver ?? null,
    system: computer.system,
    systemVersion: computer.version,
    worked: worked === "yes",
    settled: settled === "on" && worked === "no",
    symptom,
    by: who.person,
    receipt,
  });
  const what = [lead?.tag ?? "straight in", computer.name, tool?.name].filter(Boolean).join(", ");
  if (noted) {
    await tell(tx, { kind: "tried", what, worked: worked === "yes", symptom }, unit ? { unit } : {});
    await bringUpToDate(tx, { of: "club" }, `a try with ${what}`);
  }
  return {
    ok: true,
    says: worked === "yes" ? `Noted: it worked with ${what}.` : `Noted: it failed with ${what}.`,
  };
}

function partsOf({ prepared }: KnownKit, ids: { lead: string; computer: string; tool: string }) {
  const { leads, computers, tools } = prepared.kit;
  const lead = leads.find((l) => l.id === ids.lead);
  const computer = computers.find((c) => c.id === ids.computer);
  const tool = tools.find((t) => t.id === ids.tool);
  if (!computer || (ids.lead !== "" && !lead) || (ids.tool !== "" && !tool)) return undefined;
  return { lead, computer, tool, chip: lead?.chip };
}

const SHOWN = 12;
const WITH_TRIES: Readonly<Record<string, "lead" | "computer" | "tool" | undefined>> = {
  leads: "lead",
  computers: "computer",
  tools: "tool",
};

/** The last tries with a thing of the kit, as its page shows them. */
export async function triesOf(tx: Tx, kind: string, id: string) {
  const what = WITH_TRIES[kind];
  if (!what) return [];
  return (await triesWith(tx, what, id, SHOWN)).map(
    ({ lead, computer, tool, tag, struck_why, at, ...row }) => ({
      ...row,
      what: `${[lead ?? "straight in", computer, tool].filter(Boolean).join(", ")}${tag ? `, at ${tag}` : ""}`,
      at: at.toISOString(),
      struck: struck_why,
    }),
  );
}

const strikeShape = z.object({
  try: z.string().regex(/^\d{1,18}$/),
  why: z
    .string()
    .trim()
    .min(1, "Say why it counts no more, so that others know.")
    .max(300, "At most 300 signs."),
});

/** Strikes a try of a thing; answers what is wrong, if something is. */
export async function strike(
  tx: Tx,
  what: string,
  form: Readonly<Record<string, string>>,
): Promise<string | undefined> {
  const parsed = strikeShape.safeParse(form);
  if (!parsed.success) return parsed.error.issues[0]?.message ?? "This form was not whole; send it again.";
  const struck = await strikeTry(tx, parsed.data.try, parsed.data.why);
  if (!struck) return "That try is struck already.";
  await tell(
    tx,
    { kind: "try-struck", what, why: parsed.data.why },
    struck.unit_id ? { unit: struck.unit_id } : {},
  );
  await bringUpToDate(tx, { of: "club" }, `a struck try with ${what}`);
  return undefined;
}
