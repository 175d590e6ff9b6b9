// One part of a large file. Nothing is said of it until all are there and their sum is that under which they were kept.
import { z } from "zod";
import { good } from "#core/quantities/index.ts";
import { keepPart, PART } from "#db/run/index.ts";
import { defineAct } from "../define.ts";
import { sha256 } from "../shapes.ts";

export const keepFilePart = defineAct({
  name: "keep-file-part",
  input: z.object({
    sha256,
    number: z.number().int().min(0).max(63),
    content: z.instanceof(Uint8Array).refine((bytes) => bytes.length > 0 && bytes.length <= PART),
  }),
  may: "work-at-bench",
  untold: "parts mean nothing until the file is kept as something",
  run: async (tx, { sha256, number, content }) => {
    await keepPart(tx, sha256, number, content);
    return good({ answer: { number }, log: [] });
  },
});
