// A table of channels by its address: a revision of a radio, or the plan's table of a model.
import type { CodeplugChannel, CodeplugLists } from "#core/codeplug/index.ts";
import { codeplugById, tableById } from "#db/codeplug/index.ts";
import { modelById } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { idIn, notFound } from "../context.ts";

export type LoadedTable = {
  /** What it is called: of which radio or model, and which revision. */
  readonly title: string;
  readonly of: string;
  /** Maker and name. */
  readonly model: string;
  readonly channels: readonly CodeplugChannel[];
  readonly lists: CodeplugLists;
  readonly tag?: string;
};

/** Throws 404 for what is none, or of which the channels are not known. */
export async function mustHaveTable(
  tx: Tx,
  kind: string | undefined,
  asked: string | undefined,
): Promise<LoadedTable> {
  const id = idIn(asked ?? "", "This table");
  if (id === undefined) throw notFound("This table");
  if (kind === "table") {
    const row = await tableById(tx, id);
    if (!row) throw notFound("This table");
    const model = await modelById(tx, row.model_id);
    return {
      title: `Plan ${row.number}`,
      of: row.model,
      model: `${model?.maker ?? ""} ${row.model}`.trim(),
      channels: row.laid.channels,
      lists: {},
    };
  }
  const row = kind === "codeplug" ? await codeplugById(tx, id) : undefined;
  if (!row?.channels) throw notFound("This table");
  const model = await modelById(tx, row.model_id);
  return {
    title: row.plan === null ? row.name || "a table" : `Plan ${row.plan}`,
    of: row.tag,
    tag: row.tag,
    model: `${model?.maker ?? ""} ${model?.name ?? ""}`.trim(),
    channels: row.channels,
    lists: row.lists,
  };
}
