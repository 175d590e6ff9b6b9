// In which mode a radio is: where it transmits, where its user may, and what that comes to; who set it, when and why.
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { Caution } from "../ui/caution.tsx";
import { useClub, useMay } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { type Lane, Ruler, sayBands } from "../ui/ruler.tsx";
import { sayWidth } from "../ui/words/frequency.ts";
import { sayModeHow } from "../ui/words/mode.ts";
import { sayInstant } from "../ui/words/time.ts";
import type { ShownMode } from "./load-mode.server.ts";

export function ModeSection(props: {
  readonly mode: ShownMode;
  readonly unit: { readonly tag: string; readonly holder_id: string | null; readonly shelved_at: unknown };
  readonly kept: Readonly<Record<string, string>> | undefined;
}) {
  const { mode, unit, kept } = props;
  const { person, locale, timeZone } = useClub();
  const mayNote = useMay("record-reading", { holdsUnit: unit.holder_id === person });
  const mayWork = useMay("work-at-bench");
  const maySee = useMay("see-unlocking");
  const own = mode.modes.find(({ id }) => id === mode.now);
  const [last] = mode.history;
  const isBeyond = mode.standing.kind === "exceeds" || mode.standing.kind === "open";
  const lanes: Lane[] = [
    ...(own ? [{ name: "hears", bands: own.receive, light: true }] : []),
    ...(own
      ? [
          {
            name: "transmits",
            bands: own.transmit,
            ...(own.excess && { beyond: own.excess }),
            ...(own.ticks && { ticks: own.ticks }),
          },
        ]
      : mode.modes.map(({ name, transmit, ticks }) => ({
          name,
          bands: transmit,
          ...(ticks && { ticks }),
        }))),
    ...(mode.allowed ? [{ name: allowedWord(mode), bands: mode.allowed, light: true }] : []),
  ];
  return (
    <section id="mode" className="scroll-mt-4">
      <h2 className="mb-1.5">
        {own ? `Mode: ${own.name}` : "Mode: nobody has said"}{" "}
        {last && (
          <span className="font-sans text-sm font-normal text-quiet">
            {sayModeHow(last.how)} by {last.by}, {sayInstant(last.at, locale, timeZone)}
            {last.why && `: ${last.why}`}
          </span>
        )}
      </h2>
      <p className={isBeyond ? "mb-2 border-l-4 border-rust pl-3 font-semibold text-rust" : "mb-2"}>
        {sayStanding(mode, own?.name)}
      </p>
      <Ruler name="Where it transmits, and where its user may" lanes={lanes} />
      <div className="mt-4 flex flex-wrap items-start gap-x-6 gap-y-2">
        {mayWork && unit.shelved_at === null && <Switch mode={mode} />}
        {mayNote && unit.shelved_at === null && <Note mode={mode} kept={kept} />}
        {isBeyond && <Caution of="unlocking" />}
      </div>
      {maySee && (
        <p className="no-print mt-2 text-sm">
          <Go to={`/units/${encodeURIComponent(unit.tag)}/service`} className="link">
            Its service settings
          </Go>
        </p>
      )}
      {mode.history.length > 1 && (
        <details className="mt-2 text-sm">
          <summary className="cursor-pointer text-quiet">What it was in before</summary>
          <ul className="mt-1">
            {mode.history.slice(1).map((one) => (
              <li key={one.at}>
                {one.mode}, {sayModeHow(one.how)} by {one.by}, {sayInstant(one.at, locale, timeZone)}
                {one.why && `: ${one.why}`}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

const allowedWord = ({ rule, class: of }: ShownMode): string =>
  rule === "legacy" ? "approved for" : `${of ?? "its user"} may`;

/** What the mode comes to, in a sentence or two; never more than is known. */
function sayStanding(mode: ShownMode, name: string | undefined): string {
  const { standing } = mode;
  const whose = mode.held ? "of whoever has it" : "of its group";
  switch (standing.kind) {
    case "no-modes":
    case "mode-unknown":
      return `It can be in ${mode.modes.map((one) => one.name).join(" or ")}; nobody has said in which it is, so nobody knows where it transmits.`;
    case "as-it-is":
      return "Its group takes modes as they are: nothing is said of it.";
    case "nothing-to-compare":
      return standing.class
        ? `The band plan knows nothing of ${standing.class}, the class ${whose}: there is nothing to compare with.`
        : mode.rule === "legacy"
          ? "Nobody has entered what its group's radios were approved for: there is nothing to compare with."
          : `Nobody has entered the class ${whose}: there is nothing to compare with.`;
    case "open":
      return `It transmits beyond by ${sayBands(standing.excess)}; its group is open on purpose${standing.out ? ", and it is signed out by name" : "; whoever takes it signs for it by name"}.`;
    case "exceeds": {
      const better = standing.better.flatMap((id) => mode.modes.find((one) => one.id === id)?.name ?? []);
      const width = sayWidth(standing.width);
      return `It transmits where ${mode.rule === "legacy" ? "it was not approved to" : `the class ${whose} may not`}: ${width} in all, ${sayBands(standing.excess)}. ${
        better.length > 0
          ? `In the mode ${better.map((one) => `“${one}”`).join(" or ")} it would not.`
          : "None of its modes would fit."
      }`;
    }
    case "fits":
      return `“${name}” fits: it transmits nowhere else than it may.${
        standing.shortfall.length > 0
          ? ` It cannot use ${sayBands(standing.shortfall)}, which it could in another mode.`
          : ""
      }${standing.hearsLess ? " Another mode that fits hears more." : ""}`;
  }
}

/** A run that brings it into another mode: the one that fits best is offered first. */
function Switch({ mode }: { readonly mode: ShownMode }) {
  const others = mode.modes.filter(({ id }) => id !== mode.now);
  const best = mode.standing.kind === "exceeds" ? mode.standing.better[0] : undefined;
  if (others.length === 0) return null;
  return (
    <ActForm intent="bench" className="flex flex-wrap items-end gap-2">
      <Labelled
        name="mode"
        label="Another mode"
        small
        value={best ?? others[0]?.id}
        options={others.map(({ id, name, erases }) => [
          id,
          erases === "nothing" ? name : `${name} (erases ${erases === "codeplug" ? "its channels" : erases})`,
        ])}
        box="w-60"
      />
      <button type="submit" name="for" value="mode" className="btn btn-primary btn-sm">
        At the bench
      </button>
    </ActForm>
  );
}

function Note({
  mode,
  kept,
}: {
  readonly mode: ShownMode;
  readonly kept: Readonly<Record<string, string>> | undefined;
}) {
  const again = kept?.intent === "mode" ? kept : undefined;
  return (
    <details open={again !== undefined}>
      <summary className="btn btn-outline btn-primary btn-sm">Note its mode</summary>
      <ActForm intent="mode" className="sheet mt-2 flex flex-wrap items-end gap-3 p-3">
        <Labelled
          name="mode"
          label="It is in"
          small
          value={again?.mode ?? mode.now}
          options={mode.modes.map(({ id, name, sign }) => [id, sign ? `${name} (${sign})` : name] as const)}
          box="w-72"
        />
        <Labelled
          name="how"
          label="How that is known"
          small
          value={again?.how ?? "told"}
          options={[
            ["told", "somebody looked"],
            ["set", "switched to it just now"],
          ]}
          box="w-52"
        />
        <Labelled name="why" label="Reason, if there is one" small most={500} value={again?.why} box="w-72" />
        <button type="submit" className="btn btn-primary btn-sm">
          Note it
        </button>
      </ActForm>
    </details>
  );
}
