// The rows of a backup and nothing else. A dump is a program that could do anything with a database’s full rights, so its text is only read: rows of our own tables, and sequence values.
import { spawn } from "node:child_process";
import { once } from "node:events";
import fs from "node:fs";
import path from "node:path";
import type { Readable } from "node:stream";
import pg from "pg";
import { from as copyFrom } from "pg-copy-streams";
import { PlainFailure } from "./plain.ts";
import { findPostgres } from "./postgres.ts";

/** What a dump's text says, a piece at a time. Rows come as they stand, in the order of their table's columns. */
export type Piece =
  | { readonly kind: "table"; readonly name: string; readonly columns: readonly string[] }
  | { readonly kind: "rows"; readonly bytes: Buffer }
  | { readonly kind: "end" }
  | { readonly kind: "number"; readonly sequence: string; readonly value: string; readonly called: boolean };

const NAME = '(?:"((?:[^"]|"")+)"|([a-z_][a-z0-9_]*))';
const COPY = new RegExp(String.raw`^COPY public\.${NAME} \((.*)\) FROM stdin;$`);
const SETVAL = /^SELECT pg_catalog\.setval\('public\.("?)([a-z_][a-z0-9_]*)\1', (\d+), (true|false)\);$/;
const COLUMN = new RegExp(NAME, "g");
const END = Buffer.from("\\.");
/** A row holds a piece of a file of 1 MiB at most, two signs a byte, and what stands beside it. */
const LONGEST_LINE = 64 * 1024 * 1024;

/** Reads the text of a dump. All that is neither rows nor a number is passed over. */
export async function* piecesOf(text: AsyncIterable<Buffer>): AsyncGenerator<Piece> {
  let rest: Buffer = Buffer.alloc(0);
  let inRows = false;
  for await (const chunk of text) {
    const bytes: Buffer = rest.length === 0 ? chunk : Buffer.concat([rest, chunk]);
    let from = 0;
    // Rows that follow one another go on as one piece.
    let rowsFrom = 0;
    for (let at = bytes.indexOf(10, from); at >= 0; at = bytes.indexOf(10, from)) {
      const line = bytes.subarray(from, at);
      if (inRows && line.equals(END)) {
        if (from > rowsFrom) yield { kind: "rows", bytes: bytes.subarray(rowsFrom, from) };
        yield { kind: "end" };
        inRows = false;
      } else if (!inRows) {
        const piece = line.length < 100_000 ? pieceIn(line.toString("utf8")) : undefined;
        if (piece) yield piece;
        inRows = piece?.kind === "table" || (inRows && piece === undefined);
        rowsFrom = at + 1;
      }
      from = at + 1;
    }
    if (inRows && from > rowsFrom) yield { kind: "rows", bytes: bytes.subarray(rowsFrom, from) };
    rest = bytes.subarray(from);
    if (rest.length > LONGEST_LINE)
      throw new PlainFailure("The backup holds a row that is longer than any of ours.");
  }
}

function pieceIn(line: string): Piece | undefined {
  const copy = COPY.exec(line);
  if (copy) {
    const [, quoted, plain = "", columns = ""] = copy;
    return { kind: "table", name: nameOf(quoted, plain), columns: namesIn(columns) };
  }
  const set = SETVAL.exec(line);
  if (!set) return undefined;
  const [, , sequence = "", value = "", called] = set;
  return { kind: "number", sequence, value, called: called === "true" };
}
const nameOf = (quoted: string | undefined, plain: string): string => quoted?.replaceAll('""', '"') ?? plain;
const namesIn = (text: string): string[] =>
  [...text.matchAll(COLUMN)].map(([, quoted, plain = ""]) => nameOf(quoted, plain));

/** The text of a dump, as pg_restore writes it out without a database. */
async function* textOf(dump: string): AsyncGenerator<Buffer> {
  const bin = findPostgres(console.error);
  const program = fs.existsSync(path.join(bin, "pg_restore")) ? path.join(bin, "pg_restore") : "pg_restore";
  const child = spawn(program, ["--data-only", "--schema=public", "--file=-", dump], {
    stdio: ["ignore", "pipe", "pipe"],
  });
  let said = "";
  child.stderr.on("data", (data) => {
    said += String(data).slice(0, 2000);
  });
  const ended = once(child, "close");
  yield* child.stdout as Readable as AsyncIterable<Buffer>;
  const [code] = await ended;
  if (code !== 0) throw new PlainFailure(`The backup's records cannot be read:\n${said.trim().slice(-2000)}`);
}

type Known = { readonly columns: ReadonlySet<string>; readonly quoted: string };

