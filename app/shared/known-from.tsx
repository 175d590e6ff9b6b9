// How well a fact stands: where it is known from, who saw it last and on which firmware; and one press to confirm it.

import type { Source } from "#core/quantities/index.ts";
import type { Confirmable } from "#db/model/index.ts";
import { ActForm } from "../forms/act-form.tsx";
import { useClub, useMay } from "../ui/club.ts";
import { counted } from "../ui/words/count.ts";
import { saySource } from "../ui/words/step.ts";
import { sayDate } from "../ui/words/time.ts";

export type ShownConfirmed = {
  readonly kind: Confirmable;
  readonly subject: string;
  readonly times: number;
  readonly on: readonly string[];
  readonly by: string;
  readonly firmware: string;
  readonly date: Parameters<typeof sayDate>[0];
};

/** How well a fact stands: who saw it last, and on which firmware; or that nobody has. */
export function Confirmed({
  of,
  runs,
}: {
  readonly of: ShownConfirmed | undefined;
  readonly runs?: string | undefined;
}) {
  const { locale, today } = useClub();
  if (!of) return <span className="doubt-thin px-1">nobody has confirmed it</span>;
  const elsewhere = runs !== undefined && !of.on.includes(runs);
  return (
    <span className={elsewhere ? "doubt-thin px-1" : ""}>
      confirmed {counted(of.times, "time")}, last by {of.by.split(" ")[0]} on{" "}
      {sayDate(of.date, locale, today)}
      {of.firmware && ` with ${of.firmware}`}
      {elsewhere && `; not on ${runs}, which it runs`}
    </span>
  );
}

const CONFIRM_FORM = "confirm-fact";

/** The one form that all presses of a page belong to: a dossier has a hundred of them. */
export function ConfirmForm() {
  return <ActForm intent="confirm" id={CONFIRM_FORM} preventScrollReset className="hidden"></ActForm>;
}

/** Source and confirmations of a fact in one line, with the press that adds one. */
export function KnownFrom(props: {
  readonly kind: Confirmable;
  readonly subject: string;
  /** What the fact is, for those who hear the page: the presses of a list sound alike. */
  readonly what: string;
  readonly source: Source | null | undefined;
  readonly confirmed: readonly ShownConfirmed[];
  /** In a table, where the same doubt in every row would drown the rest. */
  readonly brief?: boolean;
}) {
  const mayConfirm = useMay("confirm-fact");
  const { kind, subject } = props;
  const known = props.confirmed.find((c) => c.kind === kind && c.subject === subject);
  const size = props.brief ? "text-xs" : "text-sm";
  return (
    <div className={`flex flex-wrap items-baseline gap-x-3 text-quiet ${size}`}>
      <span>
        {saySource(props.source)}; {props.brief && !known ? "unconfirmed" : <Confirmed of={known} />}
      </span>
      {mayConfirm && (
        <button
          type="submit"
          form={CONFIRM_FORM}
          name="fact"
          value={`${kind} ${subject}`}
          className={`link ${size}`}
          aria-label={`I have seen it too: ${props.what}`}
        >
          I have seen it too
        </button>
      )}
    </div>
  );
}
