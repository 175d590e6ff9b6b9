// What somebody has at home of the club's: each radio, whether it is all right, how its version is read, when it is due back; and who the keepers are.
import { plainVerdict } from "#core/needs/index.ts";
import { URGENCIES } from "#core/release/index.ts";
import { standingsOf } from "#core/unit/index.ts";
import { offersToTry, people } from "#db/club/index.ts";
import { dossierHead } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { heldBy, needsOfUnit, unitById } from "#db/unit/index.ts";
import type { SignedIn } from "../context.ts";
import { componentsOf, howToOf, loadUnit } from "../shared/load-unit.server.ts";

/** So many radios are shown; nobody carries home more. */
const MOST = 12;

export async function loadMine(tx: Tx, who: SignedIn) {
  const held = await heldBy(tx, who.person);
  const radios = [];
  for (const id of held.slice(0, MOST)) {
    const tag = (await unitById(tx, id))?.tag;
    if (tag !== undefined) radios.push(await loadOne(tx, who, tag));
  }
  const keepers = (await people(tx)).filter(({ role, id }) => role === "keeper" && id !== who.person);
  return {
    radios,
    tries: await offersToTry(tx),
    more: Math.max(0, held.length - MOST),
    keepers: keepers.map(({ name, email }) => ({ name, email })),
  };
}

async function loadOne(tx: Tx, who: SignedIn, tag: string) {
  const { row, situation, catalogue } = await loadUnit(tx, tag, who.today);
  const standings = situation ? standingsOf(situation) : [];
  const due = (await needsOfUnit(tx, row.id, who.today)).filter(({ due_from }) => due_from <= who.today);
  const { procedures = [] } = situation ? await howToOf(tx, who, situation.unit, catalogue) : {};
  const read = procedures.find(({ purpose }) => purpose === "read-version");
  const [main] = standings;
  return {
    id: row.id,
    tag: row.tag,
    model: row.model,
    dueBack: row.due_back,
    since: row.out_on,
    verdict: plainVerdict(
      standings.map(({ standing }) => standing),
      due.map(({ kind, cause, urgency }) => ({ kind, cause, urgency: URGENCIES[urgency] ?? "routine" })),
    ),
    runs: main?.reading && { raw: main.reading.raw, on: main.reading.on },
    components: componentsOf(catalogue).map(({ name }) => name),
    how: read && {
      title: read.title,
      steps: read.steps,
      layout: (await dossierHead(tx, row.model_id)).identity.layout,
    },
  };
}
