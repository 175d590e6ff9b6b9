// How long a password may be, for the rule and for the hints beside its fields.
export const SHORTEST_PASSWORD = 12;
export const LONGEST_PASSWORD = 200;
export const PASSWORD_HINT = `at least ${SHORTEST_PASSWORD} characters, and none that is guessed soon: a few words that do not belong together`;
