// What a part with firmware of its own may be called: the same at every door, since all of them lead to the same forms.
import { z } from "zod";

export const LONGEST_PART_NAME = 80;
export const PART_NAME_RULE = `A part has a name of at most ${LONGEST_PART_NAME} characters, without commas: lists of parts are parted by them.`;

export const partName = z
  .string()
  .trim()
  .min(1, PART_NAME_RULE)
  .max(LONGEST_PART_NAME, PART_NAME_RULE)
  .regex(/^[^,\r\n\t]+$/, PART_NAME_RULE);

/** A text that names a part, such as the head of a column, as a name of one. */
export const asPartName = (text: string): string =>
  text
    .replace(/[,\r\n\t]+/g, " ")
    .replace(/ {2,}/g, " ")
    .trim()
    .slice(0, LONGEST_PART_NAME)
    .trim();
