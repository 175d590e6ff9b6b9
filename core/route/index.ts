// The ways from what a radio runs to what it should run, and the best of them. This is the room’s door: others import from here alone.

export type { Cost } from "./cost.ts";
export type { Stop } from "./explain.ts";
export { findRoute, type Goal, type Route, type RouteProblem, type State, type Step } from "./route.ts";
export {
  type Care,
  careOf,
  goalOfNeeds,
  goalsBeside,
  otherWay,
  stateOfUnit,
  type Way,
  type Wish,
  wayOf,
} from "./way.ts";
export { whatIf } from "./what-if.ts";
