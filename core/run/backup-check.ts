// Whether a file can be the backup of a radio: what is wrong with it, and what has to be confirmed.

/** What speaks against a file as the backup of a unit. The first two are final; the others hold only until somebody confirms that they know. */
export type BackupDoubt =
  | { readonly kind: "empty" }
  | { readonly kind: "huge"; readonly size: number; readonly most: number }
  /** So many times larger or smaller than what was read out of this model before. */
  | { readonly kind: "size"; readonly size: number; readonly usual: number }
  /** The same bytes were kept for others. */
  | { readonly kind: "same-as"; readonly tags: readonly string[] };

/** The largest file that is kept, in bytes. */
export const MOST_BYTES = 64 * 1024 * 1024;
/** So many times off the usual size is absurd. */
const ABSURD = 10;

/** `usual`: sizes of earlier backups of the same model, in bytes. None: nothing to compare with. */
export function doubtsOf(
  size: number,
  usual: readonly number[],
  sameAs: readonly string[],
): readonly BackupDoubt[] {
  if (size === 0) return [{ kind: "empty" }];
  if (size > MOST_BYTES) return [{ kind: "huge", size, most: MOST_BYTES }];
  const middle = [...usual].sort((a, b) => a - b)[Math.floor(usual.length / 2)];
  const isOdd = middle !== undefined && (size > middle * ABSURD || size * ABSURD < middle);
  return [
    ...(isOdd ? [{ kind: "size" as const, size, usual: middle }] : []),
    ...(sameAs.length > 0 ? [{ kind: "same-as" as const, tags: sameAs }] : []),
  ];
}

export const isFinalDoubt = (doubt: BackupDoubt): boolean => doubt.kind === "empty" || doubt.kind === "huge";
