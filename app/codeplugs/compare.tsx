// Two codeplugs side by side: what was kept, changed, moved, added, and what is gone.
import { useEffect, useState } from "react";

import {
  type ChannelField,
  type CodeplugChannel,
  type Compared,
  compareCodeplugs,
  compareLists,
  LIST_KINDS,
  leftToAlign,
  toneText,
} from "#core/codeplug/index.ts";
import { listed } from "#core/quantities/index.ts";
import { codeplugById } from "#db/codeplug/index.ts";
import type { Tx } from "#db/pool.ts";
import { idIn, mustBeAllowed, notFound, readInClub } from "../context.ts";
import { useClub } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { Page } from "../ui/page.tsx";
import { Wide } from "../ui/wide.tsx";
import { counted } from "../ui/words/count.ts";
import { sayHertz, sayWidth } from "../ui/words/frequency.ts";
import { sayInstant } from "../ui/words/time.ts";
import type { Route } from "./+types/compare";

export const meta: Route.MetaFunction = () => [{ title: "Two codeplugs compared · Mossy Cabinet" }];

/** So many that are not alike are aligned while the page is made: some milliseconds. */
const AT_ONCE = 250;
/** Beyond so many on either side it would keep everybody else waiting. */
const MOST = 1000;

async function mustHave(tx: Tx, asked: string | null) {
  const id = idIn(asked ?? "", "This table");
  const row = id === undefined ? undefined : await codeplugById(tx, id);
  if (!row?.channels) throw notFound("This table");
  return { ...row, channels: row.channels };
}

