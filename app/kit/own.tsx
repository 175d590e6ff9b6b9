// The inventory: everything the club owns to reach into its radios, by kind, with a line to add the next; and first what
// is lent, broken or lost.
import { data, Link } from "react-router";
import { setCurrency } from "#acts/kit/set-currency.ts";
import {
  KIND_NAMES,
  KINDS,
  type KindName,
  ownedAlike,
  type ShownKind,
  shownKind,
  type Values,
} from "#core/kit/index.ts";
import { loadKit, loadKnown, valuesOf } from "#db/kit/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { offlineSaid } from "../forms/offline.ts";
import { performForm } from "../forms/perform.server.ts";
import { refusalOf } from "../shared/refusals.server.ts";
import { useMay } from "../ui/club.ts";
import { ConnectorPicture } from "../ui/connector.tsx";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import type { Route } from "./+types/own";
import { QuickEntry } from "./quick.tsx";
import { KitTabs } from "./tabs.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Inventory · Mossy Cabinet" }];

export const handle = { follows: ["club"] };

/** One in the inventory: its name, what it is in words, where it is. */
const rowOf = (kind: KindName, row: Values & { id: string }, says: string) => ({
  id: row.id,
  name: row[KINDS[kind].name] ?? "",
  says,
  note: row.note,
  holder: row.holder,
  place: row.place,
  condition: row.condition,
  /** What is a lead or a radio as well is told of there. */
  elsewhere: kind === "devices" && (row.kind === "programmer" || row.kind === "radio"),
  ...(kind === "connectors" && { shape: row.shape ?? "", pins: Number(row.pins) || undefined }),
});
type Row = ReturnType<typeof rowOf>;

export async function loader({ context }: Route.LoaderArgs) {
  return readInClub(context, async (tx) => {
    const known = await loadKnown(tx);
    const sections: { readonly kind: ShownKind; readonly rows: readonly Row[] }[] = [];
    for (const name of KIND_NAMES)
      sections.push({
        kind: shownKind(name, known, "quick"),
        rows: (await valuesOf(tx, name, known)).map((row) => rowOf(name, row, KINDS[name].says(row, known))),
      });
    const { prepared, currency } = await loadKit(tx);
    const { kit } = prepared;
    const owned = new Map(kit.offers.map((offer) => [offer.id, ownedAlike(offer, kit)]));
    return { sections, currency, owned };
  });
}

export async function action({ context, request }: Route.ActionArgs) {
  const who = mustBeAllowed(context, "edit-kit");
  const form = await request.formData();
  const currency = String(form.get("currency") ?? "")
    .trim()
    .toUpperCase();
  const done = await performForm(setCurrency, who, form, { currency });
  if (done.ok)
    return { ok: true, says: `Prices are in ${currency} from now on; their numbers stay as they are.` };
  const { says } = refusalOf(done.problem, {
    input: "Write the currency as its three letters, such as EUR.",
  });
  return data({ ok: false, says }, { status: 400 });
}

export const clientAction = offlineSaid;

export default function Own({ loaderData, actionData }: Route.ComponentProps) {
  const { sections } = loaderData;
  const mayEdit = useMay("edit-kit");
  const troubled = sections.flatMap(({ kind, rows }) =>
    rows.flatMap((row) => {
      if (row.elsewhere) return [];
      const trouble = row.holder
        ? `with ${row.holder}`
        : row.condition && row.condition !== "sound"
          ? row.condition
          : "";
      return trouble === "" ? [] : [{ kind: kind.kind, id: row.id, name: row.name, trouble }];
    }),
  );
  return (
    <Page list title="Kit" says="what the club owns to reach into its radios" acts={<KitTabs here="own" />}>
      {mayEdit && (
        <p className="no-print mb-3">
          <Link className="btn btn-primary btn-sm" to="/kit/in-hand">
            Enter what you have in the hand
          </Link>
        </p>
      )}
      <p className="no-print mb-4 flex flex-wrap gap-x-4 gap-y-0.5 text-sm">
        {sections.map(({ kind }) => (
          <a key={kind.kind} className="link inline-block py-0.5" href={`#${kind.kind}`}>
            {kind.many}
          </a>
        ))}
      </p>
      {actionData && <Said answer={actionData} />}
      {troubled.length > 0 && (
        <section className="mb-5">
          <h2 className="mb-1">Lent, worn, broken, lost</h2>
          <ul className="flex flex-wrap gap-x-5 gap-y-1">
            {troubled.map((t) => (
              <li key={t.kind + t.id}>
                <a className="link tag" href={`/kit/${t.kind}/${t.id}`}>
                  {t.name}
                </a>{" "}
                <span className={t.trouble === "broken" || t.trouble === "lost" ? "text-rust" : "text-quiet"}>
                  {t.trouble}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <div className="flex flex-col gap-8">
        {sections.map(({ kind, rows }) => (
          <Section
            key={kind.kind}
            kind={kind}
            rows={rows}
            owned={kind.kind === "offers" ? loaderData.owned : undefined}
          />
        ))}
      </div>
      {mayEdit && (
        <ActForm className="mt-3 flex items-end gap-2" preventScrollReset>
          <Labelled
            name="currency"
            label="Prices are in"
            value={loaderData.currency}
            mono
            small
            className="w-20"
          />
          <button type="submit" className="btn btn-outline btn-primary btn-sm">
            Change
          </button>
        </ActForm>
      )}
    </Page>
  );
}

function Section(props: {
  readonly kind: ShownKind;
  readonly rows: readonly Row[];
  /** Of what could be bought, the tag of one that we have. */
  readonly owned: ReadonlyMap<string, string | undefined> | undefined;
}) {
  const { kind } = props;
  const mayEdit = useMay("edit-kit");
  return (
    <section id={kind.kind} className="scroll-mt-4">
      <h2 className="mb-1.5 flex items-baseline gap-3">
        {kind.many}
        <span className="font-sans text-sm font-normal text-quiet">{props.rows.length}</span>
        {mayEdit && (
          <Link className="no-print link font-sans text-sm" to={`/kit/${kind.kind}/new`}>
            Add with all fields
          </Link>
        )}
      </h2>
      {props.rows.length > 0 && (
        <ul className="sheet divide-y divide-line">
          {props.rows.map((row) => (
            <li
              key={row.id}
              id={`${kind.kind}-${row.id}`}
              className="grid target:bg-plate grid-cols-[8rem_minmax(0,1fr)] gap-x-4 px-4 py-1.5 md:grid-cols-[13rem_minmax(0,1fr)_12rem]"
            >
              <span className={kind.name === "tag" ? "tag" : "font-semibold"}>
                {mayEdit ? (
                  <a className="link" href={`/kit/${kind.kind}/${row.id}`}>
                    {row.name}
                  </a>
                ) : (
                  row.name
                )}
              </span>
              <span className="min-w-0">
                {row.shape !== undefined && (
                  <span className="mr-2 inline-block w-10 align-middle">
                    <ConnectorPicture shape={row.shape} pins={row.pins} />
                  </span>
                )}
                {row.says}
                {row.note && <span className="text-quiet"> {row.note}</span>}
              </span>
              <span className="text-sm text-quiet max-md:col-start-2">
                {props.owned?.get(row.id) && `we have it: ${props.owned.get(row.id)}`}
                {[row.holder ? `with ${row.holder}` : row.place, row.condition !== "sound" && row.condition]
                  .filter(Boolean)
                  .join(", ")}
              </span>
            </li>
          ))}
        </ul>
      )}
      {mayEdit && <QuickEntry key={props.rows.length} kind={kind} />}
    </section>
  );
}
