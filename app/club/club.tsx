// The club: people, places, groups and the policies they follow, and what can be taken out.

import { Link } from "react-router";
import { listed } from "#core/quantities/index.ts";
import { groups, lastBackup, people, places, shelvedPeople, shelvedUnits } from "#db/club/index.ts";
import { releaseNames } from "#db/unit/index.ts";
import { readInClub } from "../context.ts";
import { useClub, useMay } from "../ui/club.ts";
import { Page } from "../ui/page.tsx";
import { namesOf } from "../ui/why.tsx";
import { counted } from "../ui/words/count.ts";
import { sayRule } from "../ui/words/facts.ts";
import { sayDate, sayInstant } from "../ui/words/time.ts";
import type { Route } from "./+types/club";

export const meta: Route.MetaFunction = () => [{ title: "Club · Mossy Cabinet" }];

export const handle = { follows: ["club"] };

export async function loader({ context }: Route.LoaderArgs) {
  return readInClub(context, async (tx) => {
    const found = await groups(tx);
    const pinned = found.flatMap(({ policy }) => (policy.rule.kind === "pinned" ? policy.rule.releases : []));
    return {
      groups: found,
      places: await places(tx),
      shelved: (await shelvedUnits(tx)).map(({ id, tag, model }) => ({ id, tag, model })),
      people: (await people(tx)).map(({ id, name, role, call_sign, licence_class }) => ({
        id,
        name,
        role,
        call_sign,
        licence_class,
      })),
      shelvedPeople: (await shelvedPeople(tx)).map(({ id, name }) => ({ id, name })),
      backup: await lastBackup(tx),
      releases: await releaseNames(tx, pinned),
    };
  });
}

