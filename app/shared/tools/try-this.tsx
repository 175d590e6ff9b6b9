// The demo is a story that one can walk: five things to try, for each role.
import type { Role } from "#core/club/index.ts";
import { ActForm } from "../../forms/act-form.tsx";
import { useClub, useMay } from "../../ui/club.ts";
import { Go } from "../../ui/go.tsx";

export const TRY: Readonly<Record<Role, readonly (readonly [to: string, what: string, shows: string])[]>> = {
  keeper: [
    [
      "/units/W-08#needs",
      "Why is W-08 mossy?",
      "A withdrawn release, the way out of it, and with which lead.",
    ],
    ["/club", "Make a policy stricter, and only look", "Open a group and see whom it would touch."],
    ["/kit/get", "What should be bought?", "For the money you name, what lets most radios be reached."],
    [
      "/codeplugs/plan",
      "Which models cannot carry the plan?",
      "The plan of channels beside each model's table.",
    ],
    ["/log?words=battery", "What failed on a flat battery?", "The log, searched by a word."],
  ],
  bench: [
    ["/units/W-03", "Read W-03", "Type 1.14, and see what it means before it is recorded."],
    [
      "/bench/practice",
      "Flash where nothing can break",
      "A simulated radio stops half-way, as real ones do.",
    ],
    ["/kit/which-lead", "Which lead is this?", "Paste f1c7:3400 and see which leads have that chip."],
    ["/models/which", "Which model is this?", "By its label, its screen and its serial number."],
    [
      "/units/W-10?write#write-down",
      "Write down last week's work",
      "The day it was, with which lead, and whether it worked.",
    ],
  ],
  member: [
    ["/mine", "Is my radio all right?", "What it runs, what that means, when it is due back."],
    ["/mine#ask", "Whom would I ask?", "The keepers, and how to reach them."],
    [
      "/bench/pairing",
      "Pair a button where nothing can break",
      "Pressed too late, a PIN that expires: without harm.",
    ],
    ["/cabinet?lens=who", "Who has the other radios?", "The wall, seen by who has them."],
    ["/manual", "How it all goes together", "A short manual, in the order of the work."],
  ],
};

/** `offered`: it is the demo, and nobody has put the card away. */
export function TryThis({ offered }: { readonly offered: boolean }) {
  const { role } = useClub();
  const mayLeave = useMay("edit-club");
  if (!offered) return null;
  return (
    <section aria-label="Try this" className="mb-4 border border-brass bg-plate p-3 text-secondary-content">
      <details open={role !== "keeper" || undefined}>
        <summary className="cursor-pointer font-serif font-bold">Try this: five things in the demo</summary>
        <ol className="mt-2 flex list-decimal flex-col gap-1.5 pl-5 text-sm">
          {TRY[role].map(([to, what, shows]) => (
            <li key={to}>
              <Go to={to} className="font-semibold underline underline-offset-2">
                {what}
              </Go>{" "}
              {shows}
            </li>
          ))}
        </ol>
        {mayLeave && (
          <ActForm action="/cabinet" className="mt-2">
            <button type="submit" name="step" value="try" className="text-sm underline underline-offset-2">
              Put this card away
            </button>
          </ActForm>
        )}
      </details>
    </section>
  );
}
