// The number of a form: sent twice, or sent again when the answer got lost, it is done once.
import { useRouteLoaderData } from "react-router";
import { FRAME, type FrameData } from "./club.ts";

/** The field's name. */
export const KEY = "key";

/** Every form that changes something has one; it is another after each change. Outside of the frame nobody is signed in yet. */
export function FormKey() {
  const frame = useRouteLoaderData<FrameData>(FRAME);
  return frame ? <input type="hidden" name={KEY} value={frame.formKey} /> : null;
}
