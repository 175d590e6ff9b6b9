// The file of a backup, part by part, so that none has to be in memory as a whole.
import { backupById, fileContent, filePart, PART } from "#db/run/index.ts";
import { askForPerson } from "../auth/session.server.ts";
import { idIn, notFound, readInClub } from "../context.ts";
import type { Route } from "./+types/file";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context, params }: Route.LoaderArgs) {
  const id = idIn(params.backup, "This backup");
  const found = await readInClub(context, async (tx) => {
    const backup = id === undefined ? undefined : await backupById(tx, id);
    return backup && { backup, content: await fileContent(tx, backup.sha256) };
  });
  if (!found) throw notFound("This backup");
  const { backup, content } = found;
  const size = Number(backup.size);
  let number = 0;
  const parts = new ReadableStream<Uint8Array>({
    async pull(into) {
      if (number * PART >= size) return into.close();
      // Each in a look of its own: a slow line must not keep a transaction open.
      const part = await readInClub(context, (tx) => filePart(tx, backup.sha256, number++));
      if (part) into.enqueue(new Uint8Array(part));
      else into.error(new Error("a part of the file is missing"));
    },
  });
  return new Response(content ? new Uint8Array(content) : parts, {
    headers: {
      "Content-Type": "application/octet-stream",
      "Content-Length": backup.size,
      "Content-Disposition": `attachment; filename*=UTF-8''${encodeURIComponent(backup.name)}`,
    },
  });
}
