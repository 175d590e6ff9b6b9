// Expected failures are values: a result is either a value or a problem with a machine-readable kind.
export type Result<Value, Problem extends { kind: string }> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly problem: Problem };

export const good = <Value>(value: Value): { readonly ok: true; readonly value: Value } => ({
  ok: true,
  value,
});

export const bad = <Problem extends { kind: string }>(
  problem: Problem,
): { readonly ok: false; readonly problem: Problem } => ({ ok: false, problem });
