// Channels out of a file or what was pasted: looked at with what each column is taken for, then kept.
import { keepChannels } from "#acts/keep-channels.ts";
import {
  CHANNEL_MEANINGS,
  type ChannelMeaning,
  type ChannelProblem,
  MOST_CHANNELS,
  type ReadChannels,
  readChannelTable,
} from "#core/codeplug/channel-table.ts";
import { decodeTable } from "#core/import/decode.ts";
import { FREQUENCY_UNITS } from "#core/import/numbers.ts";
import type { SignedIn } from "../context.ts";
import { firstIssue, NOT_WHOLE, performForm } from "../forms/perform.server.ts";
import { type ActAnswer, answer, textsOf } from "../shared/say-away.server.ts";

const LARGEST = 2 * 1024 * 1024;
/** So many channels and so many cells are shown before they are kept. */
const SHOWN = 12;

export type Looked = {
  readonly text: string;
  readonly name: string;
  readonly columns: ReadChannels["columns"];
  readonly unit: ReadChannels["unit"];
  readonly count: number;
  readonly first: ReadChannels["channels"];
  readonly odd: ReadChannels["odd"];
  readonly oddCount: number;
};
export type ChannelsAnswer = ActAnswer & { readonly looked?: Looked };

export async function actOnChannels(
  who: SignedIn,
  unit: { readonly id: string; readonly tag: string },
  form: FormData,
) {
  const intent = String(form.get("intent") ?? "");
  const refused = (status: number, says: string, looked?: Looked) =>
    answer(status, {
      ...{ ok: false, intent, says, kept: textsOf(form) },
      ...(looked && { looked }),
    } as ChannelsAnswer);
  const file = form.get("file");
  const isFile = file instanceof File && file.size > 0;
  if (isFile && file.size > LARGEST) return refused(413, "A table of channels has 2 MB at most.");
  const decoded = isFile ? decodeTable(new Uint8Array(await file.arrayBuffer())) : undefined;
  if (decoded && !decoded.ok) return refused(400, "That is no table: channels come as CSV.");
  const text = decoded?.ok ? decoded.value.text : String(form.get("text") ?? "");
  if (text.length > LARGEST) return refused(413, "A table of channels has 2 MB at most.");
  if (text.trim() === "") return refused(400, "Choose a file, or paste the table.");
  const name = isFile ? file.name.slice(0, 200) : String(form.get("name") ?? "").slice(0, 200);
  const asked = isFile ? [] : meaningsIn(form);
  const unitAsked = isFile ? undefined : FREQUENCY_UNITS.find((one) => one === form.get("unit"));
  const read = readChannelTable(text, {
    ...(asked.length > 0 && { columns: asked }),
    unit: unitAsked,
  });
  if (!read.ok) return refused(400, sayProblem(read.problem));
  const { channels, odd, columns } = read.value;
  const looked = {
    ...{ text, name, columns, unit: read.value.unit, count: channels.length },
    ...{ first: channels.slice(0, SHOWN), odd: odd.slice(0, SHOWN), oddCount: odd.length },
  };
  if (intent !== "keep") {
    const says = "Look whether each column is what it is taken for, then keep it.";
    return answer(200, { ok: true, intent, says, looked } as ChannelsAnswer);
  }
  const done = await performForm(keepChannels, who, form, { unit: unit.id, name, channels });
  if (done.ok) return answer(200, { ok: true, intent, says: "Kept." });
  if (done.problem.kind === "shelved")
    return refused(409, `${unit.tag} is shelved; recover it first.`, looked);
  return refused(
    400,
    done.problem.kind === "input" ? firstIssue(done.problem, NOT_WHOLE) : NOT_WHOLE,
    looked,
  );
}

function meaningsIn(form: FormData): ChannelMeaning[] {
  return form
    .getAll("column")
    .slice(0, 300)
    .map((told) => CHANNEL_MEANINGS.find((meaning) => meaning === told) ?? "ignore");
}

function sayProblem(problem: ChannelProblem): string {
  switch (problem.kind) {
    case "no-receive":
      return "No column of it could be what a radio receives on: give one of them a heading such as RX.";
    case "too-many":
      return `It has more than ${MOST_CHANNELS.toLocaleString("en-GB")} rows.`;
    case "no-rows":
      return "It has no rows under its headings.";
    case "open-quote":
      return `A quote opens in row ${problem.row} and never closes.`;
    case "too-many-rows":
      return `It has ${problem.rows} rows; ${problem.limit} at most.`;
    case "too-many-columns":
      return `It has ${problem.columns} columns; ${problem.limit} at most.`;
  }
}