/**
 * Puts the rows of a dump into a database that our migrations have just made, by the owner of its tables and in one transaction. What binds tables
 * to one another is taken off meanwhile and put back at the end, which looks at all of it once more.
 */
export async function rowsInto(ownerUrl: string, dump: string): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await client.query("begin");
    const known = await tablesIn(client);
    const bound = await loosen(client, known);
    for await (const piece of withOneRead(client, piecesOf(textOf(dump)), known)) {
      if (piece.kind === "number")
        await client.query(
          `select setval(c.oid, $2::bigint, $3) from pg_class c
           where c.relkind = 'S' and c.relname = $1 and c.relnamespace = 'public'::regnamespace`,
          [piece.sequence, piece.value, piece.called],
        );
    }
    await bind(client, bound);
    await client.query("commit");
  } finally {
    await client.end();
  }
}

/** Sends rows into their tables, and hands on the rest. */
async function* withOneRead(
  client: pg.Client,
  pieces: AsyncIterable<Piece>,
  known: ReadonlyMap<string, Known>,
): AsyncGenerator<Piece> {
  let into: ReturnType<typeof startCopy> | undefined;
  for await (const piece of pieces) {
    if (piece.kind === "table") {
      const table = known.get(piece.name);
      if (table?.columns && piece.columns.some((column) => !table.columns.has(column)))
        throw new PlainFailure(`The backup's table ${piece.name} is not as this version made it.`);
      into = table && startCopy(client, table, piece.columns);
    } else if (piece.kind === "rows") await into?.send(piece.bytes);
    else if (piece.kind === "end") {
      await into?.end();
      into = undefined;
    } else yield piece;
  }
  if (into) throw new PlainFailure("The backup's records are cut short.");
}

function startCopy(client: pg.Client, { quoted }: Known, columns: readonly string[]) {
  const list = columns.map((column) => pg.escapeIdentifier(column)).join(", ");
  const stream = client.query(copyFrom(`copy ${quoted} (${list}) from stdin`));
  const done = new Promise<void>((resolve, reject) => {
    stream.once("finish", resolve);
    stream.once("error", reject);
  });
  done.catch(() => {});
  return {
    send: async (bytes: Buffer) => {
      if (!stream.write(bytes)) await Promise.race([once(stream, "drain"), done]);
    },
    end: async () => {
      stream.end();
      await done;
    },
  };
}

async function tablesIn(client: pg.Client): Promise<ReadonlyMap<string, Known>> {
  const { rows } = await client.query<{ name: string; columns: string[] }>(
    `select c.relname "name", array_agg(a.attname::text) "columns" from pg_class c join pg_attribute a on a.attrelid = c.oid
     where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace and c.relname <> 'migration'
       and a.attnum > 0 and not a.attisdropped and a.attgenerated = '' group by c.relname`,
  );
  return new Map(
    rows.map(({ name, columns }) => [
      name,
      { columns: new Set(columns), quoted: `public.${pg.escapeIdentifier(name)}` },
    ]),
  );
}

/** Takes off what binds tables and rows; answers the statements that put it back. */
async function loosen(client: pg.Client, known: ReadonlyMap<string, Known>): Promise<string[]> {
  const { rows: keys } = await client.query<{ table: string; name: string; says: string }>(
    `select conrelid::regclass::text "table", quote_ident(conname) "name", pg_get_constraintdef(oid) says from pg_constraint
     where contype = 'f' and conparentid = 0 and connamespace = 'public'::regnamespace order by 1, 2`,
  );
  const { rows: walls } = await client.query<{ table: string }>(
    `select oid::regclass::text "table" from pg_class
     where relkind = 'r' and relnamespace = 'public'::regnamespace and relrowsecurity and relforcerowsecurity`,
  );
  const tables = [...known.values()].map(({ quoted }) => quoted);
  const take = [
    ...keys.map(({ table, name }) => `alter table ${table} drop constraint ${name}`),
    ...walls.map(({ table }) => `alter table ${table} no force row level security`),
    ...walls.map(({ table }) => `alter table ${table} disable row level security`),
    ...tables.map((table) => `alter table ${table} disable trigger user`),
    `truncate ${tables.join(", ")}`,
  ];
  await client.query(take.join(";\n"));
  return [
    ...tables.map((table) => `alter table ${table} enable trigger user`),
    ...keys.map(({ table, name, says }) => `alter table ${table} add constraint ${name} ${says}`),
    ...walls.map(({ table }) => `alter table ${table} enable row level security`),
    ...walls.map(({ table }) => `alter table ${table} force row level security`),
  ];
}

const bind = (client: pg.Client, statements: readonly string[]) => client.query(statements.join(";\n"));