export async function loader({ context, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  const search = new URL(request.url).searchParams;
  return readInClub(context, async (tx) => {
    const [a, b] = [await mustHave(tx, search.get("a")), await mustHave(tx, search.get("b"))];
    const tooMany = Math.max(a.channels.length, b.channels.length) > MOST;
    // Much that is not alike is aligned in the browser's worker, so that nobody else waits for it.
    const isMuch = !tooMany && leftToAlign(a.channels, b.channels) > AT_ONCE;
    const rows = tooMany || isMuch ? [] : compareCodeplugs(a.channels, b.channels);
    const head = ({ id, tag, name, plan, at, by, source }: typeof a) => ({
      id,
      tag,
      source,
      by,
      at: at.toISOString(),
      name: plan === null ? name || "a table" : `plan ${plan}`,
    });
    return {
      a: head(a),
      b: head(b),
      tooMany,
      ...(isMuch && { aside: [a.channels, b.channels] as const }),
      kept: rows.filter(({ kind }) => kind === "kept").length,
      rows: rows.filter(({ kind }) => kind !== "kept"),
      lists: LIST_KINDS.flatMap((kind) => {
        const [before, after] = [a.lists[kind]?.members ?? [], b.lists[kind]?.members ?? []];
        const found = compareLists(before, after);
        return found.length > 0 ? [{ kind, found: found.slice(0, 50), count: found.length }] : [];
      }),
    };
  });
}

type Data = Route.ComponentProps["loaderData"];

const FIELD_WORD: Record<ChannelField, string> = {
  name: "name",
  receive: "receives",
  transmit: "transmits",
  bandwidth: "width",
  digital: "kind",
  sends: "tone sent",
  hears: "tone heard",
  power: "power",
  scan: "scanned",
  colour: "colour code",
  slot: "slot",
  talkgroup: "talkgroup",
  identity: "digital ID",
};

function sayField(channel: CodeplugChannel, field: ChannelField): string {
  switch (field) {
    case "receive":
      return sayHertz(channel.receive);
    case "transmit":
      return channel.transmit === undefined ? "receives only" : sayHertz(channel.transmit);
    case "bandwidth":
      return channel.bandwidth === undefined ? "not said" : sayWidth(channel.bandwidth);
    case "digital":
      return channel.digital ? "digital" : "analogue";
    case "sends":
    case "hears":
      return toneText(channel[field]) || "none";
    case "scan":
      return channel.scan === undefined ? "not said" : channel.scan ? "yes" : "no";
    default:
      return String(channel[field] ?? "none");
  }
}

const KIND_WORD = { added: "added", gone: "gone", changed: "changed", moved: "moved", kept: "kept" } as const;

export default function Compare({ loaderData }: Route.ComponentProps) {
  const { a, b, lists, tooMany, aside } = loaderData;
  const aligned = useAligned(aside);
  const rows = aside ? (aligned ?? []).filter(({ kind }) => kind !== "kept") : loaderData.rows;
  const kept = aside ? (aligned ?? []).filter(({ kind }) => kind === "kept").length : loaderData.kept;
  const waits = aside !== undefined && aligned === undefined;
  const count = (kind: string) => rows.filter((row) => row.kind === kind).length;
  const parts = (["changed", "moved", "added", "gone"] as const).flatMap((kind) =>
    count(kind) > 0 ? [`${count(kind)} ${KIND_WORD[kind]}`] : [],
  );
  return (
    <Page
      title={a.tag === b.tag ? `${a.tag}, then and later` : `${a.tag} beside ${b.tag}`}
      says={
        tooMany
          ? "too many channels to compare"
          : `${counted(kept, "channel")} the same${parts.length > 0 ? `; ${listed(parts)}` : ""}`
      }
    >
      <p className="mb-3 flex flex-wrap gap-x-6">
        <Head head={a} word="First" />
        <Head head={b} word="then" />
      </p>
      {tooMany && (
        <p className="doubt w-fit p-4">
          Each has {MOST.toLocaleString("en-GB")} channels at most to be compared here.
        </p>
      )}
      {waits && (
        <p role="status" className="doubt w-fit p-4">
          There is much to compare: it is worked out here, in your browser.
          <noscript> That needs scripts.</noscript>
        </p>
      )}
      {!tooMany && !waits && rows.length === 0 && lists.length === 0 && (
        <p className="w-fit border-l-4 border-primary p-4 text-lg">They are the same, channel by channel.</p>
      )}
      {rows.length > 0 && (
        <Wide label="The two tables side by side">
          <table className="table table-sm">
            <thead>
              <tr>
                <th>What</th>
                <th>Before</th>
                <th>After</th>
                <th>What is other</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: the list is only shown
                <tr key={i} className={row.kind === "gone" ? "hatch" : ""}>
                  <th
                    scope="row"
                    className={row.kind === "gone" ? "text-rust" : row.kind === "added" ? "text-primary" : ""}
                  >
                    {KIND_WORD[row.kind]}
                  </th>
                  <td>{row.kind !== "added" && <Channel channel={row.before} />}</td>
                  <td>{row.kind !== "gone" && <Channel channel={row.after} />}</td>
                  <td>{sayDifference(row)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Wide>
      )}
      {lists.map(({ kind, found, count: all }) => (
        <section key={kind} className="mt-4">
          <h2 className="mb-1">{kind}</h2>
          <ul className="list-inside list-disc text-sm">
            {found.map((one) => (
              <li key={one.position}>
                {one.position}: {one.before ?? "empty"} before, {one.after ?? "empty"} after
              </li>
            ))}
            {all > found.length && <li>and {all - found.length} more</li>}
          </ul>
        </section>
      ))}
    </Page>
  );
}

/** What a worker makes of two tables; undefined while it is at it. */
function useAligned(aside: Data["aside"]): readonly Compared[] | undefined {
  const [aligned, setAligned] = useState<readonly Compared[]>();
  useEffect(() => {
    if (!aside) return;
    setAligned(undefined);
    const worker = new Worker(new URL("./compare.worker.ts", import.meta.url), { type: "module" });
    worker.onmessage = ({ data }: MessageEvent<readonly Compared[]>) => setAligned(data);
    worker.postMessage(aside);
    return () => worker.terminate();
  }, [aside]);
  return aligned;
}

function Head({ head, word }: { readonly head: Data["a"]; readonly word: string }) {
  const { locale, timeZone } = useClub();
  return (
    <span>
      {word}:{" "}
      <Go to={`/units/${encodeURIComponent(head.tag)}/channels?of=${head.id}`} className="link">
        {head.tag}, {head.name}
      </Go>
      <span className="text-quiet">
        , {sayInstant(head.at, locale, timeZone)}, {head.by}
      </span>
    </span>
  );
}

const Channel = ({ channel }: { readonly channel: CodeplugChannel }) => (
  <span className="whitespace-nowrap">
    <span className="ver text-quiet">{channel.position}</span> {channel.name}{" "}
    <span className="ver text-xs text-quiet">{sayHertz(channel.receive)}</span>
  </span>
);

function sayDifference(row: Data["rows"][number]): string {
  if (row.kind === "moved") return `from position ${row.before.position} to ${row.after.position}`;
  if (row.kind !== "changed") return "";
  return [
    ...row.fields.map(
      (field) => `${FIELD_WORD[field]}: ${sayField(row.before, field)} → ${sayField(row.after, field)}`,
    ),
    ...(row.moved ? [`from position ${row.before.position} to ${row.after.position}`] : []),
  ].join("; ");
}
