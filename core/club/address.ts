// How addresses for signing in are compared: folded here and nowhere else, so that no two ways of folding disagree.

export const LONGEST_ADDRESS = 200;

/**
 * An e-mail address as it is compared: Unicode's compatibility form, without case, without the dot that a dotted capital I
 * leaves behind. Folding a folded address changes nothing.
 */
export const foldAddress = (address: string): string =>
  address.normalize("NFKC").trim().toLowerCase().replaceAll("i\u0307", "i").normalize("NFKC");
