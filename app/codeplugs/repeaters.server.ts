// What is pressed on the page of repeaters: heard, confirmed, written down, taken out, brought in as a table.
import { importRepeaters } from "#acts/codeplug/import-repeaters.ts";
import { noteHeard } from "#acts/codeplug/note-heard.ts";
import { shelveRepeater } from "#acts/codeplug/shelve-repeater.ts";
import { writeRepeater } from "#acts/codeplug/write-repeater.ts";
import { CHANNEL_FORM, formOf, memberOf, readRepeaterTable, typedChannel } from "#core/codeplug/index.ts";
import { decodeTable } from "#core/import/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { listed, repeaterById } from "#db/codeplug/index.ts";
import type { Tx } from "#db/pool.ts";
import type { SignedIn } from "../context.ts";
import { fieldText, performForm } from "../forms/perform.server.ts";
import { saveForm } from "../forms/save.server.ts";
import { type ActAnswer, answer, answerRefused, textsOf } from "../shared/act-answer.server.ts";
import { answerProblem, refusalOf } from "../shared/refusals.server.ts";
import { counted } from "../ui/words/count.ts";
import { drawnRepeater } from "./drawn-repeater.ts";

export type RepeaterAnswer = ActAnswer & { readonly fields?: Readonly<Record<string, string>> };
const LARGEST = 2 * 1024 * 1024;

const drawnNow = async (tx: Tx, repeater: string | undefined) => {
  const row = repeater === undefined ? undefined : await repeaterById(tx, repeater);
  return row && drawnRepeater({ ...row, form: formOf(memberOf(listed(row))) });
};

export async function repeatersByForm(tx: Tx, who: SignedIn, form: FormData) {
  const intent = String(form.get("intent") ?? "");
  const refused = (status: number, says: string, fields: Readonly<Record<string, string>> = {}) =>
    answer(status, { ok: false, intent, says, kept: textsOf(form), fields } as RepeaterAnswer);
  const fine = (says: string) => answer(200, { ok: true, intent, says });
  const gone = () => refused(404, "That repeater is not in the directory any more.");
  if (intent === "heard" || intent === "confirmed") {
    const done = await performForm(noteHeard, who, form, { how: intent });
    return done.ok ? fine(intent === "heard" ? "Noted: heard today." : "Noted: it is as it stands.") : gone();
  }
  if (intent === "shelve") {
    const done = await performForm(shelveRepeater, who, form);
    return done.ok ? fine("Taken out.") : gone();
  }
  if (intent === "import") return bringIn(who, form, refused, fine);
  if (intent !== "write") return refused(400, "This page does not know that.");
  const repeater = fieldText(form, "repeater");
  const done = await saveForm(writeRepeater, who, form, {
    read: (one) => {
      const fields = fieldsIn(one);
      return "wrong" in fields
        ? bad({ kind: "fields", errors: fields.wrong ?? {} })
        : good({ repeater, fields });
    },
    drawn: () => drawnNow(tx, repeater),
  });
  if (done.ok) return fine("Written down.");
  const { problem } = done;
  if (problem.kind === "refused") {
    const { status, errors } = problem.refused;
    if (status === 409) return answerRefused(intent, problem.refused);
    return refused(
      status,
      "Some of it cannot be read: see beside the fields.",
      errors as Record<string, string>,
    );
  }
  if (problem.kind === "no-repeater") return gone();
  return answerProblem(intent, form, problem, {
    taken: "Another of that name is on that frequency already.",
  });
}

type Refused = (status: number, says: string) => ReturnType<typeof answer>;

async function bringIn(
  who: SignedIn,
  form: FormData,
  refused: Refused,
  fine: (says: string) => ReturnType<typeof answer>,
) {
  const file = form.get("file");
  const isFile = file instanceof File && file.size > 0;
  if (isFile && file.size > LARGEST) return refused(413, "A table of repeaters has 2 MB at most.");
  const decoded = isFile ? decodeTable(new Uint8Array(await file.arrayBuffer())) : undefined;
  if (decoded && !decoded.ok) return refused(400, "That is no table: repeaters come as CSV.");
  const text = decoded?.ok ? decoded.value.text : String(form.get("text") ?? "");
  const read = readRepeaterTable(text);
  if (!read.ok)
    return refused(
      400,
      read.problem.kind === "no-receive"
        ? "No column of it could be what a radio receives on: give one a heading such as RX MHz."
        : "That is no table of repeaters: paste it with its headings.",
    );
  const { list, odd } = read.value;
  const [first] = odd;
  if (first && form.get("anyway") !== "on")
    return refused(
      409,
      `Row ${first.row}, ${first.column}: “${first.cell.slice(0, 40)}” is not ${first.wanted}${odd.length > 1 ? `, and ${odd.length - 1} more like that` : ""}. Mend it, or bring in what can be read.`,
    );
  const done = await performForm(importRepeaters, who, form, {
    name: isFile ? file.name.slice(0, 200) : "",
    list: list.map(({ channel, open, ...place }) => ({
      name: channel.name.slice(0, 60),
      receive: channel.receive,
      transmit: channel.transmit ?? channel.receive,
      digital: channel.digital,
      open,
      note: "",
      ...place,
      access: {
        ...(channel.sends && { sends: channel.sends }),
        ...(channel.hears && { hears: channel.hears }),
        ...(channel.colour !== undefined && { colour: channel.colour }),
        ...(channel.slot !== undefined && { slot: channel.slot }),
        ...(channel.talkgroup !== undefined && { talkgroup: channel.talkgroup }),
      },
    })),
  });
  if (done.ok) {
    const { added, changed } = done.value.answer;
    return fine(`${counted(added, "repeater")} added, ${changed} changed; nothing was taken out.`);
  }
  const { status, says } = refusalOf(done.problem, {});
  return refused(status, says);
}

function fieldsIn(form: FormData) {
  const texts = Object.fromEntries(CHANNEL_FORM.map((name) => [name, String(form.get(name) ?? "")]));
  const read = typedChannel(texts);
  const wrong: Record<string, string> = read.ok ? {} : { ...read.problem.fields };
  const degrees = (name: "latitude" | "longitude", most: number) => {
    const typed = String(form.get(name) ?? "")
      .trim()
      .replace(",", ".");
    if (typed === "") return undefined;
    if (/^[+-]?\d{1,3}(\.\d+)?$/.test(typed) && Math.abs(Number(typed)) <= most) return Number(typed);
    wrong[name] = "Degrees, such as 54.87.";
    return undefined;
  };
  const place = { latitude: degrees("latitude", 90), longitude: degrees("longitude", 180) };
  if (read.ok && read.value.transmit === undefined) wrong.transmit = "A repeater listens somewhere.";
  if (!read.ok || Object.keys(wrong).length > 0) return { wrong };
  const { name, receive, transmit = receive, digital, sends, hears, colour, slot, talkgroup } = read.value;
  return {
    name,
    receive,
    transmit,
    digital,
    open: form.get("open") === "on",
    ...place,
    access: {
      ...(sends && { sends }),
      ...(hears && { hears }),
      ...(colour !== undefined && { colour }),
      ...(slot !== undefined && { slot }),
      ...(talkgroup !== undefined && { talkgroup }),
    },
    note: String(form.get("note") ?? ""),
  };
}
