// Every screen there is, from the routes themselves, with an address of the demo for each: a new one is looked at by being there.
import type { RouteConfigEntry } from "@react-router/dev/routes";
import routes from "../app/routes.ts";

/** What stands in an address for a thing of the demo. `new` is the form of a thing that is not there yet. */
const EXAMPLES: Readonly<Record<string, string>> = {
  tag: "W-13",
  model: "1",
  release: "new",
  procedure: "2",
  mode: "new",
  item: "new",
  quirk: "new",
  run: "1",
  segment: "new",
  limit: "new",
  group: "1",
  person: "1",
  place: "1",
};
/** Where one name stands for different things. */
const BY_PATH: Readonly<Record<string, string>> = {
  "kit/:kind/:id": "kit/leads/1",
  "codeplugs/card/:kind/:id": "codeplugs/card/table/1",
  "codeplugs/compare": "codeplugs/compare?a=1&b=2",
};

type Screen = { readonly path: string; readonly file: string; readonly address: string };

const addressOf = (path: string): string =>
  `/${BY_PATH[path] ?? path.replace(/:(\w+)/g, (whole, name: string) => EXAMPLES[name] ?? whole)}`;

const screensIn = (entries: readonly RouteConfigEntry[]): Screen[] =>
  entries.flatMap(({ path, file, children }) => [
    ...(path === undefined || !file.endsWith(".tsx") ? [] : [{ path, file, address: addressOf(path) }]),
    ...screensIn(children ?? []),
  ]);

/** Screens that only somebody sees who is not signed in. */
const OUTSIDE = new Set(["first", "sign-in", "join/:link"]);

/** In the order of the routes; of what is not a screen there is none. */
export const SCREENS: readonly Screen[] = screensIn(routes as readonly RouteConfigEntry[]).filter(
  ({ path }) => !OUTSIDE.has(path),
);
