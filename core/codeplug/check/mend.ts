// The cures of findings: a table in which they are so.
import type { CodeplugChannel } from "../channel.ts";
import { distinctNames } from "../plan/names.ts";
import { type CodeplugCheck, type Cure, checkCodeplug } from "./check-codeplug.ts";

/** The channels after a cure of everything that it helps against; the others stay as they are, at their positions. */
export function mended(
  channels: readonly CodeplugChannel[],
  cure: Cure,
  facts: CodeplugCheck,
): CodeplugChannel[] {
  const found = checkCodeplug(channels, facts).filter((one) => one.cure === cure);
  const ill = new Set(found.flatMap(({ channel }) => channel ?? []));
  switch (cure) {
    case "narrow": {
      const most = new Map(
        found.flatMap((one) => (one.kind === "wide" && one.channel ? [[one.channel, one.most]] : [])),
      );
      return channels.map((one) =>
        most.has(one) ? { ...one, bandwidth: most.get(one) } : one,
      ) as CodeplugChannel[];
    }
    case "listen-only":
      return channels.map((one) => {
        const { transmit: _, sends: _tone, ...rest } = one;
        return ill.has(one) ? rest : one;
      });
    case "shorten-names": {
      const signs = facts.holds?.nameSigns ?? 60;
      const names = distinctNames(
        channels.map(({ name }) => name),
        signs,
      );
      return channels.map((one, i) => ({ ...one, name: names[i] ?? one.name }));
    }
    case "drop-doubles": {
      const others = new Set(found.flatMap((one) => (one.kind === "twice" ? one.others : [])));
      return channels.filter(({ position }) => !others.has(position));
    }
  }
}
