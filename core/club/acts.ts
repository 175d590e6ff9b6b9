// Who may do what: decided here and nowhere else. A screen offers only what this allows.
export const ROLES = ["keeper", "bench", "member"] as const;
export type Role = (typeof ROLES)[number];

export const ACTS = [
  "look",
  "record-reading",
  "strike-reading",
  "lend-and-take-back",
  "hold-unit",
  "edit-unit",
  "edit-model",
  "edit-release",
  "write-procedure",
  "confirm-fact",
  "edit-kit",
  "import-units",
  "edit-club",
  "recover-shelved",
  "work-at-bench",
  "pass-backup",
  "practise",
  "see-unlocking",
  "edit-plan",
] as const;
export type Permission = (typeof ACTS)[number];

const BENCH: readonly Permission[] = [
  "look",
  "record-reading",
  "strike-reading",
  "lend-and-take-back",
  "hold-unit",
  "edit-unit",
  "write-procedure",
  "confirm-fact",
  "edit-kit",
  "work-at-bench",
  "practise",
  "see-unlocking",
  "edit-plan",
];

const ALLOWED: Record<Role, readonly Permission[]> = {
  keeper: ACTS,
  bench: BENCH,
  member: ["look", "practise"],
};

/** A member may also record readings of the radio they have at home: `holdsUnit` says whether they do. */
export function may(role: Role, act: Permission, about: { readonly holdsUnit?: boolean } = {}): boolean {
  if (ALLOWED[role].includes(act)) return true;
  return act === "record-reading" && about.holdsUnit === true;
}

/** The role that a stored or typed word names; what is none counts as the one with the least rights. */
export const readRole = (text: string): Role => ROLES.find((role) => role === text) ?? "member";
