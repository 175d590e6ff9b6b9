// What a plan works with: the chain that is taken, the things that it goes by, and what is known of the work.
import { z } from "zod";
import { leastToProgram } from "#core/bluetooth/index.ts";
import type { Purpose } from "#core/dossier/index.ts";
import type { Chain, Chains } from "#core/kit/index.ts";
import { ratedWatts } from "#core/modes/index.ts";
import { stateOfUnit } from "#core/route/index.ts";
import {
  holdsFor,
  type KnownProcedure,
  type Measuring,
  type Moment,
  procedureFor,
  type WorkFacts,
} from "#core/run/index.ts";
import { deviceOf, loadKit } from "#db/kit/index.ts";
import { knownMode, type ModeRow, modesOf, releasesOf, revisionsOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import type { Thing } from "#db/run/index.ts";
import type { LoadedSituation } from "#db/unit/index.ts";
import type { Planned } from "./planned.ts";

/** Another chain than the best, as it was chosen. */
export const chainKey = z.string().max(500).optional();

/** The modes that a unit can be in, by what it runs and what hardware it has; what is unknown speaks against nothing. */
export function modesHere(situation: LoadedSituation, rows: readonly ModeRow[]): ModeRow[] {
  const moment = momentOf(situation);
  return rows.filter((row) => {
    const { firmware, hardwareRevisions } = knownMode(row);
    const asked = { ...(firmware && { firmware }), ...(hardwareRevisions && { hardwareRevisions }) };
    return holdsFor({ draft: false, ...asked }, moment);
  });
}

/** What a unit runs and is, as procedures ask for it. */
export const momentOf = ({ unit, catalogue }: LoadedSituation) => ({
  unit,
  catalogue,
  state: stateOfUnit(unit, catalogue),
});

/** Of the procedures that are taken, those that erase. */
export const erasingIn = (known: readonly KnownProcedure[], purposes: readonly Purpose[], moment: Moment) =>
  purposes.flatMap((purpose) => {
    const procedure = procedureFor(purpose, known, moment);
    return procedure?.effect === "erase" ? [{ id: procedure.id, title: procedure.title }] : [];
  });

/** The chain that was asked for, if it still holds; else the best known. */
export const chosen = ({ chains }: Chains, key: string | undefined): Chain | undefined =>
  chains.find((chain) => chain.key === key) ?? chains[0];

/** What the composers are told of the work; the things of its chains; a chain in words. */
export async function workFacts(
  tx: Tx,
  situation: LoadedSituation,
  procedures: readonly KnownProcedure[],
  chains: readonly Chain[],
): Promise<{
  readonly facts: WorkFacts;
  readonly things: readonly Thing[];
  readonly said: (chain: Chain) => Planned["ways"][number];
}> {
  const { unit } = situation;
  const tools = new Map((await loadKit(tx)).prepared.kit.tools.map((tool) => [tool.id, tool.name]));
  const things = thingsOf(chains, tools);
  const releases = await releasesOf(tx, unit.model);
  const revisions = await revisionsOf(tx, unit.model);
  const [first] = chains;
  const named = (chain: Chain) =>
    thingsOf([chain], tools)
      .map(({ name }) => name)
      .join(", ");
  return {
    things,
    said: (chain) => ({ key: chain.key, what: named(chain) }),
    facts: {
      ...momentOf(situation),
      procedures,
      gather: things.map(({ kind, name }) =>
        kind === "lead" || kind === "adapter" ? `${kind} ${name}` : name,
      ),
      guards: {
        revisions: revisions.map(({ id, name, how_to_tell }) => ({ id, name, tell: how_to_tell })),
        ...(first && {
          chain: {
            what: named(first),
            bad: chains.some(({ evidence }) => evidence.verdict === "known-bad"),
          },
        }),
        devices: await batteriesOf(tx, chains),
        sums: new Map(releases.flatMap((r) => (r.file_sha256 ? [[r.id, r.file_sha256] as const] : []))),
      },
    },
  };
}

/** The programmers that chains go by, each with the least charge it should have. */
async function batteriesOf(tx: Tx, chains: readonly Chain[]) {
  const leads = new Set(chains.flatMap(({ lead }) => (lead?.kind === "programmer" ? [lead.id] : [])));
  const found = [];
  for (const lead of leads) {
    const device = await deviceOf(tx, "lead", lead);
    if (device && device.battery !== "none")
      found.push({ tag: device.tag, floor: leastToProgram(device.per_use) });
  }
  return found;
}

/** What chains go by, each once. */
function thingsOf(chains: readonly Chain[], tools: ReadonlyMap<string, string>): Thing[] {
  const all = chains.flatMap(({ lead, atRadio, atComputer, computer, tool }): Thing[] => [
    ...(lead ? [{ kind: "lead" as const, id: lead.id, name: lead.tag }] : []),
    ...[...atRadio, ...atComputer].map((joint) => ({
      kind: "adapter" as const,
      id: joint.id,
      name: joint.tag,
    })),
    { kind: "computer", id: computer.id, name: computer.name },
    ...(tool ? [{ kind: "tool" as const, id: tool.tool, name: tools.get(tool.tool) ?? "the tool" }] : []),
  ]);
  return [...new Map(all.map((thing) => [`${thing.kind} ${thing.id}`, thing])).values()];
}

/** What a meter's power is held against. */
export async function ratedOf(tx: Tx, unit: LoadedSituation["unit"]): Promise<Measuring> {
  return { rated: ratedWatts((await modesOf(tx, unit.model)).map(knownMode), unit.mode?.now.id) };
}
