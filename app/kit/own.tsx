// The inventory: everything the club owns to reach into its radios, by kind, with a line to add the next; and first what
// is lent, broken or lost.
import { data, Form, Link } from "react-router";
import { loadKit, putCurrency } from "#db/kit.ts";
import { appendLog } from "#db/log.ts";
import { mustBeAllowed, readInClub, writeInClub } from "../context.ts";
import { offlineSaid } from "../forms/offline.ts";
import { useMay } from "../ui/club.ts";
import { ConnectorPicture } from "../ui/connector.tsx";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { listed } from "../ui/words/count.ts";
import type { Route } from "./+types/own";
import { SAYS_WORD } from "./kinds/advice.ts";
import { KIND_NAMES, KINDS, type KindName } from "./kinds/kinds.ts";
import { BEGIN, loadKnown, valuesOf } from "./load-thing.server.ts";
import { QuickEntry } from "./quick.tsx";
import type { Known, Values } from "./reader.ts";
import { KitTabs } from "./tabs.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Inventory · Mossy Cabinet" }];

export const handle = { follows: ["club"] };

export async function loader({ context }: Route.LoaderArgs) {
  return readInClub(context, async (tx) => {
    const known = await loadKnown(tx);
    const sections: { kind: KindName; rows: readonly (Values & { id: string })[] }[] = [];
    for (const kind of KIND_NAMES) sections.push({ kind, rows: await valuesOf(tx, kind, known) });
    return { known, sections, begin: BEGIN, currency: (await loadKit(tx)).currency };
  });
}

