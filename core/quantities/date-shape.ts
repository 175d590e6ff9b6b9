// The shape of a calendar date; apart from what is done with dates, so that a page can do that without the library of shapes.
import { z } from "zod";
import { isPlainDate } from "./date.ts";

/** The shape of a date in what is typed, sent or stored. */
export const plainDate = z
  .string()
  .max(10, "A date such as 2027-05-02.")
  .refine(isPlainDate, "A date such as 2027-05-02.");
