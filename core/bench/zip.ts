// Looks into a zip without trusting what it says of itself: what it unpacks to is counted while it is unpacked.
import { Unzip, UnzipInflate } from "fflate";
import { bad, good, type Result } from "../quantities/index.ts";

export const MOST_UNPACKED = 256 * 1024 * 1024;
export const MOST_ENTRIES = 2000;

export type ZipProblem =
  | { readonly kind: "zip-damaged" }
  /** It wants a password. */
  | { readonly kind: "zip-encrypted"; readonly name: string }
  /** It is packed in a way that we do not know. */
  | { readonly kind: "zip-method"; readonly name: string; readonly method: number }
  | { readonly kind: "zip-bomb"; readonly limit: number };
export type ZipEntry = { readonly name: string; readonly bytes: Uint8Array };

const isZip = (bytes: Uint8Array) =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && (bytes[2] === 3 || bytes[2] === 5);

/** The entries of a zip; undefined if the bytes are none. `most`: how many bytes they may unpack to. */
export function readZip(bytes: Uint8Array, most = MOST_UNPACKED): Result<ZipEntry[], ZipProblem> | undefined {
  if (!isZip(bytes)) return undefined;
  const end = directoryEnd(bytes);
  if (end === undefined) return bad({ kind: "zip-damaged" });
  const closed = whatIsClosed(bytes, end);
  if (closed) return bad(closed);
  const entries: { name: string; chunks: Uint8Array[]; done: boolean }[] = [];
  let unpacked = 0;
  let damaged = false;
  let bomb = false;
  const unzip = new Unzip((file) => {
    if (file.name.endsWith("/")) return;
    const entry = { name: file.name, chunks: [] as Uint8Array[], done: false };
    if (entries.push(entry) > MOST_ENTRIES) bomb = true;
    if (bomb) return;
    file.ondata = (error, chunk, final) => {
      if (error) damaged = true;
      if (damaged || bomb) return;
      unpacked += chunk.length;
      if (unpacked > most) {
        bomb = true;
        for (const one of entries) one.chunks = [];
        return file.terminate();
      }
      entry.chunks.push(chunk.slice());
      if (final) entry.done = true;
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length && !bomb && !damaged; at += PIECE) {
      unzip.push(bytes.subarray(at, at + PIECE), at + PIECE >= bytes.length);
    }
  } catch {
    damaged = !bomb;
  }
  if (bomb) return bad({ kind: "zip-bomb", limit: most });
  if (damaged || entries.some((entry) => !entry.done)) return bad({ kind: "zip-damaged" });
  return good(entries.map(({ name, chunks }) => ({ name, bytes: joined(chunks) })));
}
/** Small pieces, so that a bomb is noticed before much of it is unpacked. */
const PIECE = 16 * 1024;

/** An entry that cannot be opened here, by what the directory says of it: a password, or a way of packing that is neither of the two usual ones. */
function whatIsClosed(bytes: Uint8Array, end: number): ZipProblem | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = view.getUint32(end + 16, true);
  for (let i = 0; i < MOST_ENTRIES && at + 46 <= end && view.getUint32(at, true) === 0x02014b50; i++) {
    const [flags, method, long] = [8, 10, 28].map((offset) => view.getUint16(at + offset, true));
    const name = new TextDecoder().decode(bytes.subarray(at + 46, at + 46 + (long ?? 0))).slice(0, 200);
    if ((flags ?? 0) & 1) return { kind: "zip-encrypted", name };
    if (method !== 0 && method !== 8) return { kind: "zip-method", name, method: method ?? 0 };
    at += 46 + (long ?? 0) + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  }
  return undefined;
}

/** Where the end of the directory stands: a whole zip ends with it, one that was cut short does not. */
function directoryEnd(bytes: Uint8Array): number | undefined {
  for (let at = bytes.length - 22; at >= Math.max(0, bytes.length - 65_557); at--) {
    if (bytes[at] === 0x50 && bytes[at + 1] === 0x4b && bytes[at + 2] === 5 && bytes[at + 3] === 6) return at;
  }
  return undefined;
}

function joined(chunks: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(chunks.reduce((sum, chunk) => sum + chunk.length, 0));
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.length;
  }
  return whole;
}
