// Every act against every role, written down by hand: an act that is given to more people than it was, or to fewer, is noticed.
import { afterAll, beforeAll, expect, it } from "vitest";
import { ROLES } from "#core/club/index.ts";
import { withClub } from "#db/pool.ts";
import { takenBack } from "#db/testing.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { type Act, performIn } from "../define.ts";
import { ALL_ACTS } from "../index.ts";
import { noteMode } from "../mode/note-mode.ts";
import { recordReading } from "../reading/record-reading.ts";

const KEEPER =
  "add-group add-person add-place bring-club-back bring-in-dossier change-group change-person change-place confirm-numbering import-band-plan import-units make-link merge-models recover-person recover-unit remember-sheet set-bench-rules set-first-step shelve-limit shelve-person shelve-segment write-codeplug-facts write-identity write-limit write-model write-release write-releases write-segment";
const BENCH =
  "add-battery add-unit answer-run begin-anew begin-run change-plan change-unit confirm-fact drop-plan end-pairing fault-radio fill-usb-ids hold-units import-repeaters issue-plan keep-backup keep-channels keep-file-part keep-mapping keep-profile lend-unit lift-hold mend-codeplug merge-list move-reading name-usb-id note-charge note-hardware note-identity note-measurement note-pairing note-setting note-spectrum note-try pair-device read-simulated-level set-currency set-pairing shelve-identity shelve-mapping shelve-mode shelve-procedure shelve-profile shelve-quirk shelve-repeater shelve-service-item shelve-thing shelve-unit show-unlocking stand-in-radio strike-charge strike-measurement strike-reading strike-spectrum strike-try take-back-unit take-over-run tie-device work-machine write-down write-mode write-procedure write-quirk write-repeater write-service-item write-thing";
const EVERYBODY = "change-password end-sessions note-heard note-practice set-theme";
/** The bench, and a member who has the radio. */
const HOLDER = "note-mode record-reading";

type AnyAct = Act<string, unknown, unknown, { kind: string }>;
const acts = ALL_ACTS as unknown as readonly AnyAct[];
const words = (text: string) => text.split(" ");

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

it("every act stands in the table, once", () => {
  const all = [KEEPER, BENCH, EVERYBODY, HOLDER].flatMap(words).sort();
  expect(acts.map(({ name }) => name).sort()).toEqual(all);
});

const least = (name: string) =>
  words(KEEPER).includes(name) ? ["keeper"] : words(EVERYBODY).includes(name) ? ROLES : ["keeper", "bench"];

it.each(acts.map((act) => [act.name, act] as const))(
  "%s is for those whom the table names",
  async (name, act) => {
    await takenBack(club.who, async (tx) => {
      for (const role of ROLES) {
        const done = await performIn(
          tx,
          act,
          { ...club.who, role },
          { input: undefined, key: crypto.randomUUID() },
        );
        const refused = !done.ok && done.problem.kind === "not-allowed";
        // Who has a radio is known only of what is whole; see below.
        const wanted = !least(name).includes(role) && !words(HOLDER).includes(name);
        expect([name, role, refused]).toEqual([name, role, wanted]);
      }
    });
  },
);

it("a member may read and set the radio that they have, and no other; in another club nobody finds it", async () => {
  await takenBack(club.who, async (tx) => {
    const { rows } = await tx.query<{ unit: string; person: string; mode: string }>(
      `select c.unit_id unit, c.person_id person, m.id mode from custody c join unit u on u.id = c.unit_id
       join mode m on m.model_id = u.model_id where c.back_on is null and m.shelved_at is null limit 1`,
    );
    const { unit = "", person = "", mode = "" } = rows[0] ?? {};
    const holder = { ...club.who, person, role: "member" as const };
    const kindOf = async (act: AnyAct, who: typeof holder, input: unknown) => {
      const done = await performIn(tx, act, who, { input, key: crypto.randomUUID() });
      return done.ok ? "done" : done.problem.kind;
    };
    const reading = { unit, typed: "1.02", source: "screen" };
    const setting = { unit, mode, how: "told", why: "" };
    for (const [act, input] of [
      [recordReading, reading],
      [noteMode, setting],
    ] as const) {
      const any = act as unknown as AnyAct;
      expect(await kindOf(any, holder, input)).not.toBe("not-allowed");
      expect(await kindOf(any, { ...holder, person: club.who.person }, input)).toBe("not-allowed");
    }
  });
  const elsewhere = { ...club.who, club: "999999999999" };
  await expect(
    withClub(elsewhere, async (tx) => (await tx.query("select from unit")).rowCount),
  ).resolves.toBe(0);
});
