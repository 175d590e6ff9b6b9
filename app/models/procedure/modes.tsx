// The modes of a model: where its radios transmit in each, on one ruler; how one gets in, and what that erases.

import type { Probes } from "#core/modes/index.ts";
import { listed } from "#core/quantities/index.ts";
import type { ModeRow } from "#db/model/index.ts";
import { KnownFrom, type ShownConfirmed } from "../../shared/known-from.tsx";
import { useMay } from "../../ui/club.ts";
import { Go } from "../../ui/go.tsx";
import { type Lane, Ruler } from "../../ui/ruler.tsx";
import { sayHertz } from "../../ui/words/frequency.ts";

export type ShownModes = readonly (ModeRow & {
  /** A tool can set it; how, is told where it was asked for. */
  readonly hasSetting: boolean;
  readonly setting: string | undefined;
  readonly transmit: Lane["bands"];
  /** Tags of the radios that are in it. */
  readonly units: readonly string[];
})[];

const ERASES_WORD = {
  nothing: "erases nothing",
  settings: "erases its settings",
  codeplug: "erases what is programmed in it",
  everything: "erases everything",
} as const;

/** How the modes are told apart with a dummy load; and which cannot be, with what else tells them. */
function Tell({ probes, modes }: { readonly probes: Probes; readonly modes: ShownModes }) {
  if (modes.length < 2) return null;
  const signs = modes.flatMap(({ name, facts }) => (facts.sign ? [`${name}: ${facts.sign}`] : []));
  return (
    <div className="mt-5 text-sm">
      {probes.probes.length > 0 && (
        <p>
          Told apart, into a dummy load, on{" "}
          {listed(
            probes.probes.map(
              ({ frequency, transmits, outside }) =>
                `${sayHertz(frequency)} (only ${listed(transmits, 6)} ${transmits.length === 1 ? "transmits" : "transmit"} there${outside ? "; beyond what anybody here may use" : ""})`,
            ),
            9,
          )}
          .
        </p>
      )}
      {probes.alike.length > 0 && (
        <p>
          No frequency tells{" "}
          {listed(
            probes.alike.map(([a, b]) => `${a} from ${b}`),
            6,
          )}
          {signs.length > 0
            ? `; what else does: ${signs.join("; ")}`
            : ", and nobody has written down what else does"}
          .
        </p>
      )}
    </div>
  );
}

export function ModeList(props: {
  readonly model: string;
  readonly modes: ShownModes;
  readonly procedures: readonly { readonly id: string; readonly title: string }[];
  /** By the names of the modes. */
  readonly probes: Probes;
  readonly confirmed: readonly ShownConfirmed[];
}) {
  const { model, modes } = props;
  const mayWrite = useMay("write-procedure");
  const maySee = useMay("see-unlocking");
  const titleOf = (id: string | null) => props.procedures.find((p) => p.id === id);
  if (modes.length === 0 && !mayWrite) return null;
  return (
    <section id="modes">
      <h2 className="mb-1.5 flex flex-wrap items-baseline gap-3">
        Modes
        {mayWrite && (
          <Go to={`/models/${model}/modes/new`} className="link font-sans text-sm">
            Add one
          </Go>
        )}
      </h2>
      {modes.length === 0 && (
        <p className="text-quiet">None that we know of: it transmits in one way only.</p>
      )}
      {modes.length > 0 && (
        <div className="sheet p-4 pb-6">
          <Ruler
            name="Where it transmits in each mode"
            lanes={modes.map((mode) => {
              const ticks = mode.facts.fixed?.flatMap((one) => (one.receiveOnly ? [] : [one.frequency]));
              return { name: mode.name, bands: mode.transmit, ...(ticks && { ticks }) };
            })}
            pins={props.probes.probes.map(({ frequency, outside }) => ({ hertz: frequency, outside }))}
          />
          <Tell probes={props.probes} modes={modes} />
        </div>
      )}
      <ul className="sheet mt-2 divide-y divide-line empty:hidden">
        {modes.map((mode) => {
          const [enter, leave] = [titleOf(mode.enter_id), titleOf(mode.leave_id)];
          return (
            <li key={mode.id} className="px-4 py-2.5">
              <p className="flex flex-wrap items-baseline gap-x-3">
                <strong>{mode.name}</strong>
                <span
                  className={mode.facts.erases === "nothing" ? "text-sm text-quiet" : "text-sm text-rust"}
                >
                  {ERASES_WORD[mode.facts.erases]}
                </span>
                <span className="text-sm text-quiet">
                  {mode.facts.outside === "refuses"
                    ? "refuses a channel outside"
                    : "falls to a band edge with a channel outside"}
                  {mode.facts.watts !== undefined && `; ${mode.facts.watts} W at most`}
                </span>
                {mode.units.length > 0 && (
                  <span className="tag text-sm">{mode.units.slice(0, 12).join(" ")}</span>
                )}
              </p>
              {(enter || mode.hasSetting) && (
                <p className="text-sm">
                  In:{" "}
                  {enter && (
                    <Go to={`/models/${model}/procedures/${enter.id}`} className="link">
                      {enter.title}
                    </Go>
                  )}
                  {enter && mode.hasSetting && ", or "}
                  {mode.hasSetting &&
                    (mode.setting ??
                      (maySee ? (
                        <Go to={`/models/${model}?guarded=shown#modes`} className="link">
                          in a tool: show how
                        </Go>
                      ) : (
                        "in a tool, as bench and keeper can see"
                      )))}
                </p>
              )}
              {!leave && (enter || mode.hasSetting) && (
                <p className="doubt-thin w-fit px-1 text-sm">Out: nobody has written down a way.</p>
              )}
              {leave && (
                <p className="text-sm">
                  Out:{" "}
                  <Go to={`/models/${model}/procedures/${leave.id}`} className="link">
                    {leave.title}
                  </Go>
                </p>
              )}
              {mode.facts.sign && <p className="text-sm">Told by: {mode.facts.sign}</p>}
              <KnownFrom
                kind="mode"
                subject={mode.id}
                what={mode.name}
                source={mode.source}
                confirmed={props.confirmed}
              />
              {mayWrite && (
                <Go to={`/models/${model}/modes/${mode.id}`} className="link text-sm">
                  Correct
                </Go>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
