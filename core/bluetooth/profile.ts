// A profile that a programmer keeps, and the radio that it may go into.

/**
 * Whether a profile may be written into a radio: read from it, from another of its model (it would replace what is in it), or from another
 * model (it is no codeplug there).
 */
export const baseOf = (
  profile: { readonly unit: string; readonly model: string },
  radio: { readonly unit: string; readonly model: string },
): "own" | "foreign" | "other-model" =>
  profile.unit === radio.unit ? "own" : profile.model === radio.model ? "foreign" : "other-model";
