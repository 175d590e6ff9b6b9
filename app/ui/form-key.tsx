// The number of a form: sent twice, or sent again when the answer got lost, it is done once.
import { useClub } from "./club.ts";

/** The field's name. */
export const KEY = "key";

/** Every form that changes something has one; it is another after each change. */
export const FormKey = () => <input type="hidden" name={KEY} value={useClub().formKey} />;
