// Aligns two tables of channels beside the page, however long that takes.
import { type CodeplugChannel, compareCodeplugs } from "#core/codeplug/index.ts";

self.onmessage = ({ data: [before, after] }: MessageEvent<readonly [CodeplugChannel[], CodeplugChannel[]]>) =>
  self.postMessage(compareCodeplugs(before, after));
