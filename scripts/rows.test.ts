// Of a dump's text only rows and numbers are taken, however it is cut into pieces; whatever else it says is passed over.
import fc from "fast-check";
import { expect, test } from "vitest";
import { piecesOf } from "./rows.ts";

const TEXT = `--
-- PostgreSQL database dump
SET statement_timeout = 0;
CREATE FUNCTION public.evil() RETURNS trigger LANGUAGE plpgsql AS $$ begin perform pg_read_file('/etc/passwd'); end $$;
\\! touch /tmp/evil
COPY public.unit FROM PROGRAM 'touch /tmp/evil';
COPY other.unit (id) FROM stdin;
1
\\.
COPY public.unit (club_id, id, "Name of it", tag) FROM stdin;
1\t2\tx\tW-01
1\t3\tCOPY public.person (id) FROM stdin;\tSELECT pg_catalog.setval('public.x', 1, true);
\\\\.\t4\ty\t\\N
\\.

COPY public.empty (id) FROM stdin;
\\.
SELECT pg_catalog.setval('public.unit_id_seq', 42, true);
SELECT pg_catalog.setval('public.unit_id_seq', 42, true); DROP TABLE public.unit;
SELECT pg_catalog.setval('pg_catalog.other', 42, true);
`;

async function taken(chunks: readonly Buffer[]) {
  const all: unknown[] = [];
  async function* text() {
    yield* chunks;
  }
  let rows = "";
  for await (const piece of piecesOf(text())) {
    if (piece.kind === "rows") rows += piece.bytes.toString();
    else {
      if (rows !== "") all.push(rows);
      rows = "";
      all.push(piece);
    }
  }
  return all;
}

const WANTED = [
  { kind: "table", name: "unit", columns: ["club_id", "id", "Name of it", "tag"] },
  "1\t2\tx\tW-01\n1\t3\tCOPY public.person (id) FROM stdin;\tSELECT pg_catalog.setval('public.x', 1, true);\n\\\\.\t4\ty\t\\N\n",
  { kind: "end" },
  { kind: "table", name: "empty", columns: ["id"] },
  { kind: "end" },
  { kind: "number", sequence: "unit_id_seq", value: "42", called: true },
];

test("rows of our tables and where numbers go on; no statement, no other schema, nothing inside of a row", async () => {
  expect(await taken([Buffer.from(TEXT)])).toEqual(WANTED);
});

test("the same, however the text is cut", () =>
  fc.assert(
    fc.asyncProperty(fc.array(fc.integer({ min: 0, max: TEXT.length }), { maxLength: 30 }), async (cuts) => {
      const at = [0, ...cuts.sort((a, b) => a - b), TEXT.length];
      const chunks = at.slice(1).map((end, i) => Buffer.from(TEXT.slice(at[i], end)));
      expect(await taken(chunks)).toEqual(WANTED);
    }),
    { numRuns: 300 },
  ));