export default function Club({ loaderData }: Route.ComponentProps) {
  const { clubName, timeZone, locale, today } = useClub();
  const mayEdit = useMay("edit-club");
  const mayRecover = useMay("recover-shelved");
  const names = namesOf(loaderData.releases, locale, today);
  return (
    <Page title={clubName} says={`time zone ${timeZone}`}>
      <div className="grid gap-8 lg:grid-cols-2">
        <p className="lg:col-span-2 lg:-mb-4">
          <Link className="link" to="/club/band-plan">
            Band plan
          </Link>{" "}
          <span className="text-quiet">
            where each class or service may transmit, as the club has entered it;{" "}
          </span>
          <Link className="link" to="/club/limits">
            limits for harmonics
          </Link>
        </p>
        <section className="lg:col-span-2">
          <Head
            title="Groups and their policies"
            add={mayEdit ? "/club/groups/new" : undefined}
            what="a group"
          />
          <ul className="sheet divide-y divide-line">
            {loaderData.groups.map(({ id, name, purpose, policy, units }) => (
              <li key={id} className="px-4 py-2.5">
                <p>
                  <strong>
                    {mayEdit ? (
                      <Link className="link" to={`/club/groups/${id}`}>
                        {name}
                      </Link>
                    ) : (
                      name
                    )}
                  </strong>{" "}
                  <span className="text-quiet">
                    {purpose}; {counted(units, "radio")}
                  </span>
                </p>
                <p className="text-sm">
                  Target: {sayRule(policy.rule, names)}. Tracks: factory
                  {policy.tracks.length > 0 && `, ${listed(policy.tracks)}`}. Readings are good for{" "}
                  {policy.recheckAfterDays} days.{" "}
                  {policy.transmit &&
                    `Transmitting: ${policy.transmit.rule}${policy.transmit.class ? `, as ${policy.transmit.class}` : ""}. `}
                  {policy.hold &&
                    policy.hold.until >= today &&
                    `On hold until ${sayDate(policy.hold.until, locale, today)}: ${policy.hold.why}. ${policy.safetyBreaksHold ? "A safety fix breaks through." : "Not even a safety fix breaks through."}`}
                </p>
              </li>
            ))}
          </ul>
          {loaderData.groups.length === 0 && (
            <p className="doubt w-fit p-3">
              No group yet; radios without one follow the newest factory release.
            </p>
          )}
        </section>
        <section>
          <Head title="Places" add={mayEdit ? "/club/places/new" : undefined} what="a place" />
          <table className="table table-sm">
            <tbody>
              {loaderData.places.map((place) => (
                <tr key={place.id}>
                  <th scope="row">
                    {mayEdit ? (
                      <Link className="link" to={`/club/places/${place.id}`}>
                        {place.name}
                      </Link>
                    ) : (
                      place.name
                    )}
                  </th>
                  <td className="text-quiet">{place.note}</td>
                  <td>{counted(place.units, "radio")}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <section>
          <Head title="People" add={mayEdit ? "/club/people/new" : undefined} what="a person" />
          {mayEdit && (
            <Link to="/club/people" className="link text-sm">
              What each may, has and when they last came
            </Link>
          )}
          <table className="table table-sm">
            <tbody>
              {loaderData.people.map((person) => (
                <tr key={person.id}>
                  <th scope="row">
                    {mayEdit ? (
                      <Link className="link" to={`/club/people/${person.id}`}>
                        {person.name}
                      </Link>
                    ) : (
                      person.name
                    )}
                  </th>
                  <td>{person.role}</td>
                  <td className="ver">{person.call_sign}</td>
                  <td className="text-quiet">{person.licence_class}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        {mayRecover && (
          <section id="shelf">
            <h2 className="mb-2">On the shelf</h2>
            {loaderData.shelved.length + loaderData.shelvedPeople.length === 0 && (
              <p className="text-quiet">Nothing has been shelved.</p>
            )}
            <ul>
              {loaderData.shelvedPeople.map((person) => (
                <li key={person.id}>
                  <Link className="link" to={`/club/people/${person.id}`}>
                    {person.name}
                  </Link>
                </li>
              ))}
              {loaderData.shelved.map((unit) => (
                <li key={unit.id}>
                  <Link className="link tag" to={`/units/${encodeURIComponent(unit.tag)}/edit`}>
                    {unit.tag}
                  </Link>{" "}
                  {unit.model}
                </li>
              ))}
            </ul>
          </section>
        )}
        <section id="out">
          <h2 className="mb-2">Take out, and keep</h2>
          {mayEdit && (
            <p className={`mb-2 w-fit ${loaderData.backup ? "" : "doubt-thin px-2 py-1"}`}>
              {sayBackup(loaderData.backup, locale, timeZone)}{" "}
              <Link className="link" to="/club/document">
                The whole club as one document
              </Link>
            </p>
          )}
          <p className="flex flex-wrap gap-x-4">
            <a className="link" href="/out/units.csv" download>
              Units as CSV
            </a>
            <a className="link" href="/out/needs.csv" download>
              Needs as CSV
            </a>
            <a className="link" href="/out/releases.csv" download>
              Releases as CSV
            </a>
            <a className="link" href="/out/units.json" download>
              Units, needs and releases as JSON
            </a>
          </p>
        </section>
      </div>
    </Page>
  );
}

function Head({
  title,
  add,
  what,
}: {
  readonly title: string;
  readonly add: string | undefined;
  readonly what: string;
}) {
  return (
    <div className="mb-2 flex items-baseline gap-4">
      <h2>{title}</h2>
      {add && (
        <Link to={add} className="link text-sm">
          Add {what}
        </Link>
      )}
    </div>
  );
}

function sayBackup(
  backup: Route.ComponentProps["loaderData"]["backup"],
  locale: string,
  timeZone: string,
): string {
  if (!backup) return "Nothing has been kept with ./backup yet.";
  const when = sayInstant(backup.made, locale, timeZone);
  return `All records were last kept with ./backup on ${when}${backup.verified ? ", and checked" : ", not checked (--verify)"}.`;
}
