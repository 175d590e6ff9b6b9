// A whole club out of the database and into an empty one: all tables of records that there are, found in the database's own catalogue, so that a
// new one is in it by being there.
import { z } from "zod";
import { type ClubDocument, clubDocument, foldAddress } from "#core/club/index.ts";
import { ask, idRow } from "../ask.ts";
import type { Tx } from "../pool.ts";

/** Not in it: sessions and links (they open doors), needs, work and who carries what (they are worked out anew), what was done by which form, files (by themselves). */
const LEFT_OUT = [
  "club",
  "session",
  "one_time_link",
  "need",
  "work",
  "carrying",
  "carrying_count",
  "act_done",
  "file",
  "file_part",
];
/** Columns that stay behind: secrets, and what the database numbers or gathers by itself. */
const COLUMNS_LEFT = ["club_id", "password_hash", "catalogue_stamp", "kit_stamp", "words"];
/** All files together go with it up to so many bytes. */
const MOST_FILE_BYTES = 40_000_000;

type Table = { readonly name: string; readonly columns: readonly string[]; readonly numbered: boolean };
const reference = z.object({ table: z.string(), column: z.string(), to: z.string() });
type Reference = Readonly<z.output<typeof reference>>;

/** Tables of records, those first that others refer to. */
async function tablesInOrder(tx: Tx): Promise<{ tables: Table[]; references: Reference[] }> {
  const found = await ask(
    tx,
    z.object({ name: z.string(), numbered: z.boolean(), columns: z.array(z.string()) }),
    `select c.relname "name", exists (select from pg_attribute n where n.attrelid = c.oid and n.attname = 'id' and n.attidentity <> '') numbered, array(select a.attname::text from pg_attribute a where a.attrelid = c.oid and a.attnum > 0
       and not a.attisdropped and a.attgenerated = '' order by a.attnum) columns
     from pg_class c join pg_policy p on p.polrelid = c.oid and p.polname = 'own_club'
     where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace and c.relname <> all($1::text[]) order by 1`,
    [LEFT_OUT],
  );
  const refers = await ask(
    tx,
    reference,
    `select k.conrelid::regclass::text "table", a.attname::text "column", k.confrelid::regclass::text "to"
     from pg_constraint k cross join lateral unnest(k.conkey) with ordinality u(num, i)
     join pg_attribute a on a.attrelid = k.conrelid and a.attnum = u.num
     where k.contype = 'f' and a.attname <> 'club_id' and k.connamespace = 'public'::regnamespace`,
  );
  const left = new Map(found.rows.map((table) => [table.name, table]));
  const tables: Table[] = [];
  while (left.size > 0) {
    const ready = [...left.values()].filter((table) =>
      refers.rows.every((r) => r.table !== table.name || r.to === table.name || !left.has(r.to)),
    );
    if (ready.length === 0)
      throw new Error(`tables refer to each other in a circle: ${[...left.keys()].join(", ")}`);
    for (const table of ready) {
      left.delete(table.name);
      tables.push({ ...table, columns: table.columns.filter((c) => !COLUMNS_LEFT.includes(c)) });
    }
  }
  return { tables, references: refers.rows };
}

/** The names of tables and columns come from the database itself. */
const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;

/** Everything of the club, as it stands. */
export async function writeClub(tx: Tx): Promise<ClubDocument> {
  const { tables } = await tablesInOrder(tx);
  const read: ClubDocument["tables"] = {};
  for (const { name, columns } of tables) {
    const order = columns.includes("id") ? "t.id" : "t";
    const { rows } = await ask(
      tx,
      z.object({ row: z.record(z.string(), z.unknown()) }),
      `select to_jsonb(t) - $1::text[] "row" from ${quoted(name)} t order by ${order}`,
      [COLUMNS_LEFT],
    );
    read[name] = rows.map(({ row }) => row);
  }
  const club = await ask(
    tx,
    z.object({ club: clubDocument.shape.club, at: z.string(), migrations: z.array(z.string()) }),
    `select to_jsonb(c) - '{id,kit_stamp,created_at}'::text[] club, to_char(now() at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') at,
       array(select m.name::text from migration m order by m.id) migrations from club c`,
  );
  const [own] = club.rows;
  if (!own) throw new Error("there is no club");
  return {
    format: "mossy-cabinet/club",
    version: 1,
    madeAt: own.at,
    migrations: own.migrations,
    club: own.club,
    tables: read,
    files: await filesOf(tx),
  };
}

