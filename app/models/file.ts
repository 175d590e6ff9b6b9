// A file that the club keeps, by its content's SHA-256.
import { fileContent, knownFiles } from "#db/run/index.ts";
import { askForPerson } from "../auth/session.server.ts";
import { notFound, readInClub } from "../context.ts";
import type { Route } from "./+types/file";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context, params }: Route.LoaderArgs) {
  const { content, name } = await readInClub(context, async (tx) => ({
    content: await fileContent(tx, params.sha256),
    name: (await knownFiles(tx)).find((file) => file.sha256 === params.sha256)?.name,
  }));
  if (!content) throw notFound("This file");
  return new Response(new Uint8Array(content), {
    headers: {
      "Content-Type": "application/octet-stream",
      "Content-Disposition": `attachment; filename*=UTF-8''${encodeURIComponent(name || params.sha256)}`,
      "Cache-Control": "private, immutable, max-age=31536000",
    },
  });
}
