// Channels out of a file or what was pasted: looked at with what each column is taken for, then kept.
import { redirect } from "react-router";
import { keepChannels } from "#acts/codeplug/keep-channels.ts";
import { keepMapping } from "#acts/codeplug/keep-mapping.ts";
import { mendCodeplug } from "#acts/codeplug/mend-codeplug.ts";
import { mergeList as keepMerged } from "#acts/codeplug/merge-list.ts";
import {
  CHANNEL_MEANINGS,
  type ChannelMeaning,
  type ChannelProblem,
  LIST_KINDS,
  type ListKind,
  MOST_CHANNELS,
  mergeList,
  type ReadChannels,
  readChannelTable,
  typedList,
} from "#core/codeplug/index.ts";
import { decodeTable, FREQUENCY_UNITS } from "#core/import/index.ts";
import { codeplugById, mappings } from "#db/codeplug/index.ts";
import type { Tx } from "#db/pool.ts";
import type { SignedIn } from "../../context.ts";
import { NOT_WHOLE, performForm } from "../../forms/perform.server.ts";
import { type ActAnswer, answer, textsOf } from "../../shared/act-answer.server.ts";
import { beginByForm } from "../../shared/begin-run.server.ts";
import { answerProblem, answerRefusal, refusalOf } from "../../shared/refusals.server.ts";

const LARGEST = 2 * 1024 * 1024;
/** So many cells that are odd are told of before channels are kept. */
const SHOWN = 12;
/** So many channels are shown as they were read, before they are kept. */
const READ_SHOWN = 100;

export type Looked = {
  readonly text: string;
  readonly name: string;
  readonly columns: ReadChannels["columns"];
  readonly unit: ReadChannels["unit"];
  readonly count: number;
  readonly first: ReadChannels["channels"];
  readonly headSays?: ReadChannels["unit"];
  readonly odd: ReadChannels["odd"];
  readonly oddCount: number;
};
/** What a merge of lists would come to, and what laying the new one over would have broken. */
export type MergeLooked = {
  readonly text: string;
  readonly list: ListKind;
  readonly added: number;
  readonly renamed: number;
  readonly gone: number;
  readonly broken: readonly {
    readonly position: number;
    readonly meant: string;
    readonly would: string | undefined;
  }[];
  readonly brokenCount: number;
};
export type ChannelsAnswer = ActAnswer & { readonly looked?: Looked; readonly merge?: MergeLooked };

export async function actOnChannels(
  tx: Tx,
  who: SignedIn,
  unit: { readonly id: string; readonly tag: string },
  form: FormData,
) {
  const intent = String(form.get("intent") ?? "");
  if (intent === "bench") {
    const begun = await beginByForm(who, unit, form);
    if (begun.ok) throw redirect(`/bench/${begun.run}`);
    return answerRefusal(intent, form, begun);
  }
  if (intent === "mend") return mendByForm(who, unit, form);
  if (intent === "list-look" || intent === "list-merge") return mergeByForm(tx, who, unit, form, intent);
  const refused = (status: number, says: string, looked?: Looked) =>
    answer(status, {
      ok: false,
      intent,
      says,
      kept: textsOf(form),
      ...(looked && { looked }),
    } as ChannelsAnswer);
  const typed = await tableIn(form);
  if ("says" in typed) return refused(typed.status, typed.says);
  const { text, name, isFile } = typed;
  const kept = (await mappings(tx)).find(({ id }) => id === form.get("dialect"))?.mapping;
  const asked = isFile ? [] : meaningsIn(form);
  const unitAsked = isFile ? undefined : FREQUENCY_UNITS.find((one) => one === form.get("unit"));
  const read = readChannelTable(text, {
    ...(asked.length > 0
      ? { columns: asked }
      : kept && { columns: kept.columns.map(({ meaning }) => meaning) }),
    unit: unitAsked ?? kept?.unit,
    sign: kept?.sign,
  });
  if (!read.ok) return refused(400, sayProblem(read.problem));
  const { channels, odd, columns, headSays } = read.value;
  const looked = {
    ...(headSays && { headSays }),
    text,
    name,
    columns,
    unit: read.value.unit,
    count: channels.length,
    first: channels.slice(0, READ_SHOWN),
    odd: odd.slice(0, SHOWN),
    oddCount: odd.length,
  };
  if (intent !== "keep") {
    const says = "Look whether each column is what it is taken for, then keep it.";
    return answer(200, { ok: true, intent, says, looked } as ChannelsAnswer);
  }
  const done = await performForm(keepChannels, who, form, { unit: unit.id, name, channels });
  if (!done.ok) {
    const { status, says } = refusalOf(done.problem, {}, { tag: unit.tag });
    return refused(status, says, looked);
  }
  const dialect = await keepDialect(who, form, read.value);
  const says = dialect === "" ? "Kept." : `Kept, and its dialect as ${dialect}.`;
  return answer(200, { ok: true, intent, says });
}

