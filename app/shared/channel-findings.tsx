// What is wrong with a radio's channels, the worst first, each with what helps; what one press mends has the press.
import { CODEPLUG_WORST, type CodeplugFinding, type Cure } from "#core/codeplug/index.ts";
import { groupBy, listed } from "#core/quantities/index.ts";
import { ActForm } from "../forms/act-form.tsx";
import { useClub, useMay } from "../ui/club.ts";
import { Wide } from "../ui/wide.tsx";
import { counted } from "../ui/words/count.ts";
import { sayHertz, sayWidth } from "../ui/words/frequency.ts";
import { sayDate } from "../ui/words/time.ts";

const KIND_WORD: Record<CodeplugFinding["kind"], string> = {
  beyond: "beyond what its user may use",
  stranded: "not transmitted on in this mode",
  apart: "apart from its group",
  "too-many": "more than fits",
  "beyond-zones": "more than its zones take",
  dangling: "points at nothing",
  slipped: "means another than it says",
  "other-identity": "wants another digital ID",
  wide: "too wide",
  twice: "there twice",
  "same-name": "shown like another",
  tone: "a tone it does not make",
  incomplete: "not complete",
  "identity-awaited": "its ID has not come",
  deaf: "not heard in this mode",
  "unusual-shift": "an unusual shift",
  narrow: "narrower than the plan",
  "strange-signs": "signs that it cannot show",
  "long-name": "name cut",
};
const CURE_WORD: Record<Cure, string> = {
  narrow: "Make them narrow",
  "listen-only": "Make them listen only",
  "shorten-names": "Shorten the names",
  "drop-doubles": "Drop the doubles",
};

/** So many of each kind are told one by one. */
const EACH = 8;

const positions = (some: readonly number[], most = 4) =>
  `${some.length === 1 ? "position" : "positions"} ${listed(some.map(String), most)}`;

function sayFinding(
  one: CodeplugFinding,
  say: { day: (date: NonNullable<Extract<CodeplugFinding, { kind: "wide" }>["from"]>) => string },
): string {
  switch (one.kind) {
    case "beyond":
      return `It transmits on ${sayHertz(one.frequency)}: make it receive only, or change its frequency.`;
    case "stranded":
      return one.does === "refuses"
        ? "The radio refuses to transmit there: another mode, or receive only."
        : `The radio would transmit on ${one.edge === undefined ? "a band edge" : sayHertz(one.edge)} instead: take it out before somebody does.`;
    case "apart":
      return `None of its channels transmits on ${sayHertz(one.frequency)}, where its group meets: write the plan into it.`;
    case "too-many":
      return `${one.count} ${one.what}, and its model holds ${one.most}.`;
    case "beyond-zones":
      return `Its zones take ${one.most} of its ${one.count} channels: the others stand in no zone.`;
    case "dangling":
      return `The talkgroup ${one.what} is not in its list: merge that in, or choose another.`;
    case "slipped":
      return `It says ${one.says}, and at position ${one.position} is ${one.means}: put the list right, or the channel.`;
    case "other-identity":
      return `It wants the ID ${one.wants}; the radio has ${listed(one.has)}: enter that, or note the other.`;
    case "deaf":
      return "The radio does not receive there in this mode.";
    case "wide":
      return `${sayWidth(one.channel?.bandwidth ?? 0)} where the plan has ${sayWidth(one.most)} at most${one.from ? ` from ${say.day(one.from)} on` : ""}: set it to narrow.`;
    case "narrow":
      return `${sayWidth(one.channel?.bandwidth ?? 0)} where the plan has ${sayWidth(one.usual)}: it is heard faintly by those who are wide.`;
    case "twice":
      return `The same stands at ${positions(one.others)}.`;
    case "same-name":
      return `Shown as “${one.shown}”, as is ${positions(one.others)}.`;
    case "long-name":
      return `Its display has no room for it: “${one.shown}” would be told apart.`;
    case "strange-signs":
      return `Its display does not have “${one.signs}”: use capitals, digits and plain signs.`;
    case "tone":
      return `${one.tone} is not among ${one.from ? `its tones (${one.from})` : "those commonly built"}: choose one that is.`;
    case "unusual-shift":
      return `It shifts by ${sayShift(one.shift)}; repeaters near that frequency by ${sayShift(one.usual)}: is the sign right?`;
    case "incomplete":
      return `Without ${listed(one.lacks)} nobody hears it.`;
    case "identity-awaited":
      return "The radio's digital ID was asked for and has not come: it stays silent until then.";
  }
}

const sayShift = (shift: number) => `${shift < 0 ? "−" : "+"}${sayHertz(Math.abs(shift))}`;

export function ChannelFindings(props: {
  readonly findings: readonly CodeplugFinding[];
  /** The revision that a press makes another of; absent: there is none, as of a table of the plan. */
  readonly codeplug?: string;
}) {
  const { findings, codeplug } = props;
  const { locale, today } = useClub();
  const mayWork = useMay("work-at-bench");
  const cures = [...new Set(findings.flatMap(({ cure }) => cure ?? []))];
  const byKind = groupBy(findings, ({ kind }) => kind);
  const shown = [...byKind.values()].flatMap((some) => some.slice(0, EACH));
  const more = [...byKind].flatMap(([kind, some]) =>
    some.length > EACH ? [[kind, some.slice(EACH)] as const] : [],
  );
  const say = { day: (date: Parameters<typeof sayDate>[0]) => sayDate(date, locale, today) };
  return (
    <div className="flex flex-col gap-2">
      <Wide label="What is wrong">
        <table className="table table-sm">
          <thead>
            <tr>
              <th>Channel</th>
              <th>What</th>
              <th>What helps</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((one, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: they are worked out anew as a whole
              <tr key={i}>
                <th scope="row" className="whitespace-nowrap">
                  {one.channel ? (
                    <>
                      {one.channel.position}. <span className="ver">{one.channel.name}</span>
                    </>
                  ) : (
                    "the whole of it"
                  )}
                </th>
                <td className={CODEPLUG_WORST.includes(one.kind) ? "text-rust" : ""}>
                  {KIND_WORD[one.kind]}
                </td>
                <td>{sayFinding(one, say)}</td>
              </tr>
            ))}
            {more.map(([kind, rest]) => (
              <tr key={kind} className="text-quiet">
                <th scope="row">{counted(rest.length, "channel")} more</th>
                <td>{KIND_WORD[kind]}</td>
                <td>
                  The same, at{" "}
                  {positions(
                    rest.flatMap(({ channel }) => channel?.position ?? []),
                    12,
                  )}
                  .
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
      {mayWork && codeplug !== undefined && cures.length > 0 && (
        <div className="flex flex-wrap items-center gap-2">
          {cures.map((cure) => (
            <ActForm key={cure} intent="mend">
              <input type="hidden" name="codeplug" value={codeplug} />
              <input type="hidden" name="cure" value={cure} />
              <button type="submit" className="btn btn-outline btn-primary btn-sm">
                {CURE_WORD[cure]} ({counted(findings.filter((one) => one.cure === cure).length, "channel")})
              </button>
            </ActForm>
          ))}
          <span className="text-sm text-quiet">
            That makes a table for it; what is in the radio stays until it is written.
          </span>
        </div>
      )}
    </div>
  );
}