/** The small ones first: firmware and codeplugs before whatever fills the rest. */
const FITS = "sum(size) over (order by size, sha256) <= $1";

/** How many files of the club are too many for its document, and their bytes: it names them, and has nothing of what is in them. */
export async function filesBeyond(tx: Tx): Promise<{ readonly files: number; readonly bytes: number }> {
  const { rows } = await ask(
    tx,
    z.object({ files: z.number(), bytes: z.number() }),
    `select count(*)::int files, coalesce(sum(size), 0)::float8 bytes from (select size, ${FITS} fits from file) f where not fits`,
    [MOST_FILE_BYTES],
  );
  return rows[0] ?? { files: 0, bytes: 0 };
}

async function filesOf(tx: Tx): Promise<ClubDocument["files"]> {
  const { rows } = await ask(
    tx,
    z.object({ sha256: z.string(), size: z.string(), content: z.string().nullable() }),
    `select sha256, size, case when ${FITS} then replace(encode(coalesce(content,
         (select string_agg(p.content, '' order by p.number) from file_part p where p.sha256 = file.sha256)), 'base64'), E'\\n', '') end "content"
     from file order by sha256`,
    [MOST_FILE_BYTES],
  );
  return rows.map(({ sha256, size, content }) => ({
    sha256,
    size: Number(size),
    ...(content !== null && { content }),
  }));
}

export type BroughtBack =
  | { readonly ok: true; readonly rows: number; readonly filesMissing: number; readonly madeAt: string }
  | { readonly ok: false; readonly problem: "newer" | "not-empty" };

/**
 * Brings a document into the club of the transaction, which must be new: nobody in it but who founded it. Refuses a document of a newer version.
 * What the tables themselves do not take throws.
 */
export async function bringClubBack(tx: Tx, document: ClubDocument): Promise<BroughtBack> {
  const known = await ask(
    tx,
    z.object({ names: z.array(z.string()) }),
    "select array(select m.name::text from migration m) names",
  );
  if (document.migrations.some((name) => !known.rows[0]?.names.includes(name)))
    return { ok: false, problem: "newer" as const };
  const { tables, references } = await tablesInOrder(tx);
  if (!(await isNew(tx, tables))) return { ok: false, problem: "not-empty" as const };
  await tx.query("select set_config('mossy.bringing_back', 'on', true)");
  for (const { sha256, size, content } of document.files)
    if (content !== undefined)
      await tx.query(
        `insert into file (club_id, sha256, size, content)
         select current_club(), $1, $2, b from decode($3, 'base64') b where encode(sha256(b), 'hex') = $1`,
        [sha256, size, content],
      );
  // What came with the document, and came whole.
  const there = await ask(tx, z.object({ sha256: z.string() }), "select sha256 from file");
  const arrived = new Set(there.rows.map(({ sha256 }) => sha256));
  const people = await bringPeople(tx, document.tables.person ?? []);
  let rows = 0;
  /** Tables with the ids of what was left out of them. */
  const leftOut = new Set<string>();
  for (const table of tables) {
    if (table.name === "person") continue;
    // A backup whose file was too large for the document is none; and so is what hangs on it.
    const all = document.tables[table.name] ?? [];
    const own = all.filter(
      (row) =>
        (table.name !== "backup" || arrived.has(String(row.sha256))) &&
        !references.some((r) => r.table === table.name && leftOut.has(`${r.to} ${String(row[r.column])}`)),
    );
    if (own.length < all.length) {
      const taken = new Set(own);
      for (const row of all) if (!taken.has(row)) leftOut.add(`${table.name} ${String(row.id)}`);
    }
    const persons = references
      .filter((r) => r.table === table.name && r.to === "person")
      .map((r) => r.column);
    rows += await bringRows(
      tx,
      table,
      own.map((row) => renamed(row, persons, people)),
    );
  }
  await tx.query(
    `update club c set name = d.name, time_zone = d.time_zone, locale = d.locale, currency = coalesce(d.currency, c.currency),
       sheet_nothing = d.sheet_nothing
     from jsonb_populate_record(null::club, $1::jsonb) d where c.id = current_club()`,
    [document.club],
  );
  const filesMissing = document.files.filter((file) => file.content === undefined).length;
  return { ok: true, rows: rows + people.size, filesMissing, madeAt: document.madeAt };
}

