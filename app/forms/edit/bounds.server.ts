// What an act takes of each field, as its form tells a browser: how long a text may be.
import { z } from "zod";
import { kept } from "#core/quantities/index.ts";

export type Bounds = Readonly<Record<string, number>>;

/** The most signs of each text among an act's fields, by their names. */
export const boundsOf = (act: { readonly input: z.ZodType }): Bounds => kept(known, act.input, boundsIn);
const known = new WeakMap<z.ZodType, Bounds>();

function boundsIn(input: z.ZodType): Bounds {
  const schema = z.toJSONSchema(input, { io: "input", unrepresentable: "any" }) as Part;
  return Object.fromEntries(
    Object.entries(schema.properties ?? {}).flatMap(([name, part]) => {
      const most = [part, ...(part.anyOf ?? [])].find(({ maxLength }) => maxLength !== undefined)?.maxLength;
      return most === undefined ? [] : [[name, most]];
    }),
  );
}
type Part = {
  readonly properties?: Readonly<Record<string, Part>>;
  readonly anyOf?: readonly Part[];
  readonly maxLength?: number;
};
