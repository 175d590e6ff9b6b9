// Aligns two tables of channels beside the page, however long that takes.
import type { CodeplugChannel } from "#core/codeplug/channel.ts";
import { compareCodeplugs } from "#core/codeplug/check/compare.ts";

self.onmessage = ({ data: [before, after] }: MessageEvent<readonly [CodeplugChannel[], CodeplugChannel[]]>) =>
  self.postMessage(compareCodeplugs(before, after));
