// The demo's bench: simulated radios for the Wickets, runs of the past two years, one going on, and one left in the middle.

import { createHash } from "node:crypto";
import type { Purpose } from "#core/dossier/index.ts";
import { addDays, mustGet, type PlainDate } from "#core/quantities/index.ts";
import { composeProcedure, type Happening, stepsOf } from "#core/run/index.ts";
import { newestReading } from "#core/unit/index.ts";
import { knownProcedure, proceduresOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { addBackup, keepFile } from "#db/run/index.ts";
import * as seed from "#db/seed.ts";
import { loadSituations, putSimulated } from "#db/unit/index.ts";
import { newRadio } from "#simulators/radio/radio.ts";

/** Days ago, the radio, by whom, which of its procedures; seconds a step; what was odd, at which step, why and what helped; how it ended. */
type PastRun = {
  readonly ago: number;
  readonly tag: string;
  readonly who: string;
  readonly purpose: Purpose;
  readonly seconds: readonly number[];
  readonly odd?: readonly [step: number, symptom: string, cause: string, cure: string];
  /** Stopped at this step, and why; absent: gone through. */
  readonly stopped?: readonly [step: number, why: string];
  /** It was left at this step and nobody has gone on. */
  readonly left?: number;
};

const RUNS: readonly PastRun[] = [
  { ago: 640, tag: "W-03", who: "Tobin", purpose: "flash", seconds: [31, 12, 20, 290, 14, 3, 11, 4] },
  {
    ago: 430,
    tag: "W-01",
    who: "Tobin",
    purpose: "flash",
    seconds: [40, 15, 22, 120, 9, 3, 12, 5],
    odd: [3, "It stopped half way.", "The plug is not pressed home", "Pressed it home"],
  },
  { ago: 372, tag: "W-02", who: "Bram", purpose: "update-mode", seconds: [4, 9, 5] },
  { ago: 265, tag: "W-03", who: "Juno", purpose: "flash", seconds: [22, 8, 12, 268, 9, 2, 10, 3] },
  {
    ago: 240,
    tag: "W-06",
    who: "Juno",
    purpose: "flash",
    seconds: [35, 11, 14, 60, 9, 3, 10, 4],
    stopped: [3, "the lead K-04 makes a port with a fault sign; another evening, another computer"],
  },
  { ago: 196, tag: "W-02", who: "Tobin", purpose: "flash", seconds: [25, 9, 12, 271, 12, 3, 10, 4] },
  { ago: 121, tag: "W-01", who: "Juno", purpose: "back-up", seconds: [18, 40, 12, 5] },
  {
    ago: 121,
    tag: "W-01",
    who: "Juno",
    purpose: "flash",
    seconds: [19, 7, 9, 265, 8, 2, 10, 3],
    odd: [
      7,
      "“LO MEM” for a few seconds after a flash",
      "it lays its memory out anew",
      "went away by itself",
    ],
  },
  { ago: 88, tag: "W-04", who: "Juno", purpose: "flash", seconds: [20, 8, 9, 270, 8, 2, 10, 3] },
  { ago: 22, tag: "W-03", who: "Juno", purpose: "read-version", seconds: [3, 5, 4] },
  { ago: 12, tag: "H-03", who: "Juno", purpose: "flash", seconds: [30, 15, 20, 540, 22, 9] },
  { ago: 9, tag: "H-04", who: "Bram", purpose: "read-version", seconds: [4, 12], left: 2 },
  { ago: 0, tag: "W-08", who: "Juno", purpose: "read-version", seconds: [4], left: 1 },
];

/** Days ago, the radio, by whom; `of`: the radio whose file it really is. */
const BACKUPS: readonly {
  readonly ago: number;
  readonly tag: string;
  readonly who: string;
  readonly of?: string;
}[] = [
  { ago: 640, tag: "W-03", who: "Tobin" },
  { ago: 430, tag: "W-01", who: "Tobin" },
  { ago: 265, tag: "W-03", who: "Juno" },
  { ago: 196, tag: "W-02", who: "Tobin" },
  { ago: 121, tag: "W-01", who: "Juno" },
  { ago: 120, tag: "W-05", who: "Bram" },
  // Two radios on one table, and the wrong name typed.
  { ago: 120, tag: "W-06", who: "Bram", of: "W-05" },
  { ago: 88, tag: "W-04", who: "Juno" },
  // Flashed since.
  { ago: 30, tag: "W-10", who: "Juno" },
];

/** What was read out of a radio on a day: as large as the others of its model, and never the same twice. */
function readOut(tag: string, ago: number): Uint8Array {
  const bytes = Buffer.alloc(12_400);
  bytes.write(`${tag} as it was ${ago} days ago`);
  return bytes;
}

async function layBackups(tx: Tx, { units, people, evening }: Known, today: PlainDate): Promise<void> {
  for (const { ago, tag, who, of = tag } of BACKUPS) {
    const content = readOut(of, ago);
    const sha256 = createHash("sha256").update(content).digest("hex");
    await keepFile(tx, sha256, content);
    const day = addDays(today, -ago);
    await addBackup(tx, {
      unit: mustGet(units, tag),
      sha256,
      name: `${tag} ${day}.plug`,
      run: undefined,
      by: mustGet(people, who),
      at: evening(day, 15),
    });
  }
}

type Known = {
  readonly units: ReadonlyMap<string, string>;
  readonly people: ReadonlyMap<string, string>;
  readonly evening: (day: PlainDate, minute: number) => string;
};

export async function layBench(tx: Tx, known: Known, today: PlainDate): Promise<void> {
  await layBackups(tx, known, today);
  const { all } = await loadSituations(tx, { of: "club" }, today);
  const byId = new Map(all.map((one) => [one.unit.id, one]));
  for (const [tag, id] of known.units) {
    const situation = byId.get(id);
    if (!tag.startsWith("W-") || !situation) continue;
    const runs = [...situation.catalogue.values()].flatMap(({ component }) => {
      const reading = newestReading(situation.unit, component.id);
      return reading ? [[component.name, reading.raw] as const] : [];
    });
    await putSimulated(tx, id, newRadio(Number(tag.slice(2)) * 7919, Object.fromEntries(runs)));
  }
  for (const run of RUNS) await layRun(tx, run, byId, known, today);
}

async function layRun(
  tx: Tx,
  run: PastRun,
  byId: ReadonlyMap<string, Awaited<ReturnType<typeof loadSituations>>["all"][number]>,
  { units, people, evening }: Known,
  today: PlainDate,
): Promise<void> {
  const unit = mustGet(units, run.tag);
  const model = byId.get(unit)?.unit.model ?? "";
  const procedure = (await proceduresOf(tx, model))
    .map(knownProcedure)
    .find((p) => p.purpose === run.purpose);
  if (!procedure) throw new Error(`${run.tag} has no procedure to ${run.purpose}`);
  const plan = composeProcedure(procedure);
  const steps = stepsOf(plan).length;
  const begun = Date.parse(
    run.ago === 0 ? new Date(Date.now() - 240_000).toISOString() : evening(addDays(today, -run.ago), 20),
  );
  const events: { what: Happening; at: string }[] = [];
  let at = begun;
  const add = (what: Happening, seconds = 0) => {
    at += seconds * 1000;
    events.push({ what, at: new Date(at).toISOString() });
  };
  add({ kind: "started" });
  for (let step = 0; step < steps; step++) {
    if (run.left === step) break;
    const seconds = run.seconds[step] ?? 10;
    if (run.stopped?.[0] === step) {
      add({ kind: "stopped", reason: run.stopped[1] }, seconds);
      break;
    }
    if (run.odd?.[0] === step) {
      const [, symptom, cause, cure] = run.odd;
      add({ kind: "odd", symptom }, seconds);
      add({ kind: "cured", cause, cure }, 45);
    }
    add({ kind: "seen" }, seconds);
    if (step === steps - 1) add({ kind: "finished" });
  }
  await seed.seedRun(tx, {
    unit,
    title: procedure.title,
    plan,
    by: mustGet(people, run.who),
    begunAt: new Date(begun).toISOString(),
    endedAt: run.left === undefined ? new Date(at).toISOString() : undefined,
    events,
  });
}
