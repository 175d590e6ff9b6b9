// A table of channels as a file: CSV in our own columns or in a dialect that was kept, or our own open document.
import { PLAIN_MAPPING, writeChannelTable, writeDocument } from "#core/codeplug/index.ts";
import { mappingById } from "#db/codeplug/index.ts";
import { askForPerson } from "../auth/session.server.ts";
import { mustBeAllowed, notFound, readInClub } from "../context.ts";
import type { Route } from "./+types/out";
import { mustHaveTable } from "./load-table.server.ts";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  return readInClub(context, async (tx) => {
    const table = await mustHaveTable(tx, params.kind, params.id);
    const name = `${table.of} ${table.title}`.replace(/[^\p{L}\p{N} .-]+/gu, "").slice(0, 80);
    const sent = (text: string, type: string, ending: string) =>
      new Response(text, {
        headers: {
          "Content-Type": `${type}; charset=utf-8`,
          "Content-Disposition": `attachment; filename*=UTF-8''${encodeURIComponent(`${name}.${ending}`)}`,
        },
      });
    if (params.file === "channels.json")
      return sent(writeDocument(table.model, table.channels, table.lists), "application/json", "json");
    const dialect = /^as-(\d{1,18})\.csv$/.exec(params.file ?? "")?.[1];
    const mapping = dialect === undefined ? undefined : (await mappingById(tx, dialect))?.mapping;
    if (params.file !== "channels.csv" && !mapping) throw notFound("This file");
    return sent(writeChannelTable(table.channels, mapping ?? PLAIN_MAPPING), "text/csv", "csv");
  });
}
