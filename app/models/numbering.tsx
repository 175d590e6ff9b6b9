// How a component's versions count: the ways to choose from, what each would touch, and the press that makes it so.
import type { Numbering } from "#core/version/index.ts";
import { ActForm } from "../forms/act-form.tsx";
import { TouchedUnits } from "../shared/touched.tsx";
import { sayNumbering } from "../ui/words/unit/standing.ts";
import type { NumberingAnswer } from "./confirm-numbering.server.ts";

type Shown = {
  readonly id: string;
  readonly name: string;
  readonly confirmed: boolean;
  readonly numbering: Numbering;
  readonly runnerUp: Numbering | undefined;
};

/** Each press shows what would change first; see `CountSo`. */
export function Counting({ component }: { readonly component: Shown }) {
  if (component.confirmed) {
    return (
      <ActForm className="mb-2">
        <Ask component={component.id} numbering={null} />
        <button type="submit" className="link text-sm" aria-label={`Take back how ${component.name} counts`}>
          Take that back
        </button>
      </ActForm>
    );
  }
  const ways: readonly Numbering[] = [
    component.numbering,
    ...(component.runnerUp ? [component.runnerUp] : []),
    { kind: "listed" },
  ];
  return (
    <div className="doubt mb-2 flex w-fit flex-wrap items-center gap-2 p-2 text-sm">
      <span>How do they count?</span>
      {ways.map((numbering) => (
        <ActForm key={JSON.stringify(numbering)}>
          <Ask component={component.id} numbering={numbering} />
          <button type="submit" className="btn btn-outline btn-primary btn-sm">
            {sayNumbering(numbering)}
          </button>
        </ActForm>
      ))}
    </div>
  );
}

const Ask = (asked: { readonly component: string; readonly numbering: Numbering | null }) => (
  <>
    <input type="hidden" name="component" value={asked.component} />
    <input type="hidden" name="numbering" value={JSON.stringify(asked.numbering)} />
  </>
);

/** What the way of counting that was pressed would touch, and the press that makes it so. */
export function CountSo({ asked }: { readonly asked: NonNullable<NumberingAnswer["asked"]> }) {
  return (
    <div className="sheet mb-4 flex flex-col gap-3 p-4">
      <TouchedUnits touched={asked.touched} />
      <ActForm className="flex gap-3">
        <Ask component={asked.component} numbering={asked.numbering} />
        <button type="submit" name="intent" value="count-so" className="btn btn-primary btn-sm">
          {asked.numbering === null ? "Take it back" : "Count so"}
        </button>
      </ActForm>
    </div>
  );
}
