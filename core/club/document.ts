// A whole club as one open document: every table of its own as it stands, files in base64. The Zod shape is the format.
import { z } from "zod";

export const MOST_DOCUMENT_ROWS = 400_000;

const row = z.record(z.string(), z.unknown());

export const clubDocument = z.object({
  format: z.literal("mossy-cabinet/club"),
  version: z.literal(1),
  madeAt: z.string(),
  /** The steps that had made the tables: a version that does not know the last of them cannot read the document. */
  migrations: z.array(z.string()),
  club: z.object({ name: z.string().min(1), time_zone: z.string(), locale: z.string() }).loose(),
  /** By table, rows as they are stored, without the club and without passwords. */
  tables: z.record(z.string(), z.array(row)),
  files: z.array(
    z.object({
      sha256: z.string().regex(/^[0-9a-f]{64}$/),
      size: z.number().int().min(0),
      /** Absent where all files together are too many for one document. */
      content: z.base64().optional(),
    }),
  ),
});

export type ClubDocument = z.infer<typeof clubDocument>;

export type DocumentProblem =
  | { readonly kind: "no-document"; readonly at: string; readonly says: string }
  | { readonly kind: "too-many-rows"; readonly rows: number };

/** Reads a document. Problems: `no-document`, with the place that is not as it should be; `too-many-rows`. */
export function readClubDocument(
  text: string,
): { ok: true; value: ClubDocument } | { ok: false; problem: DocumentProblem } {
  let told: unknown;
  try {
    told = JSON.parse(text);
  } catch {
    return { ok: false, problem: { kind: "no-document", at: "", says: "it is no JSON" } };
  }
  const read = clubDocument.safeParse(told);
  if (!read.success) {
    const [issue] = read.error.issues;
    return {
      ok: false,
      problem: { kind: "no-document", at: issue?.path.join(".") ?? "", says: issue?.message ?? "" },
    };
  }
  const rows = Object.values(read.data.tables).reduce((sum, all) => sum + all.length, 0);
  if (rows > MOST_DOCUMENT_ROWS) return { ok: false, problem: { kind: "too-many-rows", rows } };
  return { ok: true, value: read.data };
}