/** The table that was chosen or pasted, or why there is none. */
async function tableIn(form: FormData) {
  const tooLarge = { status: 413, says: "A table of channels has 2 MB at most." };
  const file = form.get("file");
  const isFile = file instanceof File && file.size > 0;
  if (isFile && file.size > LARGEST) return tooLarge;
  const decoded = isFile ? decodeTable(new Uint8Array(await file.arrayBuffer())) : undefined;
  if (decoded && !decoded.ok) return { status: 400, says: "That is no table: channels come as CSV." };
  const text = decoded?.ok ? decoded.value.text : String(form.get("text") ?? "");
  if (text.length > LARGEST) return tooLarge;
  if (text.trim() === "") return { status: 400, says: "Choose a file, or paste the table." };
  const name = isFile ? file.name : String(form.get("name") ?? "");
  return { text, name: name.slice(0, 200), isFile };
}

/** Keeps what the columns mean under the name that was given, if one was; answers that name. */
async function keepDialect(
  who: SignedIn,
  form: FormData,
  { delimiter, sign, unit, columns }: ReadChannels,
): Promise<string> {
  const dialect = String(form.get("keepAs") ?? "")
    .trim()
    .slice(0, 60);
  if (dialect === "") return dialect;
  const heads = columns.map(({ head, meaning }) => ({ head: head.slice(0, 200), meaning }));
  await performForm(keepMapping, who, form, {
    name: dialect,
    mapping: { delimiter, sign, unit, columns: heads },
  });
  return dialect;
}

async function mendByForm(
  who: SignedIn,
  unit: { readonly id: string; readonly tag: string },
  form: FormData,
) {
  const done = await performForm(mendCodeplug, who, form, { unit: unit.id });
  if (done.ok)
    throw redirect(`/units/${encodeURIComponent(unit.tag)}/channels?of=${done.value.answer.codeplug}`);
  const own = { nothing: "That changes nothing.", "no-codeplug": "That table is not known any more." };
  return answerProblem("mend", form, done.problem, own, { tag: unit.tag });
}

async function mergeByForm(
  tx: Tx,
  who: SignedIn,
  unit: { readonly id: string; readonly tag: string },
  form: FormData,
  intent: string,
) {
  const refused = (status: number, says: string) =>
    answer(status, { ok: false, intent, says, kept: textsOf(form) } satisfies ActAnswer);
  const list = LIST_KINDS.find((kind) => kind === form.get("list"));
  const text = String(form.get("text") ?? "");
  if (!list || text.length > LARGEST) return refused(400, NOT_WHOLE);
  const { members, odd } = typedList(text);
  if (odd[0])
    return refused(
      400,
      `Line ${odd[0].line} is no member: “${odd[0].text.slice(0, 40)}”. A number first, then a name.`,
    );
  if (members.length === 0) return refused(400, "Paste the list: a member a line.");
  const codeplug = String(form.get("codeplug") ?? "");
  const row = /^\d{1,18}$/.test(codeplug) ? await codeplugById(tx, codeplug) : undefined;
  if (row?.unit_id !== unit.id) return refused(404, "That table is not known any more.");
  if (intent === "list-look") {
    const present = (row.lists[list]?.members ?? []).map((one) => one ?? undefined);
    const { added, renamed, gone, broken } = mergeList(present, members);
    const merge: MergeLooked = {
      text,
      list,
      added: added.length,
      renamed: renamed.length,
      gone: gone.length,
      broken: broken.slice(0, SHOWN),
      brokenCount: broken.length,
    };
    return answer(200, { ok: true, intent, says: "", merge } as ChannelsAnswer);
  }
  const done = await performForm(keepMerged, who, form, { unit: unit.id, codeplug, list, incoming: members });
  if (done.ok)
    throw redirect(`/units/${encodeURIComponent(unit.tag)}/channels?of=${done.value.answer.codeplug}`);
  const own = {
    nothing: "It is the same already: nothing to merge.",
    "too-many": "It would be longer than any list may be.",
  };
  return answerProblem(intent, form, done.problem, own, { tag: unit.tag });
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
