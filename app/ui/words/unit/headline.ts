// The one sentence at the head of a radio: how it stands, of which part that is said, and whether anything follows from it.
import type { PlainDate } from "#core/quantities/index.ts";
import { type Standing, worstOf } from "#core/unit/index.ts";
import { capital } from "../capital.ts";
import { counted } from "../count.ts";
import { sayDate } from "../time.ts";
import { type Names, sayStanding } from "./standing.ts";

type Part = {
  readonly component: { readonly id: string; readonly name: string };
  readonly standing: Standing;
};
type Wanted = {
  readonly followsStanding: boolean;
  readonly component_id: string | null;
  readonly due_from: PlainDate;
};

/** Of several parts the one that is spoken of is named; of releases that nobody wants it is said that they are not wanted. */
export function sayHeadline(parts: readonly Part[], needs: readonly Wanted[], names: Names): string {
  const worst = worstOf(parts);
  if (!worst) return "Nothing is known of its model";
  const { component, standing } = worst;
  if (standing.standing === "unread" && parts.some((part) => part.standing.standing !== "unread"))
    return `We have not read its ${component.name} yet`;
  const isOne = parts.length === 1 || standing.standing === "current" || standing.standing === "unread";
  const said = isOne ? sayOne() : `${component.name}: ${sayOne()}`;
  return capital(said);

  function sayOne(): string {
    if (standing.standing !== "behind" || !standing.behind) return sayStanding(standing, names);
    const days = needs
      .filter((need) => need.component_id === component.id && need.followsStanding)
      .map((need) => need.due_from)
      .sort();
    const [first] = days;
    if (first === undefined) {
      const newer = counted(standing.behind.newer.length, "newer release");
      return `as it should be; ${newer} ${standing.behind.newer.length === 1 ? "is" : "are"} not wanted`;
    }
    return first > names.today
      ? `${sayStanding(standing, names)}, held back until ${sayDate(first, names.locale, names.today)}`
      : sayStanding(standing, names);
  }
}
