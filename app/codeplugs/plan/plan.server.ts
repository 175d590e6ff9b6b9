// What is pressed on the page of the plan: each press is one change of the draft, or issues or drops it.
import { changePlan } from "#acts/codeplug/change-plan.ts";
import { dropPlan } from "#acts/codeplug/drop-plan.ts";
import { issuePlan } from "#acts/codeplug/issue-plan.ts";
import {
  CHANNEL_FORM,
  MOST_BLOCKS,
  MOST_MEMBERS,
  readChannelTable,
  typedChannel,
} from "#core/codeplug/index.ts";
import type { SignedIn } from "../../context.ts";
import { type ProblemsOf, performForm } from "../../forms/perform.server.ts";
import { type ActAnswer, answer, textsOf } from "../../shared/act-answer.server.ts";
import { answerProblem, type OwnWords } from "../../shared/refusals.server.ts";
import { ruleIn } from "./rule-form.ts";

export type PlanAnswer = ActAnswer & { readonly fields?: Readonly<Record<string, string>> };

const number = (form: FormData, name: string) => {
  const text = String(form.get(name) ?? "");
  return /^\d{1,6}$/.test(text) ? Number(text) : -1;
};

export async function planByForm(who: SignedIn, form: FormData) {
  const intent = String(form.get("intent") ?? "");
  const refused = (status: number, says: string, fields: Readonly<Record<string, string>> = {}) =>
    answer(status, { ok: false, intent, says, kept: textsOf(form), fields } as PlanAnswer);
  const version = number(form, "version");
  if (intent === "issue" || intent === "drop") {
    const done =
      intent === "issue"
        ? await performForm(issuePlan, who, form, { version })
        : await performForm(dropPlan, who, form, { version });
    if (!done.ok) return answerProblem(intent, form, done.problem, OWN);
    return answer(200, {
      ok: true,
      intent,
      says: intent === "issue" ? "Issued: it counts from now on." : "Dropped.",
    });
  }
  const change = changeIn(intent, form);
  if (isWrong(change)) return refused(400, change.says, change.fields);
  const done = await performForm(changePlan, who, form, { version, change });
  return done.ok
    ? answer(200, { ok: true, intent, says: "" })
    : answerProblem(intent, form, done.problem, OWN);
}

type Change = { readonly do: string; readonly [more: string]: unknown };
const isWrong = (one: Change | Wrong): one is Wrong => !("do" in one);
type Wrong = { readonly says: string; readonly fields?: Readonly<Record<string, string>> };

function changeIn(intent: string, form: FormData): Change | Wrong {
  const block = number(form, "block");
  switch (intent) {
    case "add-block":
    case "change-block": {
      const head = headIn(form);
      return "says" in head ? head : { do: intent, block, head: head.head };
    }
    case "remove-block":
      return { do: intent, block };
    case "move-block":
      return { do: intent, block, to: number(form, "to") };
    case "remove-member":
      return { do: intent, block, member: number(form, "member") };
    case "move-member": {
      const toBlock = form.has("toBlock") ? number(form, "toBlock") : block;
      return { do: intent, block, member: number(form, "member"), toBlock, to: number(form, "to") };
    }
    case "add-member":
    case "change-member": {
      const texts = Object.fromEntries(CHANNEL_FORM.map((name) => [name, String(form.get(name) ?? "")]));
      const read = typedChannel(texts);
      if (!read.ok)
        return { says: "Some of it cannot be read: see beside the fields.", fields: read.problem.fields };
      return intent === "add-member"
        ? { do: "add-members", block, members: [read.value] }
        : { do: intent, block, member: number(form, "member"), channel: read.value };
    }
    case "paste-members": {
      const read = readChannelTable(String(form.get("text") ?? ""));
      if (!read.ok) return { says: "That is no table of channels: paste it with its headings." };
      const [odd] = read.value.odd;
      if (odd)
        return {
          says: `Row ${odd.row}, ${odd.column}: “${odd.cell.slice(0, 40)}” is not ${odd.wanted}. Nothing was added.`,
        };
      return {
        do: "add-members",
        block,
        members: read.value.channels.map(({ position: _, ...member }) => member),
      };
    }
    default:
      return { says: "This page does not know that." };
  }
}

function headIn(form: FormData): { readonly head: object } | Wrong {
  const text = (name: string) => String(form.get(name) ?? "").trim();
  const at = text("at");
  const fields: Record<string, string> = {};
  if (text("name") === "") fields.name = "A block has a name.";
  if (at !== "" && !/^[1-9]\d{0,4}$/.test(at)) fields.at = "A position is a number from 1 on, or empty.";
  const rule = form.get("by") === "rule" ? ruleIn(text) : undefined;
  if (rule && !rule.ok) Object.assign(fields, rule.problem.fields);
  if (Object.keys(fields).length > 0)
    return { says: "Some of it cannot be read: see beside the fields.", fields };
  return {
    head: {
      name: text("name").slice(0, 60),
      purpose: text("purpose").slice(0, 80),
      priority: number(form, "priority"),
      listens: form.get("listens") === "on",
      ...(at !== "" && { at: Number(at) }),
      ...(rule?.ok && { rule: rule.value }),
    },
  };
}

type Problem = ProblemsOf<typeof issuePlan> | ProblemsOf<typeof dropPlan> | ProblemsOf<typeof changePlan>;

const OWN: OwnWords<Problem> = {
  meanwhile: "Somebody else has changed the draft meanwhile. This is how it is now: look, and do it again.",
  "not-there": "That is not there any more.",
  "same-name": "Another block has that name.",
  "too-many": `That is too much: ${MOST_BLOCKS} blocks, and ${MOST_MEMBERS} channels in each, at most.`,
  "by-rule": "Which repeaters are in it follows from its rule: change that.",
  empty: "A plan without a block cannot be issued.",
  "no-model": {
    status: 409,
    says: "No model takes any of it: note first, on each model's page of codeplugs, how many channels it holds.",
    cure: { to: "/codeplugs", says: "To the models" },
  },
};
