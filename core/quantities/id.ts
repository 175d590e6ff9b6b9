// What records are known by: numbers of the database, as text.
import { z } from "zod";

/** The id of a record, in what is sent, stored or handed in. */
export const id = z.string().regex(/^\d{1,18}$/);
