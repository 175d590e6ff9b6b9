// One field and Enter: records what a radio shows, and answers while it is typed with what it means.
import { useCallback, useEffect, useId, useRef, useState } from "react";
import { useFetcher } from "react-router";
import { READING_SOURCES } from "#core/unit/index.ts";
import { useClub } from "../ui/club.ts";
import { SOURCE_WORDS } from "../ui/words/source.ts";
import { FormKey } from "./form-key.tsx";
import { isThere, OFFLINE } from "./offline.ts";

type Answer = {
  readonly ok: boolean;
  readonly says: string;
  readonly typed?: string;
};

/** What it would mean; nothing if the session is over: sending it then leads through the sign-in. */
async function preview(path: string, typed: string, signal: AbortSignal): Promise<Answer | undefined> {
  try {
    const answer = await fetch(`${path}/preview?typed=${encodeURIComponent(typed)}`, { signal });
    if (answer.redirected) return undefined;
    if (answer.ok) return (await answer.json()) as Answer;
  } catch {
    // Nothing answers: told below.
  }
  return { ok: false, typed, says: "What this means cannot be told just now: the records do not answer." };
}

export function ReadingField(props: {
  readonly tag: string;
  readonly components: readonly string[];
  readonly compact?: boolean;
  /** The day that a refused form held. */
  readonly readOn?: string | undefined;
  /** What was answered to the form when it came without scripts. */
  readonly answered?: Answer | undefined;
}) {
  const id = useId();
  const { locale, today } = useClub();
  const record = useFetcher<Answer>({ key: `reading-${props.tag}` });
  const [told, setTold] = useState<Answer>();
  const asking = useRef<AbortController>(undefined);
  const sending = useRef(false);
  const refused = props.answered?.ok === false ? props.answered.typed : undefined;
  const [typed, setTyped] = useState(refused ?? "");
  const path = `/units/${encodeURIComponent(props.tag)}`;
  const field = useRef<HTMLInputElement>(null);
  // Asked past the router: an answer that does not come must not take the page, and what is typed, with it.
  const ask = useCallback(
    (text: string) => {
      setTyped(text);
      asking.current?.abort();
      if (text.length > 400) return;
      const own = new AbortController();
      asking.current = own;
      preview(path, text, own.signal).then((found) => own.signal.aborted || setTold(found));
    },
    [path],
  );
  // Whoever typed before the scripts had come is answered as soon as they have.
  useEffect(() => {
    const early = field.current?.value;
    if (early) ask(early);
    return () => asking.current?.abort();
  }, [ask]);
  const settled =
    record.data && record.state === "idle" && record.data.typed === typed ? record.data : undefined;
  // An answer to what was typed before is no answer to what stands there now.
  const previewed = told?.typed === typed && typed.trim() !== "" ? told : undefined;
  const offline = previewed?.says === OFFLINE ? previewed : undefined;
  const answer = offline ?? settled ?? previewed ?? (typed === (refused ?? "") ? props.answered : undefined);
  const others = props.components.slice(1);
  return (
    <record.Form
      method="post"
      action={`${path}?reading`}
      className="w-full"
      onSubmit={async (event) => {
        event.preventDefault();
        if (sending.current || record.state !== "idle") return;
        sending.current = true;
        const form = event.currentTarget;
        const there = await isThere();
        // Said of the last try, it must not stand over the answer to this one, nor an older answer over it.
        setTold(undefined);
        if (there) record.submit(form);
        else setTold({ ok: false, typed, says: OFFLINE });
        sending.current = false;
      }}
      lang={locale}
    >
      <input type="hidden" name="intent" value="reading" />
      <FormKey answer={record.data} />
      <label htmlFor={id} className={props.compact ? "sr-only" : "mb-1 block text-sm font-semibold"}>
        What does {props.tag} show?
      </label>
      <div className="flex gap-2">
        <input
          id={id}
          name="typed"
          data-reading
          ref={field}
          defaultValue={refused}
          onChange={(event) => ask(event.target.value)}
          className={`input ver min-w-0 grow ${props.compact ? "input-sm" : "input-lg"}`}
          placeholder={others[0] ? `1.14, or ${others[0]} 2.0` : "1.14"}
          autoComplete="off"
          autoCapitalize="off"
          spellCheck={false}
          aria-describedby={`${id}-answer`}
        />
        {!props.compact && (
          <select
            name="source"
            aria-label="Where it was read"
            className="select select-lg hidden w-auto shrink-0 sm:inline-flex"
          >
            {READING_SOURCES.filter((source) => source !== "flash").map((source) => (
              <option key={source} value={source}>
                {SOURCE_WORDS[source]}
              </option>
            ))}
          </select>
        )}
        <button type="submit" className={`btn btn-primary ${props.compact ? "btn-sm" : "btn-lg"}`}>
          Record
        </button>
      </div>
      {!props.compact && (
        <details className="mt-1 text-sm" open={props.readOn !== undefined}>
          <summary className="w-fit cursor-pointer text-quiet">It was on another day</summary>
          <label className="mt-1 flex flex-wrap items-center gap-2">
            Read on
            <input
              type="date"
              name="readOn"
              max={today}
              defaultValue={props.readOn}
              className="input input-sm w-auto"
            />
            <span className="text-quiet">or before today; empty is now</span>
          </label>
        </details>
      )}
      <p
        id={`${id}-answer`}
        role="status"
        className={`mt-1 min-h-6 ${props.compact ? "text-sm" : ""} ${answer && !answer.ok ? "font-semibold text-rust" : "text-quiet"}`}
      >
        {answer?.says}
      </p>
    </record.Form>
  );
}
