// A radio in one panel: how it stands, what it needs and what to do next, the way there, and with what. Each is said once.
import { heldUntil } from "#core/needs/index.ts";
import { dateInZone, listed } from "#core/quantities/index.ts";
import { worstOf } from "#core/unit/index.ts";
import { ActForm } from "../forms/act-form.tsx";
import { HowCounted, ordersOf } from "../shared/how-counted.tsx";
import { Tooling } from "../shared/tools/tooling.tsx";
import { Compare, WaySteps } from "../shared/way.tsx";
import { useClub, useMay } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { Ladder } from "../ui/ladder.tsx";
import { namesOf, recordsOf, shownFacts, Why } from "../ui/why.tsx";
import { capital } from "../ui/words/capital.ts";
import { pressOf, sayNeed, saySince } from "../ui/words/needs/index.ts";
import { sayRoute } from "../ui/words/route.ts";
import { SOURCE_WORDS } from "../ui/words/source.ts";
import { sayDate } from "../ui/words/time.ts";
import { sayStanding } from "../ui/words/unit/standing.ts";
import type { Route } from "./+types/unit";

type Data = Route.ComponentProps["loaderData"];
type Need = Data["needs"][number];

/** Some verdicts end in a sentence of their own. */
const sentence = (text: string) => `${capital(text)}${/[.!?]$/.test(text) ? "" : "."}`;

const URGENCY_WORD = ["", "a fix", "a matter of safety"] as const;

export function Panel({ data }: { readonly data: Data }) {
  const { needs, standings } = data;
  const ofParts = new Set(standings.map(({ component }) => component.id));
  return (
    <section id="needs" className="one-panel sheet">
      <h2 className="px-4 pt-3 pb-1">{needs.length > 0 ? "What it needs" : "How it stands"}</h2>
      <ul className="divide-y divide-line">
        {standings.map((one) => (
          <Part
            key={one.component.id}
            data={data}
            part={one}
            needs={needs.filter((need) => need.component_id === one.component.id)}
          />
        ))}
        {needs
          .filter((need) => !ofParts.has(need.component_id))
          .map((need) => (
            <li
              key={`${need.kind}${need.due_from}`}
              className={`px-4 py-2.5 ${need.urgency === 2 ? "hatch" : ""}`}
            >
              <OneNeed need={need} data={data} />
            </li>
          ))}
      </ul>
      <WayThere data={data} />
      {data.tooling.length > 0 && (
        <div className="border-t border-line px-4 py-3">
          <Tooling tooling={data.tooling} unit={data.unit.tag} kitKnown={data.kitKnown} />
        </div>
      )}
    </section>
  );
}

/** A part with its version, how it stands unless the page's head says so, and what it needs. */
function Part(props: {
  readonly data: Data;
  readonly part: Data["standings"][number];
  readonly needs: readonly Need[];
}) {
  const { data, needs } = props;
  const { component, standing } = props.part;
  const { locale, timeZone, today } = useClub();
  const names = namesOf(data.releases, locale, today);
  const links = recordsOf(data.unit);
  const isHead = data.unit.shelved_at === null && worstOf(data.standings) === props.part;
  const known = standing.standing !== "unread" && standing.standing !== "unclear";
  const reading = data.readings.find(({ id }) => id === standing.reading?.id);
  // What follows from how the part stands has its reasons; where nothing does, these stand by themselves.
  const follows = needs.find(({ followsStanding }) => followsStanding);
  return (
    <li
      className={`grid grid-cols-[6rem_7rem_minmax(0,1fr)] items-baseline gap-x-3 px-4 py-2.5 max-md:grid-cols-[5rem_minmax(0,1fr)] ${needs.some(({ urgency }) => urgency === 2) ? "hatch" : ""}`}
    >
      <span className="font-semibold">{component.name}</span>
      <span className="ver">{standing.reading?.raw.slice(0, 24) ?? "not read"}</span>
      <div className="max-md:col-span-2">
        {!isHead && (
          <p className={known ? "" : "doubt-thin w-fit px-1"}>{sentence(sayStanding(standing, names))}</p>
        )}
        {reading?.read_at && (
          <p className="text-sm text-quiet">
            {SOURCE_WORDS[reading.source]},{" "}
            {sayDate(dateInZone(new Date(reading.read_at), timeZone), locale, today)}
            {reading.person && `, ${reading.person}`}
          </p>
        )}
        {!follows && <Why facts={shownFacts(standing.because, names, links)} />}
        {needs.map((need) => (
          <OneNeed
            key={`${need.kind}${need.due_from}`}
            need={need}
            data={data}
            besides={need === follows ? standing.because : []}
          />
        ))}
      </div>
    </li>
  );
}

/** A need, why, and the press that does something about it. `besides`: further reasons, those of how its part stands. */
function OneNeed(props: {
  readonly need: Need;
  readonly data: Data;
  readonly besides?: Data["standings"][number]["standing"]["because"];
}) {
  const { need, data, besides = [] } = props;
  const { locale, today } = useClub();
  const names = namesOf(data.releases, locale, today);
  const facts = shownFacts([...need.because, ...besides], names, recordsOf(data.unit));
  const said = { ...need, dueFrom: need.due_from };
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-0.5">
      <p className="min-w-0 grow">
        <strong>{capital(sayNeed(said, names, false))}</strong>{" "}
        <span className="text-quiet">
          {need.due_from > today
            ? `held back until ${sayDate(heldUntil(need.due_from), locale, today)}`
            : saySince(said, names)}
          {need.urgency > 0 && `; ${URGENCY_WORD[need.urgency]}`}
        </span>
      </p>
      <NextAct need={need} data={data} />
      <div className="w-full">
        <Why facts={facts.filter(([text], i) => facts.findIndex(([other]) => other === text) === i)} />
      </div>
    </div>
  );
}

