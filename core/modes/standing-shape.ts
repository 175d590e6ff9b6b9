// The shape of a club's rule for where a group of radios may transmit.
import { z } from "zod";
import { bandShape } from "./band-shape.ts";
import { MOST_BANDS, TRANSMIT_RULES } from "./words.ts";

export const transmitPolicy = z.object({
  rule: z.enum(TRANSMIT_RULES),
  /** The class or service whose privileges count where nobody holds the radio. */
  class: z.string().trim().min(1).max(60).optional(),
  /** What legacy radios were approved for. */
  approved: z.array(bandShape).max(MOST_BANDS).optional(),
});
export type TransmitPolicy = Readonly<z.output<typeof transmitPolicy>>;
