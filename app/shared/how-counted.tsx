// How does this model number its releases? The orders under which a reading has a place, each with what follows from it, to be said in one press.
import type { Reason } from "#core/needs/index.ts";
import type { Numbering } from "#core/version/index.ts";
import { ActForm } from "../forms/act-form.tsx";
import { useMay } from "../ui/club.ts";
import { type Names, sayNumbering, sayWhere } from "../ui/words/unit/standing.ts";

export type Counting = {
  readonly model: string;
  readonly component: string;
  readonly orders: readonly { readonly numbering: Numbering; readonly where: string }[];
};

/** The orders of a reading that can stand in two places, out of the reasons of its need. */
export const ordersOf = (because: readonly Reason[], names: Pick<Names, "release">): Counting["orders"] =>
  because.flatMap((fact) =>
    fact.kind === "two-places"
      ? fact.places.map((place) => ({ numbering: place.numbering, where: sayWhere(place, names) }))
      : [],
  );

export function HowCounted({ model, component, orders }: Counting) {
  const mayEdit = useMay("edit-model");
  if (!mayEdit) return <p className="text-sm text-quiet">A keeper says how they count.</p>;
  return (
    <ul className="no-print mt-1.5 flex w-full flex-col gap-1.5" aria-label="How do they count?">
      {orders.map(({ numbering, where }) => (
        <li key={JSON.stringify(numbering)} className="flex flex-wrap items-baseline gap-2">
          <ActForm intent="count-so" action={`/models/${model}`}>
            <input type="hidden" name="component" value={component} />
            <input type="hidden" name="numbering" value={JSON.stringify(numbering)} />
            <button
              type="submit"
              className="btn btn-outline btn-primary btn-sm h-auto min-h-8 py-1 text-left"
            >
              They count {sayNumbering(numbering)}
            </button>
          </ActForm>
          <span className="text-sm">then it is {where}</span>
        </li>
      ))}
    </ul>
  );
}
