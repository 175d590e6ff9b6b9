// Expected failures are values: a result is either a value or a problem with a machine-readable kind.
export type Result<Value, Problem extends { kind: string }> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly problem: Problem };

/** What went well, with its value. */
export const good = <Value>(value: Value): { readonly ok: true; readonly value: Value } => ({
  ok: true,
  value,
});

/** What did not, with the problem; `kind` says which. */
export const bad = <Problem extends { kind: string }>(
  problem: Problem,
): { readonly ok: false; readonly problem: Problem } => ({ ok: false, problem });

/** A result with its value changed; a problem stays what it is. */
export const mapped = <Value, Other, Problem extends { kind: string }>(
  result: Result<Value, Problem>,
  change: (value: Value) => Other,
): Result<Other, Problem> => (result.ok ? good(change(result.value)) : result);
