// Whole-number programmes, and the solver that answers them. This is the room’s door: others import from here alone.

export { solverOf } from "./highs.ts";
export { cheapest, type Group, maximum, type Programme, type Solve } from "./programme.ts";
