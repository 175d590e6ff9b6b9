// Custody and hold: who takes it, when it is due back, until when it is left alone.

import { Link } from "react-router";
import { MOST_WHY } from "#acts/shapes.ts";
import type { UnitRow } from "#db/unit/index.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Pick } from "../forms/choice/pick.tsx";
import { Labelled } from "../forms/field.tsx";
import type { ActAnswer } from "../shared/act-answer.server.ts";
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
      {mayHold && (
        <Hold
          unit={unit}
          kept={said?.intent === "hold-look" ? said.kept : keptOf(said, "hold")}
          says={said?.intent === "hold-look" ? said.says : undefined}
        />
      )}
      {edit}
    </section>
  );
}

function Back({ holder }: { readonly holder: string }) {
  return (
    <ActForm>
      <button type="submit" name="intent" value="back" className="btn btn-outline btn-primary btn-sm">
        Take it back from {holder.split(" ")[0]}
      </button>
    </ActForm>
  );
}

type Kept = ActAnswer["kept"];

function Lend({ people, kept }: { readonly people: readonly Who[]; readonly kept: Kept }) {
  return (
    <details open={kept !== undefined}>
      <summary className="btn btn-outline btn-primary btn-sm">Lend it</summary>
      <ActForm intent="lend" className="sheet mt-2 flex flex-col gap-2 p-3">
        <Pick
          makes="person"
          name="person"
          label="To"
          small
          value={kept?.person}
          options={people.map((p) => [p.id, p.name] as const)}
        />
        <Labelled name="dueBack" label="Due back (may stay empty)" type="date" small value={kept?.dueBack} />
        {kept !== undefined && (
          <Labelled name="knowing" label="Lend it all the same" type="checkbox" value={undefined} />
        )}
        <button type="submit" className="btn btn-primary btn-sm">
          Lend
        </button>
      </ActForm>
    </details>
  );
}

/** `says`: what the hold would do. */
function Hold({
  unit,
  kept,
  says,
}: {
  readonly unit: UnitRow;
  readonly kept: Kept;
  readonly says: string | undefined;
}) {
  const { today, locale } = useClub();
  if (unit.hold_until !== null && unit.hold_until >= today) {
    return (
      <ActForm className="text-sm">
        <p className="mb-1 text-quiet">
          On hold until {sayDate(unit.hold_until, locale, today)}: {unit.hold_why}
        </p>
        <button type="submit" name="intent" value="lift" className="btn btn-outline btn-primary btn-sm">
          Lift the hold
        </button>
      </ActForm>
    );
  }
  return (
    <details open={kept !== undefined}>
      <summary className="btn btn-outline btn-primary btn-sm">Put it on hold</summary>
      <ActForm intent="hold" className="sheet mt-2 flex flex-col gap-2 p-3">
        <Labelled name="until" label="Until" type="date" small value={kept?.until} />
        <Labelled name="why" label="Why" small most={MOST_WHY} value={kept?.why} />
        {says && (
          <p role="status" className="text-sm">
            {says}
          </p>
        )}
        <div className="flex flex-wrap gap-2">
          <button type="submit" className="btn btn-primary btn-sm">
            Hold
          </button>
          <button type="submit" name="look" value="on" className="btn btn-outline btn-primary btn-sm">
            What would that do?
          </button>
        </div>
      </ActForm>
    </details>
  );
}
