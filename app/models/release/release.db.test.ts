// A release as its form arrives: what is told beforehand is what happens, and what is wrong is said where it stands.
import { createHash } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { addDays, type PlainDate } from "#core/quantities/index.ts";
import { readLog } from "#db/club/index.ts";
import { modelsToPick, releasesOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { decodeTargets } from "#db/unit/needs.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import type { SignedIn } from "../../context.ts";
import { actOnRelease, loadRelease } from "./load-release.server.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

type Fields = Record<string, string | File>;

async function post(tx: Tx, who: SignedIn, model: string, release: string, fields: Fields) {
  const { values } = await loadRelease(tx, model, release, who.today);
  const form = new FormData();
  for (const [name, value] of Object.entries({ ...values, ...fields })) form.append(name, value);
  form.set("key", crypto.randomUUID());
  return actOnRelease(tx, who, model, release, form);
}

type Answer = Awaited<ReturnType<typeof post>>;
const errorsOf = (answer: Answer) =>
  answer instanceof Response
    ? "saved"
    : Object.fromEntries(Object.entries(answer.data.result.error ?? {}).map(([k, v]) => [k, v?.[0]]));
/** What a look told beforehand. */
const toldOf = (answer: Answer) =>
  answer instanceof Response || !("touched" in answer.data)
    ? {}
    : Object.fromEntries(Object.entries(answer.data.touched).map(([kind, { tags }]) => [kind, tags]));
/** Of what was typed, the texts: an empty field comes back as none. */
const sentTexts = (fields: Fields) =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => typeof value === "string"));
const isSaved = (answer: Answer) => answer instanceof Response && answer.status === 302;

/** The first part of a model, and its releases, oldest first. */
async function partOf(tx: Tx, model: string) {
  const releases = (await releasesOf(tx, model)).filter((r) => !r.draft);
  const component = releases[0]?.component_id ?? "";
  const own = releases.filter((r) => r.component_id === component);
  return { component, own: own.sort((a, b) => (a.released_on < b.released_on ? -1 : 1)) };
}

type Standing = { readonly open: string; readonly ahead: string };

/** What each unit of a model has open, and which installs lie ahead of it, straight from the table. */
async function standings(tx: Tx, model: string, today: PlainDate): Promise<Map<string, Standing>> {
  const { rows } = await tx.query<{
    tag: string;
    open: boolean;
    kind: string;
    gist: string;
    targets: string;
  }>(
    `select u.tag, n.due_from <= $2 and (n.due_to is null or n.due_to > $2) open, n.kind, n.targets,
       concat_ws(' ', n.kind, n.component_id, n.cause, n.urgency, n.due_from) gist
     from unit u left join need n on n.unit_id = u.id where u.model_id = $1 and u.shelved_at is null`,
    [model, today],
  );
  const found = new Map<string, { open: string[]; ahead: string[] }>();
  for (const row of rows) {
    const unit = found.get(row.tag) ?? { open: [], ahead: [] };
    found.set(row.tag, unit);
    if (row.kind === null) continue;
    const targets = decodeTargets(row.targets);
    const now = targets.filter((t) => t.from <= today).at(-1)?.release ?? "";
    if (row.open) unit.open.push(`${row.gist.split(" ").slice(0, -1).join(" ")} ${now}`);
    if (row.kind === "firmware") unit.ahead.push(`${row.gist} ${targets.map((t) => t.release).join()}`);
  }
  return new Map(
    [...found].map(([tag, { open, ahead }]) => [
      tag,
      { open: open.sort().join(), ahead: ahead.sort().join() },
    ]),
  );
}

function touched(before: Map<string, Standing>, after: Map<string, Standing>) {
  const told: Record<"newlyDue" | "changed" | "freed" | "later", string[]> = {
    newlyDue: [],
    changed: [],
    freed: [],
    later: [],
  };
  for (const [tag, was] of before) {
    const is = after.get(tag) ?? { open: "", ahead: "" };
    if (was.open === is.open) {
      if (was.ahead !== is.ahead) told.later.push(tag);
    } else if (was.open === "") told.newlyDue.push(tag);
    else if (is.open === "") told.freed.push(tag);
    else told.changed.push(tag);
  }
  return told;
}

