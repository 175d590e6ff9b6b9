// Who writes which table beside the acts: read out of all statements there are, so that a new one is noticed.
import fs from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { expect, it } from "vitest";

const root = fileURLToPath(new URL("..", import.meta.url));
const filesIn = (folder: string): readonly string[] =>
  fs
    .readdirSync(path.join(root, folder), { recursive: true, encoding: "utf8" })
    .filter((file) => /\.(tsx?|sql)$/.test(file) && !/\.test\.ts$|testing/.test(file))
    .map((file) => path.join(folder, file));
const read = (file: string) => fs.readFileSync(path.join(root, file), "utf8");

const WRITES = /\b(?:insert into|delete from|update(?! of\b)(?! set)) +(\w+)|\bcopyIn\(\s*["'`](\w+)/gi;
const NO_TABLE = new Set(["set", "skip", "nowait", "on", "or"]);
const tablesIn = (text: string): Set<string> =>
  new Set(
    [...text.matchAll(WRITES)].flatMap(([, one, other]) => {
      const table = one ?? other ?? "";
      return NO_TABLE.has(table.toLowerCase()) ? [] : [table];
    }),
  );

/** Functions of the database that write, by the newest migration that defines them. */
function databaseFunctions(): ReadonlyMap<string, ReadonlySet<string>> {
  const found = new Map<string, ReadonlySet<string>>();
  for (const file of [...filesIn("db/migrations")].sort())
    for (const [, name = "", body = ""] of read(file).matchAll(
      /create (?:or replace )?function (\w+)[\s\S]*?as \$(?:\w*)\$([\s\S]*?)\$(?:\w*)\$/gi,
    ))
      found.set(name, tablesIn(body));
  return found;
}

type Writer = {
  readonly file: string;
  readonly name: string;
  readonly body: string;
  readonly tables: Set<string>;
};

/** What a room of db/ hands out at its door, with the file that holds it. */
const fromDoor = (door: string): ReadonlyMap<string, string> =>
  new Map(
    [...read(door).matchAll(/export \{([^}]*)\} from "\.\/([^"]+)"/g)].flatMap(([, names = "", file = ""]) =>
      names.split(",").map((name) => [name.trim(), path.join(path.dirname(door), file)] as const),
    ),
  );
const doors = new Map(
  filesIn("db")
    .filter((file) => file.endsWith("/index.ts"))
    .map((door) => [door, fromDoor(door)]),
);

/** Names that a file takes from db/, with the file that each is from. */
const importsOf = (file: string): readonly (readonly [name: string, from: string])[] =>
  [...read(file).matchAll(/import \{([^}]*)\} from "(#db\/|\.[^"]*?\/)([^"/][^"]*)"/g)].flatMap(
    ([, names = "", door = "", from = ""]) => {
      const whole = door === "#db/" ? `db/${from}` : path.join(path.dirname(file), door, from);
      return names.split(",").map((one) => {
        const name = one.trim().split(" as ")[0] ?? "";
        return [name, doors.get(whole)?.get(name) ?? whole] as const;
      });
    },
  );

/** What each function of db/ writes: itself, by a function of the database, or by another that it calls. */
function writers(): ReadonlyMap<string, Writer> {
  const inDatabase = databaseFunctions();
  const all: Writer[] = filesIn("db").flatMap((file) => {
    if (!file.endsWith(".ts")) return [];
    const text = read(file);
    const starts = [...text.matchAll(/^(?:export )?(?:async )?(?:function\*?|const) (\w+)/gm)];
    return starts.map((start, i) => {
      const body = text.slice(start.index, starts[i + 1]?.index ?? text.length);
      const called = [...inDatabase].filter(([name]) => new RegExp(`\\b${name}\\(`).test(body));
      return {
        file,
        name: start[1] ?? "",
        body,
        tables: new Set([...tablesIn(body), ...called.flatMap(([, tables]) => [...tables])]),
      };
    });
  });
  const byKey = new Map(all.map((one) => [`${one.file} ${one.name}`, one]));
  const calls = all.map((one) => {
    const known = [
      ...all.filter(({ file, name }) => file === one.file && name !== one.name),
      ...importsOf(one.file).flatMap(([name, from]) => byKey.get(`${from} ${name}`) ?? []),
    ];
    return [one, known.filter(({ name }) => new RegExp(`\\b${name}\\b`).test(one.body))] as const;
  });
  for (let more = true; more; ) {
    more = false;
    for (const [one, called] of calls)
      for (const table of called.flatMap(({ tables }) => [...tables]))
        if (!one.tables.has(table)) {
          one.tables.add(table);
          more = true;
        }
  }
  return byKey;
}

/** Everything else that changes a club is an act. Each with its reason: decision 013. */
const BESIDE_ACTS = {
  // Nobody is signed in yet, or not any more.
  closeSession: "session",
  foundClub: "club log person",
  logSignIn: "log",
  openSession: "session",
  redeemLink: "log one_time_link person session",
  // When a session was last seen; and that a clock jumped, which nobody asks for.
  sessionPerson: "session",
  noticeClock: "log",
  // Jobs say how far they are; the needs are worked out by acts/needs.
  moveOn: "work",
};

it("beside the acts, only what is listed writes, and only into these tables", () => {
  const known = writers();
  const used = ["app", "server", "scripts", "core", "simulators", "jobs"].flatMap((folder) =>
    filesIn(folder).flatMap((file) =>
      importsOf(file).flatMap(([name, from]) => {
        const tables = known.get(`${from} ${name}`)?.tables;
        return tables && tables.size > 0 ? [[name, [...tables].sort().join(" ")] as const] : [];
      }),
    ),
  );
  expect(Object.fromEntries(used)).toEqual(BESIDE_ACTS);
});

it("no statement that writes stands outside of db/, but for what backs up and restores a whole database", () => {
  const plain = /\b(?:insert into|delete from) +\w+|\bupdate +\w+ +set\b/i;
  const found = ["acts", "app", "server", "scripts", "core", "simulators", "jobs"]
    .flatMap(filesIn)
    .filter((file) => plain.test(read(file)));
  expect(found.sort()).toEqual(["scripts/backup.ts", "scripts/restore.ts"]);
});
