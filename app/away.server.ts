// When PostgreSQL cannot be reached, every address answers 503 with a sentence, and with what was typed; pages try again by themselves.
import type { ServerBuild } from "react-router";
import { isAway } from "#db/errors.ts";
import { BASELINE, DRAWN_FOR } from "./forms/baseline.tsx";
import { KEY } from "./forms/form-key.tsx";
import { isSecret } from "./forms/keep/secret.ts";
import { LARGEST_AT_ONCE } from "./forms/with-form.server.ts";

/** What a form without scripts held: its page draws it again, to be sent once more. */
export type Typed = readonly (readonly [name: string, value: string])[];

const awayAnswer = (typed?: Typed): Response =>
  Response.json(
    { away: true, ...(typed && { typed, ties: [KEY, BASELINE, DRAWN_FOR] }) },
    { status: 503, headers: { "Retry-After": "3" } },
  );

/** Turns "the database is away" into the answer 503, which the pages for trouble know; other failures stay. */
export async function orAway<Value>(asking: Promise<Value>): Promise<Value> {
  try {
    return await asking;
  } catch (error) {
    if (isAway(error)) throw awayAnswer();
    throw error;
  }
}

export const isAwayAnswer = (error: unknown): boolean =>
  isAway(error) || (error instanceof Response && error.status === 503);

type Route = NonNullable<ServerBuild["routes"][string]>;
type Door = NonNullable<Route["module"]["loader"]> & NonNullable<Route["module"]["action"]>;

/** The same build, with every loader and action answering so: none can miss it. */
export function answersAway(build: ServerBuild): ServerBuild {
  const routes = Object.entries(build.routes).map(([id, route]) => {
    if (!route) return [id, route] as const;
    const { loader, action } = route.module;
    const module = {
      ...route.module,
      ...(loader && { loader: orAwayAt(loader as Door) }),
      ...(action && { action: orAwayAt(action as Door) }),
    };
    return [id, { ...route, module }] as const;
  });
  return { ...build, routes: Object.fromEntries(routes) };
}

function orAwayAt(door: Door): Door {
  const asking = async (args: Parameters<Door>[0]) => {
    const copy = keeps(args.request) ? args.request.clone() : undefined;
    try {
      return await door(args);
    } catch (error) {
      if (!isAwayAnswer(error)) throw error;
      throw awayAnswer(copy && (await typedIn(copy)));
    }
  };
  return asking as Door;
}

/** Forms that scripts send stay where they are; larger ones carry files, which no page could give back. */
const keeps = (request: Request): boolean =>
  request.method === "POST" &&
  request.body !== null &&
  !new URL(request.url).pathname.endsWith(".data") &&
  Number(request.headers.get("content-length") ?? LARGEST_AT_ONCE) < LARGEST_AT_ONCE;

/** A password goes back to nobody's page: its field is drawn empty. */
async function typedIn(request: Request): Promise<Typed | undefined> {
  const form = await request.formData().catch(() => undefined);
  return (
    form &&
    [...form].flatMap(([name, value]) =>
      typeof value === "string" ? [[name, isSecret(name) ? "" : value] as const] : [],
    )
  );
}
