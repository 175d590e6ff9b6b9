// What a new club does first, with what each step brings: done when done, gone when not wanted.
import { Link } from "react-router";
import type { Begun, FirstStep, StepNow } from "#core/club/index.ts";
import { ActForm } from "../forms/act-form.tsx";
import { useMay } from "../ui/club.ts";
import { counted } from "../ui/words/count.ts";

type Words = {
  readonly what: string;
  readonly brings: string;
  readonly ways: readonly (readonly [to: string, says: string])[];
};

function wordsOf(step: FirstStep, { unread, bareModel, bare, connectors, leads, computers }: Begun): Words {
  switch (step) {
    case "radios":
      return {
        what: "The radios",
        brings: "What is in the cabinet, and where.",
        ways: [
          ["/units/new", "Type one radio"],
          ["/import", "Bring in a spreadsheet"],
          ["/models/bring-in", "Bring in a dossier from elsewhere"],
        ],
      };
    case "releases":
      return {
        what:
          bare > 1
            ? `The releases of ${counted(bare, "model")}`
            : `The releases of ${bareModel?.name ?? "their models"}`,
        brings: "Which radios are behind, and since when: with nothing to compare with, nothing is said.",
        ways: bareModel
          ? [
              [`/models/${bareModel.id}/releases/new`, `Add a release of ${bareModel.name}`],
              ["/models/bring-in", "Bring in a dossier"],
            ]
          : [["/models", "See the models"]],
      };
    case "readings":
      return {
        what: "What the radios run",
        brings: "A verdict: read one, and it is told what it needs.",
        ways: unread === undefined ? [] : [[`/units/${encodeURIComponent(unread)}`, `Read ${unread}`]],
      };
    case "kit":
      return {
        what: "Connectors, leads and computers",
        brings: "With what each radio can be reached, and what to get where it cannot.",
        ways: [
          ["/kit/in-hand", "Enter a plug, a lead and a computer"] as const,
          ...(connectors === 0 ? [["/kit/connectors/new", "Add a connector"] as const] : []),
          ...(leads === 0 ? [["/kit/leads/new", "Add a lead"] as const] : []),
          ...(computers === 0 ? [["/kit/computers/new", "Add a computer"] as const] : []),
        ],
      };
    case "people":
      return {
        what: "The people",
        brings: "A member sees the radio they have; a bench hand does the work; the log tells who it was.",
        ways: [["/club/people/new", "Add a person"]],
      };
  }
}

const MARK = {
  done: "bg-primary",
  next: "border-4 border-brass",
  later: "border-dashed border-quiet",
} as const;
const SAYS = { done: "done", next: "next", later: "later" } as const;

/** `apart`: something else follows. */
export function FirstSteps(props: {
  readonly steps: readonly StepNow[];
  readonly begun: Begun;
  readonly apart: boolean;
}) {
  const { steps, begun, apart } = props;
  const mayLeave = useMay("edit-club");
  return (
    <section aria-labelledby="first-steps" className={apart ? "mb-4 border-b-2 border-brass pb-2" : ""}>
      <h2 id="first-steps">What comes next</h2>
      <ol className="divide-y divide-line">
        {steps.map(({ step, state }) => {
          const { what, brings, ways } = wordsOf(step, begun);
          return (
            <li key={step} className="flex gap-3 py-3" aria-current={state === "next" ? "step" : undefined}>
              <span aria-hidden="true" className={`mt-1 size-4 shrink-0 border ${MARK[state]}`} />
              <div className="min-w-0 grow">
                <h3 className="font-sans text-[0.95rem]">
                  {what} <span className="font-normal text-quiet text-sm">{SAYS[state]}</span>
                </h3>
                {state !== "done" && <p className="text-sm text-quiet">{brings}</p>}
                {state !== "done" && step !== "radios" && (
                  <div className="flex flex-wrap items-center gap-x-3">
                    {ways.map(([to, says]) => (
                      <Link key={to} to={to} className="link text-sm">
                        {says}
                      </Link>
                    ))}
                    {mayLeave && (
                      <ActForm intent="not-wanted" className="inline">
                        <button
                          type="submit"
                          name="step"
                          value={step}
                          className="link text-sm text-quiet"
                          aria-label={`Not wanted: ${what}`}
                        >
                          not wanted
                        </button>
                      </ActForm>
                    )}
                  </div>
                )}
              </div>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** A cabinet without a radio: the ways in, each as large as the others. */
export function EmptyCabinet({ begun }: { readonly begun: Begun }) {
  const may = {
    "/units/new": useMay("edit-unit"),
    "/import": useMay("import-units"),
    "/models/bring-in": useMay("edit-model"),
  };
  const ways = wordsOf("radios", begun).ways.filter(([to]) => may[to as keyof typeof may]);
  return (
    <div className="mt-4">
      <h2>The cabinet is empty</h2>
      <p className="mt-1 text-quiet">
        No radio has been put in yet
        {ways.length > 0
          ? `. ${`${NUMBER[ways.length]} ${ways.length === 1 ? "way" : "ways"}`} in:`
          : "; a keeper or a bench hand does it."}
      </p>
      <ul className="mt-4 grid gap-4 sm:grid-cols-3">
        {ways.map(([to, says]) => (
          <li key={to}>
            <Link
              to={to}
              className="cut flex h-full flex-col gap-2 border border-brass bg-plate p-4 hover:bg-base-100"
            >
              <strong className="font-serif text-lg">{says}</strong>
              <span className="text-sm">{WAY_SAYS[to]}</span>
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}

const NUMBER = ["No", "One", "Two", "Three"];

const WAY_SAYS: Readonly<Record<string, string>> = {
  "/units/new": "Its tag and its model are enough; the model is made in passing.",
  "/import":
    "A list as CSV or TSV with the columns you have. It is looked at with you before anything is kept.",
  "/models/bring-in":
    "What another club knows of a model: its releases, keys, procedures and traps. Then the radios.",
};
