// A codeplug as our own document: its channels and lists, open and read back as the same. It is also what a simulated radio holds.
import { z } from "zod";
import { bad, good, type Result } from "../quantities/index.ts";
import { CHANNEL_FIELDS, type CodeplugChannel, codeplugChannel, type Tone } from "./channel.ts";

export const MOST_IN_CODEPLUG = 5000;
export const LIST_KINDS = ["zones", "talkgroups", "contacts", "scan lists"] as const;
export type ListKind = (typeof LIST_KINDS)[number];

const member = z.object({ key: z.string().max(80), name: z.string().max(120) });
export const codeplugList = z.object({
  /** How the radio refers to its members. */
  by: z.enum(["position", "content"]),
  /** From position 1 on; null: that position is empty. */
  members: z.array(member.nullable()).max(20_000).readonly(),
});
export type CodeplugList = Readonly<z.output<typeof codeplugList>>;
export const codeplugLists = z.partialRecord(z.enum(LIST_KINDS), codeplugList);
export type CodeplugLists = Readonly<z.output<typeof codeplugLists>>;

export const codeplugDocument = z.object({
  format: z.literal("mossy-cabinet/codeplug"),
  version: z.literal(1),
  /** Maker and name. */
  model: z.string().max(200),
  channels: z.array(codeplugChannel).max(MOST_IN_CODEPLUG),
  lists: codeplugLists.default({}),
});
export type CodeplugDocument = z.output<typeof codeplugDocument>;

/** A channel with its fields in one order. */
function inOrder(channel: CodeplugChannel): CodeplugChannel {
  const tone = (one: Tone): Tone =>
    one.kind === "dcs"
      ? { kind: one.kind, code: one.code, inverted: one.inverted }
      : { kind: one.kind, tenths: one.tenths };
  const { sends, hears } = channel;
  const whole = { ...channel, ...(sends && { sends: tone(sends) }), ...(hears && { hears: tone(hears) }) };
  const fields = (["position", ...CHANNEL_FIELDS] as const).filter((field) => whole[field] !== undefined);
  return Object.fromEntries(fields.map((field) => [field, whole[field]])) as CodeplugChannel;
}

const byPosition = (channels: readonly CodeplugChannel[]): CodeplugChannel[] =>
  channels.map(inOrder).sort((a, b) => a.position - b.position);

/** Channels in one order, with their fields in one order: the same channels make the same text. */
export const canonical = (channels: readonly CodeplugChannel[]): string =>
  JSON.stringify(byPosition(channels));

/** The document's text; the same for the same codeplug. */
export const writeDocument = (
  model: string,
  channels: readonly CodeplugChannel[],
  lists: CodeplugLists = {},
): string => {
  const document: CodeplugDocument = {
    format: "mossy-cabinet/codeplug",
    version: 1,
    model,
    channels: byPosition(channels),
    lists: lists as CodeplugDocument["lists"],
  };
  return `${JSON.stringify(document, null, 1)}\n`;
};

export type DocumentProblem =
  | { readonly kind: "no-document" }
  /** Of a later version than this one reads. */
  | { readonly kind: "newer" }
  | { readonly kind: "bad-field"; readonly path: string; readonly says: string };

/** Reads such a text; what is no document of ours is `no-document`. */
export function readDocument(text: string): Result<CodeplugDocument, DocumentProblem> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return bad({ kind: "no-document" });
  }
  const head = z
    .object({ format: z.literal("mossy-cabinet/codeplug"), version: z.number() })
    .safeParse(value);
  if (!head.success) return bad({ kind: "no-document" });
  if (head.data.version > 1) return bad({ kind: "newer" });
  const read = codeplugDocument.safeParse(value);
  if (read.success) return good(read.data);
  const [issue] = read.error.issues;
  return bad({ kind: "bad-field", path: issue?.path.join(".") ?? "", says: issue?.message ?? "" });
}