/** Nothing in it but its founder and what the log tells of the founding. */
async function isNew(tx: Tx, tables: readonly Table[]): Promise<boolean> {
  for (const { name } of tables) {
    if (["log", "person", "sheet_head"].includes(name)) continue;
    const { rows } = await ask(
      tx,
      z.object({ some: z.boolean() }),
      `select exists (select from ${quoted(name)}) "some"`,
    );
    if (rows[0]?.some) return false;
  }
  const { rows } = await ask(tx, z.object({ people: z.number() }), "select count(*)::int people from person");
  return rows[0]?.people === 1;
}

/** People get numbers of their own here; who is here already by their address stays who they are, password and all. */
async function bringPeople(tx: Tx, rows: readonly Record<string, unknown>[]): Promise<Map<string, string>> {
  const ids = new Map<string, string>();
  for (const row of rows) {
    const email = typeof row.email === "string" ? row.email : null;
    const key = email === null ? null : foldAddress(email);
    const here = await ask(tx, idRow, "select id from person where email_key = $1", [key]);
    const id =
      here.rows[0]?.id ??
      (
        await ask(
          tx,
          idRow,
          `insert into person (club_id, name, email, email_key, role, call_sign, licence_class, theme, shelved_at)
           select current_club(), d.name, $2, $3, d.role, d.call_sign, d.licence_class, coalesce(d.theme, 'auto'), d.shelved_at
           from jsonb_populate_record(null::person, $1::jsonb) d returning id`,
          [row, email, key],
        )
      ).rows[0]?.id;
    if (id !== undefined) ids.set(String(row.id), id);
  }
  return ids;
}

/** A row with the numbers that its people have here; one who is not in the document is nobody. */
function renamed(
  row: Record<string, unknown>,
  columns: readonly string[],
  people: ReadonlyMap<string, string>,
): Record<string, unknown> {
  const own = { ...row };
  for (const column of columns)
    if (own[column] !== null && own[column] !== undefined)
      own[column] = people.get(String(own[column])) ?? null;
  return own;
}

async function bringRows(tx: Tx, table: Table, rows: readonly Record<string, unknown>[]): Promise<number> {
  const [first] = rows;
  if (!first) return 0;
  // Nothing refers to an entry of the log, and the new club's has some already.
  const own = table.name === "log" ? table.columns.filter((column) => column !== "id") : table.columns;
  const columns = own.filter((column) => column in first).map(quoted);
  const { rowCount } = await tx.query(
    `insert into ${quoted(table.name)} (club_id, ${columns.join(", ")}) overriding system value
     select current_club(), ${columns.map((c) => `d.${c}`).join(", ")}
     from jsonb_populate_recordset(null::${quoted(table.name)}, $1::jsonb) d
     ${table.name === "sheet_head" ? "on conflict do nothing" : ""}`,
    [JSON.stringify(rows)],
  );
  if (table.numbered)
    await tx.query(`select advance_ids($1, (select max(id) from ${quoted(table.name)}))`, [table.name]);
  return rowCount ?? 0;
}
