// Quick entry: a line of the few fields that a thing of the kit cannot do without; the next one is typed at once.
import { useRef, useState } from "react";
import { useSearchParams, useSubmit } from "react-router";
import type { ShownKind } from "#core/kit/index.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Pick } from "../forms/choice/pick.tsx";
import { Labelled } from "../forms/field.tsx";
import { isThere, OFFLINE } from "../forms/offline.ts";

/** The line may be the last thing on the screen: what is said below it must not be missed. */
const intoView = (said: HTMLElement | null) => said?.scrollIntoView({ block: "nearest" });

function hold(form: HTMLFormElement, held: boolean): void {
  for (const field of form.elements) if (field instanceof HTMLInputElement) field.readOnly = held;
}

/** `kind` with the few fields of the line; what else one begins with goes along unseen. */
export function QuickEntry({ kind }: { readonly kind: ShownKind }) {
  const [search] = useSearchParams();
  const submit = useSubmit();
  const [offline, setOffline] = useState(false);
  const asking = useRef(false);
  return (
    <ActForm
      action={`/kit/${kind.kind}/new`}
      className="mt-2 flex flex-wrap items-end gap-2"
      aria-label={`Add a ${kind.one}`}
      onSubmit={async (event) => {
        event.preventDefault();
        if (asking.current) return;
        asking.current = true;
        const form = event.currentTarget;
        const { submitter } = event.nativeEvent as SubmitEvent;
        // What is typed before the answer would be typed behind what is being sent.
        hold(form, true);
        const there = await isThere();
        setOffline(!there);
        if (there) await submit((submitter ?? form) as HTMLButtonElement | HTMLFormElement);
        hold(form, false);
        asking.current = false;
      }}
    >
      {Object.entries(kind.begin)
        .filter(([name]) => !kind.fields.some((field) => field.name === name))
        .map(([name, value]) => (
          <input key={name} type="hidden" name={name} value={value} />
        ))}
      {kind.fields.map((field, i) => {
        const look = {
          name: field.name,
          label: field.label,
          value: field.options ? kind.begin[field.name] : undefined,
          small: true,
          className: field.options ? "w-36" : "w-32",
          ...(field.mono && { mono: true }),
          ...(field.options && { options: field.options }),
          autoFocus: i === 0 && !field.options && search.get("added") === kind.kind,
        };
        return field.makes ? (
          <Pick key={field.name} makes={field.makes} {...look} />
        ) : (
          <Labelled key={field.name} {...look} />
        );
      })}
      <button type="submit" name="intent" value="next" className="btn btn-outline btn-primary btn-sm">
        Add
      </button>
      {offline && (
        <p
          ref={intoView}
          role="alert"
          className="w-full scroll-mb-2 text-sm font-semibold text-rust max-md:scroll-mb-20"
        >
          {OFFLINE}
        </p>
      )}
    </ActForm>
  );
}
