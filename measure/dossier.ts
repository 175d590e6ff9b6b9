// A dossier of 200 releases and 60 procedures, over HTTP, against one of nothing.

import { addDays, plain } from "#core/quantities/index.ts";
import { addRelease, putProcedure } from "#db/model/index.ts";
import { closePool, type Tx, withClub, withoutClub } from "#db/pool.ts";
import * as seed from "#db/seed.ts";
import { serveFresh } from "../e2e/serve.ts";
import { best, type Measured, ratio } from "./clock.ts";
import { signInKeeper } from "./pages.ts";

async function fill(tx: Tx, by: string, name: string, releases: number, procedures: number): Promise<string> {
  const model = await seed.seedModel(tx, {
    maker: "Fenwright",
    name,
    kind: "handheld",
    note: "",
    suffixes: [],
  });
  const numbering = { kind: "dotted" } as const;
  const component = await seed.seedComponent(tx, { model, name: "main", position: 0, numbering, by });
  for (let n = 0; n < releases; n++) {
    await addRelease(tx, {
      component,
      version: `1.${n}`,
      aliases: [],
      track: "factory",
      releasedOn: addDays(plain("2020-01-01"), n * 9),
      fixes: [],
      notes: "A note.",
      source: { kind: "maker", what: "leaflet" },
    });
  }
  for (let n = 0; n < procedures; n++) {
    await putProcedure(tx, model, undefined, {
      purpose: "update-mode",
      title: `Way ${n}`,
      effect: "harmless",
      steps: [{ kind: "hold", keys: [`k${n}`, "talk"], turn: "on" }],
      component_id: null,
      firmware: null,
      hardware_revisions: null,
      minutes: 2,
      source: { kind: "bench", what: "an evening" },
      draft: false,
    });
  }
  return model;
}

export async function measureDossier(): Promise<Measured[]> {
  const served = await serveFresh("demo");
  const cookie = await signInKeeper(served.address);
  const found = await withoutClub((tx) =>
    tx.query<{ club_id: string; person_id: string }>(
      "select club_id, person_id from sign_in_lookup('wren@lanternfen.example')",
    ),
  );
  const [keeper] = found.rows;
  const actor = { club: keeper?.club_id ?? "", person: keeper?.person_id ?? "" };
  const empty = await withClub(actor, (tx) => fill(tx, actor.person, "Bare", 0, 0));
  const full = await withClub(actor, (tx) => fill(tx, actor.person, "Laden", 200, 60));
  await closePool();
  const open = async (model: string) => {
    const answer = await fetch(`${served.address}/models/${model}`, { headers: { cookie } });
    await answer.text();
    if (answer.status !== 200) throw new Error(`model ${model} answered ${answer.status}`);
  };
  let least = Number.POSITIVE_INFINITY;
  let most = Number.POSITIVE_INFINITY;
  for (let round = 0; round < 40; round++) {
    least = Math.min(least, await best(1, () => open(empty)));
    most = Math.min(most, await best(1, () => open(full)));
  }
  await served.stop();
  return [ratio("dossier of 200 releases and 60 procedures, against an empty one", most, least, 2)];
}
