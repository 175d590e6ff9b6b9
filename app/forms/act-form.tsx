// A form of one press or of few fields: what goes with every form that changes something is in it.
import { useEffect, useRef, useState } from "react";
import { Form, type FormProps, useActionData } from "react-router";
import { BASELINE, Baseline, type DrawnFrom } from "./baseline.tsx";
import { Wrong } from "./field.tsx";
import { FormKey } from "./form-key.tsx";

/**
 * `intent`: what is wanted, where a page has several such forms and no button of this one says it. `drawn`: what stands in its fields, where
 * it corrects something; `kept`: what a refused form held.
 */
export function ActForm({
  intent,
  drawn,
  kept,
  children,
  ...form
}: FormProps & {
  readonly intent?: string;
  readonly drawn?: DrawnFrom | undefined;
  readonly kept?: Readonly<Record<string, string>> | undefined;
}) {
  const said = useActionData<{ readonly wrong?: Readonly<Record<string, string>> } | undefined>();
  // Where others saved something meanwhile it is drawn anew, with what they saved in its fields.
  return (
    <Form key={kept?.[BASELINE]} method="post" {...form}>
      <FormKey />
      {intent !== undefined && <input type="hidden" name="intent" value={intent} />}
      {drawn && <Seen drawn={drawn} again={kept?.[BASELINE]} />}
      <Wrong.Provider value={kept ? said?.wrong : undefined}>{children}</Wrong.Provider>
    </Form>
  );
}

/** What the fields were drawn from. The page is asked for again while somebody types: only what the fields hold anyway counts as seen then. */
function Seen({ drawn, again }: { readonly drawn: DrawnFrom; readonly again: string | undefined }) {
  const here = useRef<HTMLSpanElement>(null);
  const now = JSON.stringify(drawn);
  const [seen, setSeen] = useState(again ?? now);
  useEffect(() => {
    const form = here.current?.closest("form");
    if (form && holds(new FormData(form), JSON.parse(now))) setSeen(now);
  }, [now]);
  return (
    <span ref={here} hidden>
      <Baseline drawn={seen} />
    </span>
  );
}

const holds = (form: FormData, drawn: DrawnFrom): boolean =>
  Object.entries(drawn).every(([name, value]) => {
    const wanted = [value].flat().filter((one) => one !== "");
    const held = form.getAll(name).filter((one) => one !== "");
    return held.length === wanted.length && held.every((one) => wanted.includes(String(one)));
  });
