// The step editor, one line a step: each line is read as it is typed, and the key card of the current one is drawn. Lines move with Alt and the arrows, or by dragging.
import { useRef, useState } from "react";
import { flushSync } from "react-dom";
import { type Layout, parseStep, readSteps, STEP_EXAMPLES } from "#core/dossier/index.ts";
import { KeyCard } from "../../ui/key-card.tsx";
import { sayLineProblem, sayStepAndSigns } from "../../ui/words/step.ts";

const linesOf = (text: string): string[] => text.split("\n");

/** The text with one line put in another's place, those between moved up or down. */
export function moveLine(text: string, from: number, to: number): string {
  const lines = linesOf(text);
  const [line] = lines.splice(from, 1);
  if (line === undefined || to < 0 || to > lines.length) return text;
  lines.splice(to, 0, line);
  return lines.join("\n");
}

export function StepEditor(props: {
  readonly initial: string;
  readonly layout: Layout | undefined;
  readonly trouble: string | undefined;
}) {
  const [text, setText] = useState(props.initial);
  const [at, setAt] = useState(0);
  const [dragged, setDragged] = useState<number>();
  const field = useRef<HTMLTextAreaElement>(null);
  const { problems } = readSteps(text, props.layout);
  const lines = linesOf(text);
  const current = parseStep(lines[at] ?? "");
  const shown = current.ok ? current.value : undefined;

  const follow = () => {
    const before = field.current?.value.slice(0, field.current.selectionStart) ?? "";
    setAt(linesOf(before).length - 1);
  };
  const move = (from: number, to: number) => {
    const moved = moveLine(text, from, to);
    if (moved === text || !field.current) return;
    field.current.value = moved;
    field.current.dispatchEvent(new Event("input", { bubbles: true }));
    // The cursor goes with its line, before another key can move it.
    flushSync(() => {
      setText(moved);
      setAt(to);
    });
    const start = linesOf(moved).slice(0, to).join("\n").length + (to > 0 ? 1 : 0);
    field.current.setSelectionRange(start, start);
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (!event.altKey || (event.key !== "ArrowUp" && event.key !== "ArrowDown")) return;
    event.preventDefault();
    move(at, at + (event.key === "ArrowDown" ? 1 : -1));
  };

  return (
    <div className="grid gap-x-6 gap-y-3 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <div className="min-w-0">
        <label htmlFor="steps" className="mb-1 block text-sm font-semibold">
          Steps, one a line
        </label>
        <textarea
          id="steps"
          name="steps"
          ref={field}
          rows={Math.max(8, lines.length + 1)}
          defaultValue={props.initial}
          onChange={(event) => setText(event.target.value)}
          onSelect={follow}
          onKeyDown={onKeyDown}
          spellCheck={false}
          aria-invalid={props.trouble ? true : undefined}
          aria-describedby="steps-trouble steps-hint"
          className="textarea ver w-full text-base leading-7"
        />
        <p id="steps-hint" className="mt-1 text-sm text-quiet">
          Alt with the arrows moves a line.
        </p>
        <div id="steps-trouble" role="status" className="min-h-6 text-sm font-semibold text-rust">
          {text.trim() === "" && props.trouble}
          {problems.slice(0, 4).map((problem) => (
            <p key={JSON.stringify(problem)}>{sayLineProblem(problem)}</p>
          ))}
        </div>
        <ol className="mt-1 flex flex-col" aria-label="The steps as they are read">
          {lines.map((line, i) => {
            const read = parseStep(line);
            if (line.trim() === "") return null;
            return (
              <li
                // biome-ignore lint/suspicious/noArrayIndexKey: a line is known by its place
                key={i}
                draggable
                onDragStart={() => setDragged(i)}
                onDragOver={(event) => event.preventDefault()}
                onDrop={() => {
                  if (dragged !== undefined) move(dragged, i);
                  setDragged(undefined);
                }}
                className={`flex cursor-grab items-baseline gap-3 border-t border-line px-2 py-1.5 ${i === at ? "bg-plate" : ""} ${dragged === i ? "opacity-50" : ""}`}
              >
                <span className="tag text-quiet">{i + 1}</span>
                <span className={read.ok ? "grow" : "doubt-thin grow px-1"}>
                  {read.ok ? sayStepAndSigns(read.value) : line}
                </span>
                <button
                  type="button"
                  className="link text-sm"
                  aria-label={`Line ${i + 1} up`}
                  onClick={() => move(i, i - 1)}
                >
                  up
                </button>
                <button
                  type="button"
                  className="link text-sm"
                  aria-label={`Line ${i + 1} down`}
                  onClick={() => move(i, i + 1)}
                >
                  down
                </button>
              </li>
            );
          })}
        </ol>
      </div>
      <div className="flex flex-col gap-3">
        {props.layout ? (
          <div className="sheet p-3">
            <KeyCard layout={props.layout} step={shown} />
            <p className="mt-1 text-center text-sm">
              {shown ? sayStepAndSigns(shown) : "The keys of this model."}
            </p>
          </div>
        ) : (
          <p className="doubt p-3 text-sm">
            This model's keys are not described yet, so no card can be drawn.
          </p>
        )}
        <details className="text-sm">
          <summary className="link w-fit cursor-pointer list-none">How steps are written</summary>
          <ul className="ver mt-1 flex flex-col gap-0.5">
            {STEP_EXAMPLES.map((example) => (
              <li key={example}>{example}</li>
            ))}
          </ul>
        </details>
      </div>
    </div>
  );
}
