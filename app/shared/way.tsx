// The way to the firmware that a radio needs: the ladder, the installs in order, what to save and put back; or what stops it. Another target can be compared.

import { Form } from "react-router";
import { listed, type Result } from "#core/quantities/index.ts";
import { type Cost, careOf, type Route, type RouteProblem, type Wish } from "#core/route/index.ts";
import { Labelled } from "../forms/field.tsx";
import { Caution } from "../ui/caution.tsx";
import { counted } from "../ui/words/count.ts";
import {
  CARE_WORD,
  ERASES_WORD,
  RISK_WORD,
  type RouteNames,
  sayRange,
  sayRoute,
  sayStop,
  WAY_WORD,
} from "../ui/words/route.ts";

export type ShownWay = {
  readonly result: Result<Route, RouteProblem>;
  /** It installs community firmware. */
  readonly community: boolean;
};

/** What became of the wish to erase nothing, for a way that is held beside the first. */
export type OtherWay = ShownWay & {
  readonly wish:
    | Exclude<Wish, { kind: "only-erasing" }>
    | { readonly kind: "only-erasing"; readonly way: ShownWay }
    | undefined;
};

export function WaySteps({ way, names }: { readonly way: ShownWay; readonly names: RouteNames }) {
  if (!way.result.ok) return <NoWay problem={way.result.problem} names={names} />;
  return <Steps route={way.result.value} community={way.community} names={names} />;
}

function Steps(props: { readonly route: Route; readonly community: boolean; readonly names: RouteNames }) {
  const { route, names } = props;
  const care = careOf(route);
  const several = new Set(route.steps.map((s) => s.component)).size > 1;
  return (
    <div className="grid gap-x-6 gap-y-2 md:grid-cols-[minmax(0,1fr)_15rem]">
      <ol className="sheet divide-y divide-line">
        {route.steps.map((step, i) => {
          const { conditions } = step;
          const tool = conditions.tool;
          return (
            <li key={step.release} className="grid grid-cols-[1.75rem_minmax(0,1fr)] px-3 py-2">
              <span className="tag text-quiet">{i + 1}</span>
              <div>
                <p>
                  <strong>
                    {several && `${names.component(step.component)} `}
                    <span className="ver">{names.release(step.release)}</span>
                  </strong>
                  {i < route.steps.length - 1 && step.component === route.steps.at(-1)?.component && (
                    <span className="text-quiet"> as a stepping stone</span>
                  )}
                  <span className="text-quiet">
                    {" "}
                    over{" "}
                    {step.over.release !== undefined
                      ? names.release(step.over.release)
                      : (step.over.version ?? "whatever it runs")}
                  </span>
                  {step.withdrawn && <span className="ml-2 font-semibold text-rust">withdrawn</span>}
                </p>
                <p className="text-sm text-quiet">
                  <span className={conditions.erases === "nothing" ? "" : "font-semibold text-rust"}>
                    {ERASES_WORD[conditions.erases]}
                  </span>
                  ; {conditions.minutes} min, {RISK_WORD[conditions.risk]}
                  {conditions.ways.length > 0 && `; ${listed(conditions.ways.map((w) => WAY_WORD[w]))}`}
                  {tool && `; ${tool.name}${tool.range ? ` ${sayRange(tool.range)}` : ""}`}
                </p>
              </div>
            </li>
          );
        })}
      </ol>
      <div className="flex flex-col gap-2 text-sm">
        {care.length > 0 && (
          <>
            <p>
              <strong>Before:</strong> {listed(care.map((c) => CARE_WORD[c].before))}.
            </p>
            <p>
              <strong>After:</strong> {listed(care.map((c) => CARE_WORD[c].after))}.
            </p>
          </>
        )}
        {route.atLeast && (
          <p className="doubt p-2">
            The best way that was found in the time a page may take. There may be a better one, but none with
            less than {sayAtLeast(route.atLeast)}.
          </p>
        )}
        {route.passesWithdrawn && (
          <p className="hatch border-l-4 border-rust p-2">
            It passes through a withdrawn release: nothing else leads there. Do not stop on it.
          </p>
        )}
        {route.lowers.length > 0 && (
          <p className="hatch border-l-4 border-rust p-2">
            {listed(route.lowers.map(names.component))} must go back to an older release for it.
          </p>
        )}
        <Caution of="flashing" />
        {props.community && <Caution of="community" />}
      </div>
    </div>
  );
}

