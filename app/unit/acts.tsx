// Custody and hold: who takes it, when it is due back, until when it is left alone.
import { Form, Link } from "react-router";
import type { UnitRow } from "#db/units.ts";
import { FormKey } from "../forms/form-key.tsx";
import type { ActAnswer } from "../shared/say-away.server.ts";
import { useClub, useMay } from "../ui/club.ts";
import { sayDate } from "../ui/words/time.ts";

type Who = { readonly id: string; readonly name: string };

/** What a form of these held when it was refused. */
const keptOf = (said: ActAnswer | undefined, intent: string) =>
  said?.ok === false && said.intent === intent ? said.kept : undefined;

export function Acts(props: {
  readonly unit: UnitRow;
  readonly people: readonly Who[];
  readonly said: ActAnswer | undefined;
}) {
  const { unit, people, said } = props;
  const mayLend = useMay("lend-and-take-back");
  const mayHold = useMay("hold-unit");
  const mayEdit = useMay("edit-unit");
  const edit = mayEdit && (
    <Link to={`/units/${encodeURIComponent(unit.tag)}/edit`} className="link w-fit text-sm">
      Correct what it is, or shelve it
    </Link>
  );
  if (unit.shelved_at !== null || (!mayLend && !mayHold)) return edit;
  return (
    <section className="flex flex-col gap-2">
      <h2>Custody and hold</h2>
      {mayLend &&
        (unit.holder ? <Back holder={unit.holder} /> : <Lend people={people} kept={keptOf(said, "lend")} />)}
      {mayHold && <Hold unit={unit} kept={keptOf(said, "hold")} />}
      {edit}
    </section>
  );
}

function Back({ holder }: { readonly holder: string }) {
  return (
    <Form method="post">
      <FormKey />
      <button type="submit" name="intent" value="back" className="btn btn-outline btn-primary btn-sm">
        Take it back from {holder.split(" ")[0]}
      </button>
    </Form>
  );
}

type Kept = ActAnswer["kept"];

function Lend({ people, kept }: { readonly people: readonly Who[]; readonly kept: Kept }) {
  return (
    <details open={kept !== undefined}>
      <summary className="btn btn-outline btn-primary btn-sm">Lend it</summary>
      <Form method="post" className="sheet mt-2 flex flex-col gap-2 p-3">
        <input type="hidden" name="intent" value="lend" />
        <FormKey />
        <label className="text-sm font-semibold">
          To
          <select name="person" defaultValue={kept?.person} className="select select-sm mt-1 w-full">
            {people.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </select>
        </label>
        <label className="text-sm font-semibold">
          Due back (may stay empty)
          <input
            type="date"
            name="dueBack"
            defaultValue={kept?.dueBack}
            className="input input-sm mt-1 w-full"
          />
        </label>
        <button type="submit" className="btn btn-primary btn-sm">
          Lend
        </button>
      </Form>
    </details>
  );
}

function Hold({ unit, kept }: { readonly unit: UnitRow; readonly kept: Kept }) {
  const { today, locale } = useClub();
  if (unit.hold_until !== null && unit.hold_until >= today) {
    return (
      <Form method="post" className="text-sm">
        <FormKey />
        <p className="mb-1 text-quiet">
          On hold until {sayDate(unit.hold_until, locale, today)}: {unit.hold_why}
        </p>
        <button type="submit" name="intent" value="lift" className="btn btn-outline btn-primary btn-sm">
          Lift the hold
        </button>
      </Form>
    );
  }
  return (
    <details open={kept !== undefined}>
      <summary className="btn btn-outline btn-primary btn-sm">Put it on hold</summary>
      <Form method="post" className="sheet mt-2 flex flex-col gap-2 p-3">
        <input type="hidden" name="intent" value="hold" />
        <FormKey />
        <label className="text-sm font-semibold">
          Until
          <input type="date" name="until" defaultValue={kept?.until} className="input input-sm mt-1 w-full" />
        </label>
        <label className="text-sm font-semibold">
          Why
          <input name="why" defaultValue={kept?.why} className="input input-sm mt-1 w-full" />
        </label>
        <button type="submit" className="btn btn-primary btn-sm">
          Hold
        </button>
      </Form>
    </details>
  );
}