/** What can be pressed about a need, by whoever may. */
function NextAct({ need, data }: { readonly need: Need; readonly data: Data }) {
  const mayWork = useMay("work-at-bench");
  const mayList = useMay("edit-release");
  const { locale, today } = useClub();
  const { unit, runs } = data;
  const page = `/units/${encodeURIComponent(unit.tag)}`;
  const link = (to: string, words: string) => (
    <Go to={to} className="no-print link text-sm">
      {words}
    </Go>
  );
  const press = pressOf(need.kind);
  if (press !== "by-standing" && "to" in press) return link(press.to(page), press.words);
  if (need.cause === "uncounted") {
    const names = namesOf(data.releases, locale, today);
    const orders = ordersOf(need.because, names);
    return <HowCounted model={unit.model_id} component={need.component_id} orders={orders} />;
  }
  if (need.kind === "catalogue")
    return mayList ? link(`/models/${unit.model_id}/releases/new`, "Add the release") : null;
  // With nothing of ours that reaches in, there is nothing to begin.
  if (need.kind === "firmware" && need.action === "kit")
    return link(`/kit?unit=${encodeURIComponent(unit.tag)}&to=flash`, "See what is missing");
  if (!mayWork || runs.open || unit.shelved_at !== null) return null;
  // One run goes all of the way: it is offered once, whichever parts need it.
  const isFirst = data.needs.find(({ kind }) => kind === need.kind) === need;
  const does =
    need.kind === "firmware"
      ? isFirst && data.ways?.way?.result.ok && (["for", "update", "Update it"] as const)
      : press === "by-standing"
        ? (["component", need.component_id, "Read it at the bench"] as const)
        : (["for", press.bench, press.words] as const);
  if (!does) return null;
  const [name, value, words] = does;
  return (
    <ActForm intent="bench" className="no-print">
      <button type="submit" name={name} value={value} className="btn btn-primary btn-sm">
        {words}
      </button>
    </ActForm>
  );
}

/** The releases of a part, and what leads over them. */
export function LadderHere({
  ladder,
  ways,
}: {
  readonly ladder: Data["ladders"][number];
  readonly ways: Data["ways"];
}) {
  const { locale, today } = useClub();
  const result = ways?.way?.result;
  const over = result?.ok
    ? result.value.steps.filter((s) => s.component === ladder.id).map((s) => s.release)
    : [];
  const from = ladder.rungs.find((r) => r.units.length > 0)?.id;
  return (
    <Ladder
      rungs={ladder.rungs}
      name={ladder.name}
      locale={locale}
      today={today}
      route={over.length > 0 ? { from, over } : undefined}
    />
  );
}

function WayThere({ data }: { readonly data: Data }) {
  const { ways, releases, ladders, runs } = data;
  const mayWork = useMay("work-at-bench");
  if (!ways) return null;
  const names = {
    release: (id: string) => releases[id] ?? "a release that was shelved",
    component: (id: string) => ladders.find((l) => l.id === id)?.component ?? "?",
  };
  const compare = (
    <Compare choices={ways.choices} asked={ways.asked} way={ways.way} other={ways.other} names={names}>
      {ways.other?.result.ok && ways.other.result.value.steps.length > 0 && mayWork && !runs.open && (
        <ActForm intent="bench" className="mt-2">
          <input type="hidden" name="to" value={ways.asked.to} />
          <button type="submit" name="for" value="update" className="btn btn-outline btn-primary btn-sm">
            Bring it to {names.release(ways.asked.to)}
          </button>
        </ActForm>
      )}
    </Compare>
  );
  if (!ways.way)
    return ways.choices.length > 0 ? (
      <div className="no-print border-t border-line px-4 pt-0.5 pb-2.5">{compare}</div>
    ) : null;
  const to = listed(
    ways.goal.map(
      (g) => `${ladders.length > 1 ? `${names.component(g.component)} ` : ""}${names.release(g.release)}`,
    ),
  );
  return (
    <div className="border-t border-line px-4 py-3">
      <h2 className="mb-1.5">
        Way to {to}{" "}
        <span className="font-sans text-sm font-normal text-quiet">
          {ways.way.result.ok ? (
            sayRoute(ways.way.result.value, data.minutes)
          ) : (
            <strong className="text-rust">no route</strong>
          )}
        </span>
      </h2>
      <div className="flex flex-col gap-2">
        {ladders
          .filter((ladder) => ways.goal.some((g) => g.component === ladder.id))
          .map((ladder) => (
            <LadderHere key={ladder.id} ladder={ladder} ways={ways} />
          ))}
        <WaySteps way={ways.way} names={names} />
      </div>
      <div className="no-print">{compare}</div>
    </div>
  );
}
