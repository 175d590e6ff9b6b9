// Channels as a table, wherever they are shown.
import type { CodeplugChannel } from "#core/codeplug/channel.ts";
import { toneText } from "#core/codeplug/tone.ts";
import { sayHertz, sayWidth } from "../ui/words/frequency.ts";

/** Channels as a table. */
export function Rows({ channels }: { readonly channels: readonly CodeplugChannel[] }) {
  return (
    <table className="table table-sm">
      <thead>
        <tr>
          <th>Channel</th>
          <th>Receives</th>
          <th>Transmits</th>
          <th>Width</th>
          <th>Tones</th>
        </tr>
      </thead>
      <tbody>
        {channels.map((channel) => (
          <tr key={channel.position}>
            <th scope="row">
              {channel.position}. <span className="ver">{channel.name}</span>
            </th>
            <td className="ver">{sayHertz(channel.receive)}</td>
            <td className="ver">
              {channel.transmit === undefined ? "receives only" : sayHertz(channel.transmit)}
            </td>
            <td className="ver">{channel.bandwidth === undefined ? "?" : sayWidth(channel.bandwidth)}</td>
            <td className="ver">
              {channel.digital
                ? `colour ${channel.colour ?? "?"}, slot ${channel.slot ?? "?"}${channel.talkgroup ? `, ${channel.talkgroup}` : ""}`
                : [toneText(channel.sends), toneText(channel.hears)]
                    .filter((one, i, all) => one && all.indexOf(one) === i)
                    .join(" / ")}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
