// People: what each may do, what they have, when they last came.
import { Link } from "react-router";
import { ACTS, may, type Permission, ROLES, type Role, readRole } from "#core/club/index.ts";
import { comings, people } from "#db/club/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { useClub } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { Page } from "../ui/page.tsx";
import { counted } from "../ui/words/count.ts";
import { sayInstant } from "../ui/words/time.ts";
import type { Route } from "./+types/people";

export const meta: Route.MetaFunction = () => [{ title: "People · Mossy Cabinet" }];

export const handle = { follows: ["club", "unit"] };

export async function loader({ context }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-club");
  return readInClub(context, async (tx) => {
    const came = new Map((await comings(tx)).map((row) => [row.id, row]));
    return {
      people: (await people(tx)).map(({ id, name, role, can_sign_in, licence_class }) => ({
        id,
        name,
        role: readRole(role),
        signsIn: can_sign_in,
        licence: licence_class,
        holds: came.get(id)?.holds ?? [],
        came: came.get(id)?.came?.toISOString(),
      })),
    };
  });
}

const ACT_WORD: Readonly<Record<Permission, string>> = {
  look: "look at everything",
  "record-reading": "record readings",
  "strike-reading": "strike readings",
  "lend-and-take-back": "lend and take back",
  "hold-unit": "put radios on hold",
  "edit-unit": "add and correct radios",
  "edit-model": "add and correct models",
  "edit-release": "add and correct releases",
  "write-procedure": "write procedures and oddities",
  "confirm-fact": "confirm facts",
  "edit-kit": "change the kit",
  "import-units": "bring in units",
  "edit-club": "change people, places and policies",
  "recover-shelved": "take back what is shelved",
  "work-at-bench": "work at the bench",
  "pass-backup": "pass a missing backup with a reason",
  practise: "practise",
  "see-unlocking": "see how radios are unlocked",
  "edit-plan": "change the plan of channels",
};

/** What a role may, beside all that the next lesser one may. */
function sayMay(role: Role): string {
  const lesser = role === "keeper" ? "bench" : role === "bench" ? "member" : undefined;
  const more = ACTS.filter((act) => may(role, act) && !(lesser && may(lesser, act)));
  const words = more.map((act) => ACT_WORD[act]).join(", ");
  return lesser
    ? `all that ${lesser === "bench" ? "a bench hand" : "a member"} may, and: ${words}`
    : `${words}; record readings of the radio they have`;
}

export default function People({ loaderData }: Route.ComponentProps) {
  const { locale, timeZone } = useClub();
  return (
    <Page
      title="People"
      says={counted(loaderData.people.length, "person", "people")}
      acts={
        <Link to="/club/people/new" className="btn btn-primary btn-sm">
          Add a person
        </Link>
      }
    >
      <div className="overflow-x-auto">
        <table className="table table-sm sheet max-w-5xl">
          <thead>
            <tr>
              <th>Name</th>
              <th>Role</th>
              <th>Has</th>
              <th>Last came</th>
            </tr>
          </thead>
          <tbody>
            {loaderData.people.map((person) => (
              <tr key={person.id}>
                <th scope="row">
                  <Link className="link" to={`/club/people/${person.id}`}>
                    {person.name}
                  </Link>
                  {person.licence && (
                    <span className="block text-xs font-normal text-quiet">{person.licence}</span>
                  )}
                </th>
                <td>{person.role}</td>
                <td>
                  {person.holds.length === 0 ? (
                    <span className="text-quiet">no radio</span>
                  ) : (
                    <span className="flex flex-wrap gap-x-3 gap-y-1">
                      {person.holds.map((tag) => (
                        <Go key={tag} to={`/units/${encodeURIComponent(tag)}`} className="link tag">
                          {tag}
                        </Go>
                      ))}
                    </span>
                  )}
                </td>
                <td className={person.came ? "" : "text-quiet"}>
                  {person.came
                    ? sayInstant(person.came, locale, timeZone)
                    : person.signsIn
                      ? "never, as far as is known"
                      : "cannot sign in yet"}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <h2 className="mt-6 mb-1.5">What each role may</h2>
      <dl className="sheet max-w-5xl divide-y divide-line">
        {ROLES.map((role) => (
          <div key={role} className="grid gap-x-4 px-4 py-2.5 sm:grid-cols-[6rem_minmax(0,1fr)]">
            <dt className="font-semibold">{role}</dt>
            <dd>{sayMay(role)}.</dd>
          </div>
        ))}
      </dl>
    </Page>
  );
}
