// The words of all kinds of need, and what is said of any of them.
import {
  type Action,
  type NeedCause,
  type NeedKind,
  type Reason,
  type SummaryKind,
  type Target,
  targetOn,
} from "#core/needs/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { sayDate } from "../time.ts";
import type { Names } from "../unit/standing.ts";
import { backup } from "./backup.ts";
import { catalogue } from "./catalogue.ts";
import { codeplug } from "./codeplug.ts";
import { firmware } from "./firmware.ts";
import { identity } from "./identity.ts";
import type { Counted, GroupWords, ItemWords, SaidFact, Saying, WordsOfNeed } from "./kind.ts";
import { loan } from "./loan.ts";
import { measurement } from "./measurement.ts";
import { mode } from "./mode.ts";
import { pairing } from "./pairing.ts";
import { reading } from "./reading.ts";

const WORDS: { readonly [Kind in NeedKind]: WordsOfNeed<Kind> } = {
  firmware,
  reading,
  catalogue,
  backup,
  mode,
  measurement,
  pairing,
  codeplug,
  identity,
  loan,
};

/** A group of Due for what is with somebody, whatever it is needed for. */
const SHARED_GROUPS: Readonly<Record<"ask-back", GroupWords>> = {
  "ask-back": { title: "Away", says: "with somebody; they must come in first" },
};
const SHARED_ITEMS: Readonly<Record<"ask-back", (item: Counted) => ItemWords>> = {
  "ask-back": ({ radios, tags }) => ({
    mark: "border-dashed border-quiet",
    head: `${radios} needed, but away`,
    text: tags,
    act: "Ask for them",
    to: "/due?do=ask-back",
  }),
};

type Part = Readonly<Record<string, (...given: never[]) => unknown>>;
const together = <All>(pick: (words: (typeof WORDS)[NeedKind]) => unknown): All =>
  Object.assign({}, ...Object.values(WORDS).map(pick)) as All;

export const GROUP_WORDS: Readonly<Record<Action, GroupWords>> = {
  ...SHARED_GROUPS,
  ...together<Omit<Record<Action, GroupWords>, "ask-back">>((words) => words.groups),
};
export const ITEM_WORDS: Readonly<Record<SummaryKind, (item: Counted) => ItemWords>> = {
  ...SHARED_ITEMS,
  ...together<Omit<Record<SummaryKind, (item: Counted) => ItemWords>, "ask-back">>((words) => words.items),
};
const CAUSE_WORDS = together<Readonly<Record<NeedCause, (to: string | undefined) => string>>>(
  (words) => words.causes,
);
const REASON_WORDS = together<Part>((words) => words.reasons);

type SaidNeed = {
  readonly kind: NeedKind;
  readonly cause: NeedCause;
  readonly component: string;
  readonly targets: readonly Target[];
};

/** A need as one sentence. `many`: of which part it is, is said where that is told of its kind. */
export function sayNeed(need: SaidNeed, names: Names, many: boolean): string {
  const target = targetOn(need, names.today);
  const which = many && WORDS[need.kind].namesPart ? `${need.component}: ` : "";
  return which + CAUSE_WORDS[need.cause](target === undefined ? undefined : names.release(target));
}

export const saySince = ({ dueFrom }: { readonly dueFrom: PlainDate }, names: Names): string =>
  `since ${sayDate(dueFrom, names.locale, names.today)}`;

/** A reason that is a kind's own, in its words; undefined for what standings are told by. */
export function sayReason(reason: Reason, saying: Saying): SaidFact | undefined {
  const say = REASON_WORDS[reason.kind] as ((reason: Reason, saying: Saying) => SaidFact) | undefined;
  return say?.(reason, saying);
}

/** What comes next for a radio, for whoever takes it off the bench. */
export const sayNext = (kind: NeedKind, part: string): string => WORDS[kind].next(part);

/** What is pressed about a need on a radio's page. */
export const pressOf = (kind: NeedKind) => WORDS[kind].press;
