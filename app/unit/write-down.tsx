// Write down what was done: a note is one field; a flash, a backup or a repair says with what, and whether it worked.
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import type { ActAnswer } from "../shared/act-answer.server.ts";
import { useClub } from "../ui/club.ts";

const DID = [
  ["note", "noted something"],
  ["flash", "flashed it"],
  ["backup", "backed it up"],
  ["repair", "repaired it"],
  ["other", "did other work"],
] as const;

export function WriteDown(props: {
  readonly kept: ActAnswer["kept"];
  /** Asked for by the address. */
  readonly open: boolean;
  readonly leads: readonly string[];
  readonly computers: readonly string[];
}) {
  const { kept, open, leads, computers } = props;
  const { today } = useClub();
  const named = (names: readonly string[]) => [["", "none, or not known"] as const, ...names];
  const isFull = [kept?.from, kept?.to, kept?.lead, kept?.computer].some(Boolean) || kept?.did === "flash";
  return (
    <details open={open || kept !== undefined} id="write-down">
      <summary className="btn btn-outline btn-primary btn-sm">Write down what was done</summary>
      <ActForm intent="write" className="sheet mt-2 flex flex-col gap-2 p-3">
        <Labelled name="did" label="Somebody" small value={kept?.did ?? "note"} options={DID} />
        <Labelled name="text" label="In words" small rows={3} most={2000} value={kept?.text} />
        <Labelled name="on" label="On (empty: today)" type="date" small max={today} value={kept?.on} />
        <details open={isFull}>
          <summary className="link w-fit cursor-pointer text-sm">With what, and whether it worked</summary>
          <div className="mt-1 flex flex-col gap-2">
            <Labelled name="from" label="From version" small mono most={60} value={kept?.from} />
            <Labelled
              name="to"
              label="To version"
              hint="a flash that worked is a reading of that day, too"
              small
              mono
              most={60}
              value={kept?.to}
            />
            <Labelled name="lead" label="With the lead" small value={kept?.lead} options={named(leads)} />
            <Labelled name="computer" label="On" small value={kept?.computer} options={named(computers)} />
            <Labelled
              name="worked"
              label="It"
              small
              value={kept?.worked ?? "yes"}
              options={[
                ["yes", "worked"],
                ["no", "failed"],
              ]}
            />
          </div>
        </details>
        {kept !== undefined && (
          <Labelled name="sure" label="It was so all the same" type="checkbox" value={undefined} />
        )}
        <button type="submit" className="btn btn-primary btn-sm">
          Write it down
        </button>
      </ActForm>
    </details>
  );
}
