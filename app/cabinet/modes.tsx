// All radios by mode and privilege, worst first: what transmits where it should not, what nobody knows, what fits.
import { byConcern, classOf, modeStanding, transmitOf } from "#core/modes/index.ts";
import { policyOn } from "#core/unit/index.ts";
import { groups } from "#db/club/index.ts";
import { bandPlan, knownMode, modesByModel } from "#db/model/index.ts";
import { drawersOfWall, loadSituations } from "#db/unit/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { Labelled } from "../forms/field.tsx";
import { Caution } from "../ui/caution.tsx";
import { Go } from "../ui/go.tsx";
import { Page } from "../ui/page.tsx";
import { sayBands } from "../ui/ruler.tsx";
import { Wide } from "../ui/wide.tsx";
import { counted } from "../ui/words/count.ts";
import { sayWidth } from "../ui/words/frequency.ts";
import type { Route } from "./+types/modes";

export const meta: Route.MetaFunction = () => [{ title: "Modes · Mossy Cabinet" }];

export const handle = { follows: ["unit", "club", "need"] };

export async function loader({ context, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  const asked = new URL(request.url).searchParams.get("group") ?? "";
  return readInClub(context, async (tx, who) => {
    const [{ all }, drawers, plan, modes, known] = await Promise.all([
      loadSituations(tx, { of: "club" }, who.today),
      drawersOfWall(tx),
      bandPlan(tx),
      modesByModel(tx),
      groups(tx),
    ]);
    const group = known.find(({ id }) => id === asked);
    const rowOf = new Map(drawers.map((row) => [row.id, row]));
    const rows = all
      .filter(({ unit }) => !group || unit.group === group.id)
      .flatMap(({ unit, policy }) => {
        const row = rowOf.get(unit.id);
        const own = (modes.get(unit.model) ?? []).map(knownMode);
        if (!row || own.length === 0) return [];
        const transmit = policyOn(policy, who.today).transmit ?? ({ rule: "as it is" } as const);
        const holder = unit.holder;
        const now = own.find(({ id }) => id === unit.mode?.now.id);
        const facts = { modes: own, now: now?.id, policy: transmit, plan, holder };
        return [
          {
            tag: row.tag,
            model: row.model,
            group: row.group_name ?? "",
            holder: row.holder,
            mode: now?.name,
            transmits: now && transmitOf(now),
            class: transmit.rule === "legacy" ? "as approved" : classOf(facts),
            standing: modeStanding(facts, who.today),
          },
        ];
      })
      .sort((a, b) => byConcern(a.standing, b.standing));
    return { rows, group: group?.id ?? "", groups: known.map(({ id, name }) => [id, name] as const) };
  });
}

type Row = Route.ComponentProps["loaderData"]["rows"][number];

const TITLE = {
  exceeds: "Transmits too far",
  open: "Open on purpose",
  "mode-unknown": "Nobody has said in which mode",
  "nothing-to-compare": "Nothing to compare with",
  fits: "Fits",
  "as-it-is": "As it is",
  "no-modes": "Without modes",
} as const;

export default function Modes({ loaderData }: Route.ComponentProps) {
  const { rows } = loaderData;
  const kinds = [...new Set(rows.map(({ standing }) => standing.kind))];
  const beyond = rows.filter(({ standing }) => standing.kind === "exceeds").length;
  return (
    <Page
      title="Modes"
      says={`${beyond === 0 ? "none" : counted(beyond, "radio")} of ${rows.length} ${beyond > 1 ? "transmit where their users" : "transmits where its user"} may not`}
    >
      <form className="mb-4 flex flex-wrap items-end gap-3">
        <Labelled
          name="group"
          label="Only of one group, as before an event"
          small
          value={loaderData.group}
          options={[["", "all groups"], ...loaderData.groups]}
          box="w-64"
        />
        <button type="submit" className="btn btn-outline btn-primary btn-sm">
          Show
        </button>
      </form>
      {rows.length === 0 && (
        <p className="doubt w-fit p-4">No radio here has a model whose modes are written down.</p>
      )}
      {kinds.map((kind) => (
        <section key={kind} className="mb-5">
          <h2 className="mb-1">
            {TITLE[kind]}{" "}
            <span className="font-sans text-sm font-normal text-quiet">
              {counted(rows.filter(({ standing }) => standing.kind === kind).length, "radio")}
            </span>
          </h2>
          <Wide label={TITLE[kind]}>
            <table className="table table-sm">
              <thead className="sr-only">
                <tr>
                  <th>Radio</th>
                  <th>Mode</th>
                  <th>Whose privileges count</th>
                  <th>What it comes to</th>
                </tr>
              </thead>
              <tbody>
                {rows
                  .filter(({ standing }) => standing.kind === kind)
                  .map((row) => (
                    <tr key={row.tag}>
                      <th scope="row" className="w-44 font-normal whitespace-nowrap">
                        <Go to={`/units/${encodeURIComponent(row.tag)}#mode`} className="link tag">
                          {row.tag}
                        </Go>{" "}
                        <span className="text-quiet">{row.model}</span>
                      </th>
                      <td className="w-36">{row.mode ?? "not said"}</td>
                      <td className="w-56 text-quiet">
                        {row.holder ? `${row.holder}: ` : row.group && `${row.group}: `}
                        {row.class ?? "nobody knows"}
                      </td>
                      <td className={kind === "exceeds" ? "text-rust" : ""}>{saysOf(row)}</td>
                    </tr>
                  ))}
              </tbody>
            </table>
          </Wide>
        </section>
      ))}
      <Caution of="unlocking" />
    </Page>
  );
}

function saysOf({ standing, transmits }: Row): string {
  switch (standing.kind) {
    case "exceeds":
      return `${sayWidth(standing.width)} beyond: ${sayBands(standing.excess)}`;
    case "open":
      return `beyond by ${sayBands(standing.excess)}; ${standing.out ? "signed out by name" : "here, to be signed for"}`;
    case "fits":
      return standing.shortfall.length > 0
        ? `cannot use ${sayBands(standing.shortfall)}`
        : standing.hearsLess
          ? "another mode hears more"
          : "";
    case "nothing-to-compare":
      return standing.class ? `the band plan knows nothing of ${standing.class}` : "no class is entered";
    default:
      return transmits ? sayBands(transmits) : "";
  }
}