export async function action({ context, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-kit");
  const currency = String((await request.formData()).get("currency") ?? "")
    .trim()
    .toUpperCase();
  // A code that the platform knows is one that it can write prices in.
  if (!Intl.supportedValuesOf("currency").includes(currency)) {
    return data(
      { ok: false, says: "Write the currency as its three letters, such as EUR." },
      { status: 400 },
    );
  }
  await writeInClub(context, async (tx) => {
    if (await putCurrency(tx, currency))
      await appendLog(tx, { kind: "club-changed", what: `prices are in ${currency}` });
  });
  return { ok: true, says: `Prices are in ${currency} from now on; their numbers stay as they are.` };
}

export const clientAction = offlineSaid;

export default function Own({ loaderData, actionData }: Route.ComponentProps) {
  const { sections, known } = loaderData;
  const mayEdit = useMay("edit-kit");
  const troubled = sections.flatMap(({ kind, rows }) =>
    rows.flatMap((row) => {
      const trouble = row.holder
        ? `with ${row.holder}`
        : row.condition && row.condition !== "sound"
          ? row.condition
          : "";
      return trouble === "" ? [] : [{ kind, id: row.id, name: row[KINDS[kind].name] ?? "", trouble }];
    }),
  );
  return (
    <Page title="Kit" says="what the club owns to reach into its radios" acts={<KitTabs here="own" />}>
      <p className="mb-4 flex flex-wrap gap-x-4 text-sm">
        {sections.map(({ kind }) => (
          <a key={kind} className="link" href={`#${kind}`}>
            {KINDS[kind].many}
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
          <Section key={kind} kind={kind} rows={rows} known={known} begin={loaderData.begin[kind] ?? {}} />
        ))}
      </div>
      {mayEdit && (
        <Form method="post" className="mt-3 flex items-end gap-2 text-xs text-quiet" preventScrollReset>
          <div>
            <label htmlFor="currency" className="block">
              Prices are in
            </label>
            <input
              id="currency"
              name="currency"
              defaultValue={loaderData.currency}
              maxLength={3}
              className="input input-sm ver w-20"
            />
          </div>
          <button type="submit" className="btn btn-outline btn-primary btn-sm">
            Change
          </button>
        </Form>
      )}
    </Page>
  );
}

function Section(props: {
  readonly kind: KindName;
  readonly rows: readonly (Values & { id: string })[];
  readonly known: Known;
  readonly begin: Values;
}) {
  const kind = KINDS[props.kind];
  const mayEdit = useMay("edit-kit");
  return (
    <section id={props.kind} className="scroll-mt-4">
      <h2 className="mb-1.5 flex items-baseline gap-3">
        {kind.many}
        <span className="font-sans text-sm font-normal text-quiet">{props.rows.length}</span>
        {mayEdit && (
          <Link className="link font-sans text-sm" to={`/kit/${props.kind}/new`}>
            Add with all fields
          </Link>
        )}
      </h2>
      {props.rows.length > 0 && (
        <ul className="sheet divide-y divide-line">
          {props.rows.map((row) => (
            <li
              key={row.id}
              id={`${props.kind}-${row.id}`}
              className="grid target:bg-plate grid-cols-[8rem_minmax(0,1fr)] gap-x-4 px-4 py-1.5 md:grid-cols-[13rem_minmax(0,1fr)_12rem]"
            >
              <span className={kind.name === "tag" ? "tag" : "font-semibold"}>
                {mayEdit ? (
                  <a className="link" href={`/kit/${props.kind}/${row.id}`}>
                    {row[kind.name]}
                  </a>
                ) : (
                  row[kind.name]
                )}
              </span>
              <span className="min-w-0">
                {props.kind === "connectors" && (
                  <span className="mr-2 inline-block w-10 align-middle">
                    <ConnectorPicture shape={row.shape ?? ""} pins={Number(row.pins) || undefined} />
                  </span>
                )}
                {sayRow(props.kind, row, props.known)}
                {row.note && <span className="text-quiet"> {row.note}</span>}
              </span>
              <span className="text-sm text-quiet max-md:col-start-2">
                {[row.holder ? `with ${row.holder}` : row.place, row.condition !== "sound" && row.condition]
                  .filter(Boolean)
                  .join(", ")}
              </span>
            </li>
          ))}
        </ul>
      )}
      {mayEdit && (
        <QuickEntry key={props.rows.length} kind={props.kind} known={props.known} begin={props.begin} />
      )}
    </section>
  );
}

/** What a row is, in a few words. */
function sayRow(kind: KindName, row: Values, known: Known): string {
  const plug = (id: string | undefined) => known.connectors.find((c) => c.id === id)?.name;
  const chip =
    row.chip_family && (row.chip_family === "?" ? "unknown chip" : `${row.chip_family}, ${row.chip_grade}`);
  const join = (parts: readonly (string | false | undefined)[]) => parts.filter(Boolean).join("; ");
  switch (kind) {
    case "leads":
      return join([
        [plug(row.radio_end), plug(row.computer_end) ?? "Bluetooth"].join(" to "),
        chip,
        row.carries_data === "no" && "charge only",
      ]);
    case "adapters":
      return join([row.kind, [plug(row.end_a), plug(row.end_b)].join(" to "), chip]);
    case "computers":
      return join([
        `${row.system} ${row.version}, ${row.bits} bit`,
        row.ports && listed(row.ports.split("; ")),
        row.drivers && listed(row.drivers.split("\n")),
        row.tools && listed(row.tools.split("\n")),
        row.admin === "no" && "nothing may be installed",
      ]);
    case "tools":
      return join([
        row.runs_on && listed(row.runs_on.split("\n")),
        row.knows && listed(row.knows.split("\n")),
      ]);
    case "advice":
      return join([
        row.grade && `only ${row.grade}`,
        `${row.system} ${row.system_versions ?? ""}`.trim(),
        SAYS_WORD[row.says as keyof typeof SAYS_WORD],
        row.driver_id &&
          `${known.drivers.find((d) => d.id === row.driver_id)?.name ?? "?"} ${row.range ?? ""}`.trim(),
        `from ${row.sourceWhat || row.sourceKind}`,
      ]);
    case "connectors":
      return join([
        row.shape,
        row.pins && `${row.pins} pins`,
        row.keyed === "yes" && "one way only",
        row.way,
      ]);
    case "gear":
      return join([row.what, row.rating, row.error && `off by up to ${row.error}`]);
    case "offers":
      return join([
        row.price,
        row.seller,
        [plug(row.end_a), plug(row.end_b)].filter(Boolean).join(" to "),
        chip,
      ]);
    case "drivers":
      return "";
  }
}
