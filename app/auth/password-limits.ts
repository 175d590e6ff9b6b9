// How long a password may be, for the rule and for the hints beside its fields.
export const SHORTEST_PASSWORD = 12;
export const LONGEST_PASSWORD = 200;