const inOrder = (told: Record<string, readonly string[]>) =>
  Object.fromEntries(Object.entries(told).map(([kind, tags]) => [kind, [...tags].sort()]));

describe("what is told beforehand is what happens", () => {
  const CHANGES: Record<string, (today: PlainDate) => Fields> = {
    "a new release": (today) => ({ releasedOn: addDays(today, -20) }),
    "one that mends something dangerous": (today) => ({
      releasedOn: addDays(today, -1),
      "fix-0-tag": "overheats",
      "fix-0-urgency": "safety",
      "fix-0-words": "does not overheat",
    }),
    "one for a day to come": (today) => ({ releasedOn: addDays(today, 30) }),
    "a beta": (today) => ({ releasedOn: addDays(today, -3), track: "beta" }),
    "one for a region that no radio here is of": () => ({ "region-0-name": "nowhere" }),
  };
  for (const [what, fields] of Object.entries(CHANGES)) {
    it(`of ${what}`, async () => {
      let anybody = 0;
      for (const { id: model } of await club.ask((tx) => modelsToPick(tx))) {
        await club.trial(async (tx, who) => {
          const { component, own } = await partOf(tx, model);
          if (own.length === 0) return;
          const version = newerThan(own.at(-1)?.version ?? "1.0", who.today);
          const all = { component, version, ...fields(who.today) };
          const before = await standings(tx, model, who.today);
          const told = await post(tx, who, model, "new", all);
          expect(errorsOf(told)).toEqual({});
          expect(await standings(tx, model, who.today)).toEqual(before);
          expect(isSaved(await post(tx, who, model, "new", { ...all, intent: "save" }))).toBe(true);
          const happened = touched(before, await standings(tx, model, who.today));
          expect(inOrder(toldOf(told))).toEqual(inOrder(happened));
          anybody += Object.values(happened).flat().length;
        });
      }
      expect(anybody).toBeGreaterThan(0);
    });
  }

  it("of a withdrawal, and of taking it back", async () => {
    let anybody = 0;
    for (const { id: model } of await club.ask((tx) => modelsToPick(tx))) {
      await club.trial(async (tx, who) => {
        const newest = (await partOf(tx, model)).own.filter((r) => r.withdrawn_on === null).at(-1);
        if (!newest) return;
        const start = await standings(tx, model, who.today);
        const withdrawal = { withdrawnOn: who.today, withdrawnWhy: "locks up" };
        for (const [fields, kind] of [
          [withdrawal, "release-withdrawn"],
          [{ withdrawnOn: "", withdrawnWhy: "" }, "release-reinstated"],
        ] as const) {
          const before = await standings(tx, model, who.today);
          const told = await post(tx, who, model, newest.id, fields);
          await post(tx, who, model, newest.id, { ...fields, intent: "save" });
          const happened = touched(before, await standings(tx, model, who.today));
          expect(inOrder(toldOf(told))).toEqual(inOrder(happened));
          const units = Object.values(happened).flat().length;
          anybody += units;
          const [entry] = await readLog(tx, { kind }, 1, "keeper");
          expect(entry?.detail).toMatchObject({ version: newest.version, units });
        }
        expect(await standings(tx, model, who.today)).toEqual(start);
      });
    }
    expect(anybody).toBeGreaterThan(20);
  });
});

/** A version that follows, in whichever way the model numbers. */
function newerThan(version: string, today: PlainDate): string {
  if (/^\d{8}$/.test(version)) return addDays(today, -1).replaceAll("-", "");
  return version.replace(/\d+/, (digits) => String(Number(digits) + 1));
}

