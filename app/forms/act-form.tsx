// A form of one press or of few fields: what goes with every form that changes something is in it.
import { Form, type FormProps } from "react-router";
import { FormKey } from "./form-key.tsx";

/** `intent`: what is wanted, where a page has several such forms and no button of this one says it. */
export function ActForm({ intent, children, ...form }: FormProps & { readonly intent?: string }) {
  return (
    <Form method="post" {...form}>
      <FormKey />
      {intent !== undefined && <input type="hidden" name="intent" value={intent} />}
      {children}
    </Form>
  );
}