function NoWay({ problem, names }: { readonly problem: RouteProblem; readonly names: RouteNames }) {
  if (problem.kind === "too-many-states") {
    return (
      <p className="doubt p-3">
        The conditions of these releases depend on each other in so many ways that not all could be looked at
        in the time a page may take. That is not to say that there is no way.
      </p>
    );
  }
  return (
    <div className="sheet flex flex-col gap-2 border-l-4 border-l-rust p-3">
      <p className="font-semibold">
        {problem.farthest
          ? `We get as far as ${names.component(problem.farthest.component)} ${names.release(problem.farthest.release)} (${sayRoute(problem.farthest.route)}). What stops it there:`
          : "Nothing can be installed on the way. What stops it:"}
      </p>
      <ul className="list-[square] pl-5">
        {problem.stops.map((stop) => (
          <li key={JSON.stringify(stop)}>{sayStop(stop, names)}</li>
        ))}
      </ul>
    </div>
  );
}

export type Choice = { readonly id: string; readonly words: string };

/** Another target, or the same without erasing anything: its route stands beside the first. */
export function Compare(props: {
  readonly choices: readonly Choice[];
  readonly asked: { readonly to: string; readonly keep: boolean; readonly unlisted: boolean };
  readonly way: ShownWay | undefined;
  readonly other: OtherWay | undefined;
  readonly names: RouteNames;
  /** What can be done with the other way. */
  readonly children?: React.ReactNode;
}) {
  return (
    <details open={props.other !== undefined || props.asked.unlisted} className="mt-2" id="compare">
      <summary className="link w-fit cursor-pointer list-none text-sm">Compare with another way</summary>
      <Form className="mt-2 mb-2 flex flex-wrap items-end gap-3 text-sm" preventScrollReset>
        <Labelled
          name="to"
          label="to"
          small
          value={props.asked.to}
          options={props.choices.map((choice) => [choice.id, choice.words] as const)}
          box="w-56"
        />
        <Labelled
          name="keep"
          type="checkbox"
          small
          value={props.asked.keep ? "on" : ""}
          label="over nothing that erases"
          box="pb-1.5!"
        />
        <button type="submit" className="btn btn-outline btn-primary btn-sm">
          Compare
        </button>
      </Form>
      {props.asked.unlisted && (
        <p className="doubt w-fit p-2 text-sm">
          The release that was asked for is not in our list of this model, so nothing is held beside it.
        </p>
      )}
      {props.other && <Beside way={props.way} other={props.other} names={props.names} />}
      {props.children}
    </details>
  );
}

function Beside(props: {
  readonly way: ShownWay | undefined;
  readonly other: OtherWay;
  readonly names: RouteNames;
}) {
  const { way, other, names } = props;
  const rows: readonly (readonly [string, (route: Route) => string])[] = [
    ["Installs", (r) => String(r.steps.length)],
    ["Over", (r) => r.steps.map((s) => names.release(s.release)).join(", ") || "nothing"],
    ["Minutes", (r) => String(r.minutes)],
    ["Erases", (r) => ERASES_WORD[r.erases].replace("erases ", "")],
    ["Installs that erase", (r) => String(r.erasing)],
    ["Risk, added up", (r) => String(r.risk)],
  ];
  const cell = (shown: ShownWay | undefined, of: (route: Route) => string) =>
    !shown
      ? "no route"
      : shown.result.ok
        ? of(shown.result.value)
        : shown.result.problem.kind === "too-many-states"
          ? "not found out"
          : "no route";
  return (
    <>
      {other.wish && <WishSaid wish={other.wish} names={names} />}
      <table className="table table-sm sheet w-auto">
        <thead>
          <tr>
            <td />
            <th>what it needs</th>
            <th>the other way</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, of]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              <td className="ver">{way ? cell(way, of) : "nothing"}</td>
              <td className="ver">{cell(other, of)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-2">
        <WaySteps way={other} names={names} />
      </div>
    </>
  );
}

function WishSaid({
  wish,
  names,
}: {
  readonly wish: NonNullable<OtherWay["wish"]>;
  readonly names: RouteNames;
}) {
  if (wish.kind === "goal-erases") {
    return (
      <p className="doubt mb-2 w-fit p-2 text-sm">
        That wish cannot be met: {listed(wish.releases.map(names.release))}{" "}
        {wish.releases.length === 1 ? "erases" : "erase"}, so every way there does. The other installs of this
        one erase nothing.
      </p>
    );
  }
  if (wish.kind === "only-erasing" && wish.way.result.ok) {
    const route = wish.way.result.value;
    return (
      <p className="doubt mb-2 w-fit p-2 text-sm">
        That wish cannot be met: what leads there erases. The best way without it: {sayRoute(route)}, over{" "}
        {listed(route.steps.map((s) => names.release(s.release)))}.
      </p>
    );
  }
  return null;
}

const sayAtLeast = ({ installs, erasing, minutes }: Cost): string =>
  `${counted(installs, "install")}${erasing > 0 ? `, ${counted(erasing, "that erases", "that erase")}` : ""}, ${minutes} min`;
