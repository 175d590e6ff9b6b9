// Rows sent in COPY's binary form come out of PostgreSQL as they went in, in the order asked for.

import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import fc from "fast-check";
import pg from "pg";
import { from as copyFrom } from "pg-copy-streams";
import { afterAll, beforeAll, expect, test } from "vitest";
import { dateOf, type PlainDate } from "#core/quantities/index.ts";
import { cases } from "#core/quantities/testing.ts";
import { CopyRows } from "./copy.ts";
import { type TestDatabase, testDatabase } from "./testing.ts";

let database: TestDatabase;
let client: pg.Client;

beforeAll(async () => {
  database = await testDatabase();
  client = new pg.Client({ connectionString: database.ownerUrl });
  await client.connect();
  await client.query(
    "create temp table sent (a bigint, b text, c date, d smallint, e jsonb, position int generated always as identity)",
  );
});
afterAll(async () => {
  await client.end();
  await database.close();
});

type Row = { a: string; b: string | null; c: PlainDate | null; d: number; e: unknown };

/** PostgreSQL has no text with a zero character in it, and JSON no lone halves of characters. */
const text = fc.string({ unit: "grapheme", maxLength: 40 }).filter((s) => !s.includes("\0"));
const day = fc
  .tuple(fc.integer({ min: 1, max: 9999 }), fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 31 }))
  .map(([y, m, d]) => dateOf(y, m, d) ?? dateOf(y, m, 28) ?? null);
const row: fc.Arbitrary<Row> = fc.record({
  a: fc.bigInt({ min: -(2n ** 63n), max: 2n ** 63n - 1n }).map(String),
  b: fc.option(text),
  c: fc.option(day),
  d: fc.integer({ min: -32768, max: 32767 }),
  e: fc.oneof(text, fc.array(text, { maxLength: 3 }), fc.record({ raw: text })),
});

function written(rows: readonly Row[]): CopyRows {
  const copy = new CopyRows();
  for (const { a, b, c, d, e } of rows) {
    copy.row(5);
    copy.bigint(a);
    if (b === null) copy.null();
    else copy.text(b);
    if (c === null) copy.null();
    else copy.date(c);
    copy.smallint(d);
    copy.jsonb(JSON.stringify(e));
  }
  return copy;
}

async function received(bytes: Buffer): Promise<Row[]> {
  await client.query("truncate sent");
  await pipeline(
    Readable.from([bytes], { objectMode: false }),
    client.query(copyFrom("copy sent (a, b, c, d, e) from stdin (format binary)")),
  );
  const { rows } = await client.query<Row>("select a::text, b, c::text, d, e from sent order by position");
  return rows;
}

test("every value comes out as it went in", async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(row, { maxLength: 30 }), async (rows) => {
      expect(await received(written(rows).sorted(rows.map(() => 0)))).toEqual(rows);
    }),
    { numRuns: cases(25) },
  );
});

test("numbers at the edge of what JavaScript counts exactly, and below nought, keep every digit", async () => {
  const edges = [
    "0",
    "-1",
    "4294967295",
    "4294967296",
    "-4294967297",
    "999999999999999",
    "-99999999999999",
  ].concat("1000000000000000", "9007199254740993", "-9223372036854775808", "9223372036854775807");
  const rows = edges.map((a): Row => ({ a, b: "", c: null, d: 0, e: [] }));
  expect((await received(written(rows).sorted([]))).map((r) => r.a)).toEqual(edges);
});

test("rows go out by their rank, equal ones as they were written", async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(fc.integer({ min: -3, max: 3 }), { maxLength: 60 }), async (ranks) => {
      const rows = ranks.map((_, i): Row => ({ a: String(i), b: "x".repeat(i * 37), c: null, d: 0, e: i }));
      const expected = [...new Set(ranks)]
        .sort((x, y) => x - y)
        .flatMap((rank) => rows.filter((_, i) => ranks[i] === rank));
      expect(await received(written(rows).sorted(ranks))).toEqual(expected);
    }),
    { numRuns: cases(25) },
  );
});

test("text far longer than the room at first is not cut", async () => {
  const long = "ß漢😀".repeat(40_000);
  expect(await received(written([{ a: "1", b: long, c: null, d: 1, e: long }]).sorted([0]))).toEqual([
    { a: "1", b: long, c: null, d: 1, e: long },
  ]);
});
