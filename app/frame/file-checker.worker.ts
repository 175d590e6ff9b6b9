// The file check, off the page's own thread: 64 MiB take a second, and the page must not freeze.
import { checkFile, type KnownFile } from "#core/bench/index.ts";

export type CheckOrder = {
  readonly name: string;
  readonly bytes: ArrayBuffer;
  readonly known: readonly KnownFile[];
  readonly wanted: readonly string[];
  readonly models: readonly string[];
};

self.onmessage = ({ data }: MessageEvent<CheckOrder>) => {
  const file = { name: data.name, bytes: new Uint8Array(data.bytes) };
  self.postMessage(checkFile(file, data.known, data.wanted, data.models));
};
