// Channels as a table, wherever they are shown. Of a long one only the rows in sight are drawn.
import { useVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useRef, useState } from "react";
import { type CodeplugChannel, toneText } from "#core/codeplug/index.ts";
import { Wide } from "../ui/wide.tsx";
import { sayHertz, sayWidth } from "../ui/words/frequency.ts";

/** More channels than this are drawn as they come into sight; without scripts, so many are shown. */
const LONG = 100;
const HEIGHT = 37;

type Props = { readonly label: string; readonly channels: readonly CodeplugChannel[] };

export function Rows({ label, channels }: Props) {
  const [isAwake, setAwake] = useState(false);
  useEffect(() => setAwake(true), []);
  if (channels.length > LONG && isAwake) return <InSight label={label} channels={channels} />;
  return (
    <>
      <Wide label={label}>
        <table className="table table-sm">
          <Head />
          <tbody>
            {channels.slice(0, LONG).map((channel) => (
              <Row key={channel.position} channel={channel} />
            ))}
          </tbody>
        </table>
      </Wide>
      {channels.length > LONG && <p className="text-sm text-quiet">The first {LONG} are shown.</p>}
    </>
  );
}

function InSight({ label, channels }: Props) {
  const box = useRef<HTMLElement>(null);
  const rows = useVirtualizer({
    count: channels.length,
    getScrollElement: () => box.current,
    estimateSize: () => HEIGHT,
    overscan: 15,
  });
  const shown = rows.getVirtualItems();
  const above = shown[0]?.start ?? 0;
  const below = rows.getTotalSize() - (shown.at(-1)?.end ?? 0);
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: keys can move only what they can reach
    <section ref={box} aria-label={label} tabIndex={0} className="sheet max-h-[70vh] overflow-auto">
      <table className="table table-sm" aria-rowcount={channels.length + 1}>
        <Head />
        <tbody>
          {above > 0 && <tr style={{ height: above }} />}
          {shown.map(({ index }) => {
            const channel = channels[index];
            return channel && <Row key={channel.position} channel={channel} at={index + 2} />;
          })}
          {below > 0 && <tr style={{ height: below }} />}
        </tbody>
      </table>
    </section>
  );
}

const Head = () => (
  <thead className="sticky top-0 bg-base-100">
    <tr>
      <th>Channel</th>
      <th>Receives</th>
      <th>Transmits</th>
      <th>Width</th>
      <th>Tones</th>
    </tr>
  </thead>
);

const Row = ({ channel, at }: { readonly channel: CodeplugChannel; readonly at?: number }) => (
  <tr aria-rowindex={at}>
    <th scope="row">
      {channel.position}. <span className="ver">{channel.name}</span>
    </th>
    <td className="ver">{sayHertz(channel.receive)}</td>
    <td className="ver">{channel.transmit === undefined ? "receives only" : sayHertz(channel.transmit)}</td>
    <td className="ver">{channel.bandwidth === undefined ? "?" : sayWidth(channel.bandwidth)}</td>
    <td className="ver">
      {channel.digital
        ? `colour ${channel.colour ?? "?"}, slot ${channel.slot ?? "?"}${channel.talkgroup ? `, ${channel.talkgroup}` : ""}`
        : [toneText(channel.sends), toneText(channel.hears)]
            .filter((one, i, all) => one && all.indexOf(one) === i)
            .join(" / ")}
    </td>
  </tr>
);
