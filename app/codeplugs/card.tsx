// A card of channels for the pocket: both sides of an A6, black on white; or labels.
import { Link } from "react-router";
import { toneText } from "#core/codeplug/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { counted } from "../ui/words/count.ts";
import type { Route } from "./+types/card";
import { mustHaveTable } from "./load-table.server.ts";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Card of ${loaderData?.of ?? "channels"} · Mossy Cabinet` },
];

/** Channels on one side, in two columns. */
const SIDE = 84;

export async function loader({ context, params, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  const labels = new URL(request.url).searchParams.get("as") === "labels";
  return readInClub(context, async (tx) => ({
    ...(await mustHaveTable(tx, params.kind, params.id)),
    labels,
  }));
}

export default function Card({ loaderData }: Route.ComponentProps) {
  const { title, of, channels, tag, labels } = loaderData;
  const sides = Array.from({ length: Math.ceil(channels.length / SIDE) }, (_, i) =>
    channels.slice(i * SIDE, (i + 1) * SIDE),
  );
  return (
    <div className="px-4 pt-3 pb-8 md:px-6 print:p-0">
      <div className="no-print mb-4 flex flex-wrap items-baseline gap-4">
        <h1>
          {of}: {title}
        </h1>
        <Link className="link" to={tag ? `/units/${encodeURIComponent(tag)}/channels` : "/codeplugs"}>
          Back
        </Link>
        <p className="text-sm text-quiet">
          {labels
            ? "Print this page, and cut along the lines."
            : sides.length === 1
              ? "Print this page: the card is one side of an A6."
              : `Print this page: ${counted(sides.length, "side")} of an A6.`}
        </p>
        <Link className="link" to={labels ? "?" : "?as=labels"}>
          {labels ? "As a card" : "As labels"}
        </Link>
      </div>
      {labels && (
        <ul className="flex flex-wrap">
          {channels.map((one) => (
            <li key={one.position} className="channel-label">
              <b className="pocket-number">{one.position}</b> {one.name}
              <small>
                {of}, {(one.receive / 1e6).toFixed(4)}
              </small>
            </li>
          ))}
        </ul>
      )}
      <div className={labels ? "hidden" : "flex flex-wrap gap-4"}>
        {sides.map((side, i) => (
          <article key={side[0]?.position ?? i} className="pocket-card">
            <h2 className="text-sm">
              {of}, {title}
              {sides.length > 1 && ` (${i + 1} of ${sides.length})`}
            </h2>
            <ol>
              {side.map((one) => (
                <li key={one.position}>
                  <b className="pocket-number">{one.position}</b>{" "}
                  <span className="pocket-name">{one.name}</span>{" "}
                  <i className="pocket-number">{(one.receive / 1e6).toFixed(4)}</i>{" "}
                  <small className="pocket-number">
                    {one.transmit === undefined
                      ? "listen"
                      : one.transmit === one.receive
                        ? toneText(one.sends)
                        : `${one.transmit > one.receive ? "+" : "−"}${Math.abs(one.transmit - one.receive) / 1e6} ${toneText(one.sends)}`}
                  </small>
                </li>
              ))}
            </ol>
          </article>
        ))}
      </div>
    </div>
  );
}
