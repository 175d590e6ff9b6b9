// What is typed into a form of one channel, read; each field that cannot be is told by name.
import { frequencyIn, numberIn, unitOfColumn } from "../../import/index.ts";
import { bad, good, type Result } from "../../quantities/index.ts";
import type { Tone } from "../channel.ts";
import type { PlanMember } from "../plan/lay-out.ts";
import { readTone, toneText } from "../tone.ts";

export const CHANNEL_FORM = [
  "name",
  "receive",
  "transmit",
  "width",
  "sends",
  "hears",
  "power",
  "kind",
  "colour",
  "slot",
  "talkgroup",
  "identity",
] as const;
export type ChannelFormField = (typeof CHANNEL_FORM)[number];
export type ChannelForm = Partial<Readonly<Record<ChannelFormField, string>>>;
export type FieldProblems = Partial<Record<ChannelFormField, string>>;

const OFF = /^(?:off|none|no|-+)$/i;

/** A frequency as it is typed: megahertz, kilohertz or hertz by its unit or its size; with point or comma. */
export function typedFrequency(typed: string): number | undefined {
  const sign = typed.includes(",") ? "," : ".";
  const number = numberIn(typed, sign);
  if (number === undefined) return undefined;
  const hertz = frequencyIn(typed, unitOfColumn("", [number]), sign);
  return hertz !== undefined && hertz >= 1 && hertz <= 1_000_000_000_000 ? hertz : undefined;
}

const wholeNumber = (typed: string, from: number, to: number): number | undefined =>
  /^\d{1,6}$/.test(typed) && Number(typed) >= from && Number(typed) <= to ? Number(typed) : undefined;

/** A channel out of a form's texts. Transmit left empty: where it receives; “off”: it only receives. */
export function typedChannel(
  form: ChannelForm,
): Result<PlanMember, { kind: "typed"; fields: FieldProblems }> {
  const fields: FieldProblems = {};
  const text = (field: ChannelFormField) => (form[field] ?? "").trim();
  const read = <T>(field: ChannelFormField, of: (typed: string) => T | undefined, says: string) => {
    const typed = text(field);
    if (typed === "") return undefined;
    const value = of(typed);
    if (value === undefined) fields[field] = says;
    return value;
  };
  const tone = (typed: string): Tone | "none" | undefined => readTone(typed);
  const TONE = "That is no tone: 88.5 for CTCSS, D023N for DCS, or nothing.";
  const name = text("name");
  if (name === "" || name.length > 300) fields.name = "A channel has a name of 300 signs at most.";
  const receive = typedFrequency(text("receive"));
  if (receive === undefined) fields.receive = "Type where it receives, such as 145.5 MHz.";
  const isOff = OFF.test(text("transmit"));
  const transmit = isOff
    ? undefined
    : text("transmit") === ""
      ? receive
      : read("transmit", typedFrequency, "That is no frequency: type MHz, leave it empty, or write “off”.");
  const bandwidth = read(
    "width",
    (typed) => {
      const number = numberIn(typed, typed.includes(",") ? "," : ".");
      const hertz = number === undefined ? 0 : Math.round(number >= 1000 ? number : number * 1000);
      return hertz >= 1 && hertz <= 10_000_000 ? hertz : undefined;
    },
    "That is no width: 12.5 or 25, in kHz.",
  );
  const sends = read("sends", tone, TONE);
  const hears = read("hears", tone, TONE);
  const digital = text("kind") === "digital";
  const colour = read("colour", (typed) => wholeNumber(typed, 0, 15), "A colour code is 0 to 15.");
  const slot = read("slot", (typed) => wholeNumber(typed, 1, 2), "A slot is 1 or 2.");
  const word = (field: "power" | "talkgroup" | "identity") =>
    read(field, (typed) => (typed.length <= 60 ? typed : undefined), "At most 60 signs.");
  const [power, talkgroup, identity] = [word("power"), word("talkgroup"), word("identity")];
  if (Object.keys(fields).length > 0 || receive === undefined) return bad({ kind: "typed", fields });
  return good({
    name,
    receive,
    digital,
    ...(transmit !== undefined && { transmit }),
    ...(bandwidth !== undefined && { bandwidth }),
    ...(sends && sends !== "none" && { sends }),
    ...(hears && hears !== "none" && { hears }),
    ...(power !== undefined && { power }),
    ...(digital && colour !== undefined && { colour }),
    ...(digital && slot !== undefined && { slot: slot as 1 | 2 }),
    ...(digital && talkgroup !== undefined && { talkgroup }),
    ...(digital && identity !== undefined && { identity }),
  });
}

/** With its unit where the size would tell another one. */
const inMegahertz = (hertz: number): string => {
  const plain = String(hertz / 1e6);
  return typedFrequency(plain) === hertz ? plain : `${plain} MHz`;
};

/** A channel as the form's texts: read again, it is the same. */
export const formOf = (one: PlanMember): Required<ChannelForm> => ({
  name: one.name,
  receive: inMegahertz(one.receive),
  transmit: one.transmit === undefined ? "off" : inMegahertz(one.transmit),
  width:
    one.bandwidth === undefined
      ? ""
      : String(one.bandwidth >= 1_000_000 ? one.bandwidth : one.bandwidth / 1000),
  sends: toneText(one.sends),
  hears: toneText(one.hears),
  power: one.power ?? "",
  kind: one.digital ? "digital" : "analogue",
  colour: one.colour === undefined ? "" : String(one.colour),
  slot: one.slot === undefined ? "" : String(one.slot),
  talkgroup: one.talkgroup ?? "",
  identity: one.identity ?? "",
});
