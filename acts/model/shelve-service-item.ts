// An item of a service menu, or a region code, is put on the shelf. What was noted of radios stays.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { serviceItems, shelveServiceItem as shelve } from "#db/model/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problem: `no-item`. */
export const shelveServiceItem = defineAct({
  name: "shelve-service-item",
  input: z.object({ model: id, item: id }),
  may: "write-procedure",
  run: async (tx, { model, item }) => {
    const row = (await serviceItems(tx, model)).find((one) => one.id === item);
    if (!row) return bad({ kind: "no-item" as const });
    await shelve(tx, model, item);
    return good({
      answer: {},
      log: [{ entry: { kind: "service-item-shelved" as const, what: row.name, of: row.kind }, model }],
    });
  },
});
