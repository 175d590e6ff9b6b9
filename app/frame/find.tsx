// The finder's answers, and its page for those without scripts.
import { Form, Link } from "react-router";
import { ranked } from "#core/club/index.ts";
import { KIND_NAMES, KINDS } from "#core/kit/index.ts";
import { type FoundRow, findByLetters, namesToFind } from "#db/club/index.ts";
import type { Tx } from "#db/pool.ts";
import { readInClub } from "../context.ts";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/find";

export type Found = { readonly name: string; readonly what: string; readonly to: string };

const PAGES: readonly Found[] = [
  { name: "Cabinet", what: "where everything is and what is mossy", to: "/cabinet" },
  { name: "Due", what: "what needs doing, since when and why", to: "/due" },
  { name: "Bench", what: "runs in progress", to: "/bench" },
  { name: "Models", what: "what we know about each model", to: "/models" },
  { name: "Kit", what: "cables, drivers, computers: what works with what", to: "/kit" },
  { name: "Inventory", what: "leads, adapters, computers, tools, offers", to: "/kit/own" },
  { name: "Bluetooth", what: "what is charged, and has to be by when", to: "/kit/bluetooth" },
  { name: "Ways compared", what: "keys, Bluetooth or a cable: which is quickest", to: "/kit/ways" },
  { name: "Field day", what: "which programmer serves which radios", to: "/kit/field-day" },
  { name: "Pairing, tried", what: "on a simulated radio and device", to: "/bench/pairing" },
  { name: "Which lead is this?", what: "chip, driver and port from a device list", to: "/kit/which-lead" },
  { name: "What to get", what: "the purchase that frees the most radios", to: "/kit/get" },
  { name: "Codeplugs", what: "what is programmed into what", to: "/codeplugs" },
  { name: "Log", what: "what happened", to: "/log" },
  { name: "Club", what: "people, places, groups and policies", to: "/club" },
  { name: "Add a radio", what: "one new unit", to: "/units/new" },
  { name: "Bring in units", what: "from a spreadsheet", to: "/import" },
  { name: "Take out", what: "units and needs as CSV and JSON", to: "/club#out" },
  { name: "My radio", what: "what I have at home, and whether it is all right", to: "/mine" },
  { name: "Keys", what: "what each key does", to: "/keys" },
  { name: "My page", what: "day or night, sign out", to: "/me" },
];

export const meta: Route.MetaFunction = () => [{ title: "Find · Mossy Cabinet" }];

export async function loader({ context, request }: Route.LoaderArgs) {
  const asked = (new URL(request.url).searchParams.get("q") ?? "").trim().slice(0, 60);
  if (asked === "") return { asked, found: PAGES };
  return readInClub(context, (tx) => find(tx, asked));
}

async function find(tx: Tx, asked: string) {
  const byLetters = await findByLetters(tx, asked, LOOKED_AT);
  const pages = PAGES.map((page) => ({ ...page, sort: "page" as const }));
  const found = withSort(byLetters);
  const best = ranked([...found, ...pages], asked);
  // Found by a serial number, or by a tag it had: its name says nothing of what was asked.
  const known = new Set(best.map(({ to }) => to));
  const beside = found.filter(({ to }) => !known.has(to));
  // Only where letters find nothing were they perhaps a slip.
  const slips =
    byLetters.length > 0 || best.length > 0 ? [] : ranked(withSort(await namesToFind(tx, NAMES)), asked);
  const shown = [...best, ...beside, ...slips].slice(0, SHOWN);
  return { asked, found: shown.map(({ name, what, to }): Found => ({ name, what, to })) };
}

const withSort = (rows: readonly FoundRow[]) =>
  rows.map((row) => ({
    name: row.name,
    what: row.what,
    to: addressOf(row),
    sort: isTagged(row.kind) ? ("tag" as const) : ("name" as const),
  }));

/** So many are shown, out of so many that letters find; where they find none, so many names of each sort are looked through for slips. */
const [SHOWN, LOOKED_AT, NAMES] = [20, 200, 2000];
const isTagged = (kind: FoundRow["kind"]): boolean =>
  kind === "unit" || KIND_NAMES.some((name) => name === kind && KINDS[name].name === "tag");

function addressOf({ kind, id, name }: FoundRow): string {
  switch (kind) {
    case "unit":
      return `/units/${encodeURIComponent(name)}`;
    case "model":
      return `/models/${id}`;
    case "person":
      return `/due?person=${id}`;
    default:
      return `/kit/own#${kind}-${id}`;
  }
}

export default function Find({ loaderData }: Route.ComponentProps) {
  return (
    <Page title="Find">
      <Form role="search" className="join mb-4">
        <input
          type="search"
          name="q"
          aria-label="Find a radio, model, person or page"
          defaultValue={loaderData.asked}
          className="input join-item font-mono"
        />
        <button type="submit" className="btn btn-primary join-item">
          Find
        </button>
      </Form>
      <ul className="max-w-xl divide-y divide-line">
        {loaderData.found.map((item) => (
          <li key={item.to} className="py-2">
            <Link to={item.to} className="link tag">
              {item.name}
            </Link>{" "}
            <span className="text-quiet">{item.what}</span>
          </li>
        ))}
      </ul>
      {loaderData.found.length === 0 && <p>Nothing goes by that.</p>}
    </Page>
  );
}
