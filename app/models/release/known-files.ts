// What the file check holds a dropped file against: the hashes of all releases, and the models' names. Nothing comes in.
import type { KnownFiles } from "#core/bench/index.ts";
import { modelsToPick } from "#db/model/index.ts";
import { knownFiles } from "#db/run/index.ts";
import { askForPerson } from "../../auth/session.server.ts";
import { readInClub } from "../../context.ts";
import type { Route } from "./+types/known-files";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context }: Route.LoaderArgs) {
  const known: KnownFiles = await readInClub(context, async (tx) => ({
    files: (await knownFiles(tx)).map((row) => ({
      ...row,
      size: row.size === null ? null : Number(row.size),
    })),
    models: (await modelsToPick(tx)).map((model) => model.name),
  }));
  return Response.json(known);
}