describe("what is wrong is said where it stands, and nothing is saved", () => {
  const WRONG: [field: string, says: RegExp, fields: (today: PlainDate) => Fields][] = [
    ["version", /has a version/, () => ({ version: "  " })],
    ["releasedOn", /real date/, () => ({ releasedOn: "2027-02-30" })],
    ["component", /no such part/, () => ({ component: "999999999" })],
    ["revisions", /does not have any more/, () => ({ "revision-999999999": "on" })],
    ["fix-0-tag", /word to watch for/, () => ({ "fix-0-words": "keeps the time" })],
    ["from", /is no version as this part counts/, () => ({ "from-0-low": "about 1.06" })],
    ["requires-0-0-low", /which version/, () => ({ "requires-0-part": "dsp" })],
    ["tool", /which software/, () => ({ "tool-0-low": "2.0" })],
    ["minutes", /whole number/, () => ({ minutes: "a while" })],
    ["sha256", /64 digits/, () => ({ sha256: "abc" })],
    ["withdrawnWhy", /why/, (today) => ({ withdrawnOn: today })],
    ["withdrawnOn", /when it is known/, (today) => ({ withdrawnOn: addDays(today, 1), withdrawnWhy: "x" })],
    ["sourceKind", /what kind/, () => ({ sourceWhat: "a leaflet" })],
  ];
  for (const [field, says, fields] of WRONG) {
    it(field, () =>
      club.trial(async (tx, who) => {
        const [model] = await modelsToPick(tx);
        const { component, own } = await partOf(tx, model?.id ?? "");
        const all = { component, version: "77.7", ...fields(who.today), intent: "save" };
        const answer = await post(tx, who, model?.id ?? "", "new", all);
        expect(errorsOf(answer)).toEqual({ [field]: expect.stringMatching(says) });
        // What was typed comes back with it.
        if (!(answer instanceof Response))
          expect(answer.data.result.initialValue).toMatchObject(sentTexts(fields(who.today)));
        expect((await partOf(tx, model?.id ?? "")).own).toEqual(own);
      }),
    );
  }

  it("conditions that contradict each other: it may be kept as a draft, which no radio is asked to take", () =>
    club.trial(async (tx, who) => {
      const [model] = await modelsToPick(tx);
      const id = model?.id ?? "";
      const { component } = await partOf(tx, id);
      const all = {
        component,
        version: "77.7",
        "requires-0-part": "nosuchpart",
        "requires-0-0-low": "2.0",
        releasedOn: addDays(who.today, -9),
      };
      const before = await standings(tx, id, who.today);
      const answer = await post(tx, who, id, "new", { ...all, intent: "save" });
      expect(answer).toMatchObject({ data: { savableAsDraft: true } });
      expect(errorsOf(answer)).toEqual({ requires: expect.any(String) });
      expect(isSaved(await post(tx, who, id, "new", { ...all, intent: "draft" }))).toBe(true);
      expect(touched(before, await standings(tx, id, who.today))).toEqual({
        newlyDue: [],
        changed: [],
        freed: [],
        later: [],
      });
    }));
});

it("a file put into the form is kept by its content, whatever was written about it", () =>
  club.trial(async (tx, who) => {
    const [model] = await modelsToPick(tx);
    const id = model?.id ?? "";
    const { component } = await partOf(tx, id);
    const content = "made-up firmware\n".repeat(30);
    const sha256 = createHash("sha256").update(content).digest("hex");
    const file = new File([content], "seventy-seven.bin");
    for (const version of ["77.7", "77.8"]) {
      const fields = {
        component,
        version,
        content: file,
        sha256: "0".repeat(64),
        fileSize: "3",
        intent: "save",
      };
      expect(isSaved(await post(tx, who, id, "new", fields))).toBe(true);
    }
    const kept = (await releasesOf(tx, id)).filter((r) => r.file_sha256 === sha256).reverse();
    expect(kept.map((r) => [r.version, r.file_size, r.file_name, r.stored])).toEqual([
      ["77.7", String(content.length), "seventy-seven.bin", true],
      ["77.8", String(content.length), "seventy-seven.bin", true],
    ]);
  }));
