// Requests that somebody who means harm could send, as bytes: what they do to the server is tested in the browser tests (every one
// is refused) and measured (none holds up the others).
import { once } from "node:events";
import net from "node:net";

export type Hostile = {
  readonly name: string;
  /** Sent with the cookies of somebody who is signed in. */
  readonly signedIn: boolean;
  readonly head: string;
  readonly body: Iterable<Buffer | string>;
};

const HOST = "127.0.0.1";
const KB = 1024;
const URLENCODED = "application/x-www-form-urlencoded";

type Form = { readonly to?: string; readonly type?: string; readonly signedIn?: boolean };

/** A form with its length told; `$PORT` and `$COOKIE` are put in when it is sent. */
function form(
  name: string,
  body: string,
  { to = "/sign-in", type = URLENCODED, signedIn = false }: Form = {},
): Hostile {
  const bytes = Buffer.from(body);
  return {
    name,
    signedIn,
    head: post(to, `Content-Type: ${type}\r\nContent-Length: ${bytes.length}\r\n`),
    body: [bytes],
  };
}
const post = (to: string, headers: string) =>
  `POST ${to} HTTP/1.1\r\nHost: ${HOST}:$PORT\r\nOrigin: http://${HOST}:$PORT\r\n$COOKIE${headers}\r\n`;
const get = (name: string, to: string, headers = "", signedIn = true): Hostile => ({
  name,
  signedIn,
  head: `GET ${to} HTTP/1.1\r\nHost: ${HOST}:$PORT\r\n$COOKIE${headers}\r\n`,
  body: [],
});
const bare = (name: string, head: string): Hostile => ({ name, signedIn: false, head, body: [] });

/** A body in chunks whose length nobody was told. */
function* chunks(megabytes: number, first = ""): Iterable<Buffer | string> {
  const part = Buffer.alloc(64 * KB, "a");
  if (first) yield `${Buffer.byteLength(first).toString(16)}\r\n${first}\r\n`;
  for (let i = 0; i < megabytes * 16; i++) {
    yield `${part.length.toString(16)}\r\n`;
    yield part;
    yield "\r\n";
  }
  yield "0\r\n\r\n";
}
const chunked = (
  name: string,
  megabytes: number,
  { to = "/sign-in", type = URLENCODED, signedIn = false }: Form = {},
): Hostile => ({
  name,
  signedIn,
  head: post(to, `Content-Type: ${type}\r\nTransfer-Encoding: chunked\r\n`),
  body: chunks(megabytes, "email="),
});
const MULTIPART = "multipart/form-data; boundary=fen";
const part = (name: string, value: string, more = "") =>
  `--fen\r\nContent-Disposition: form-data; name="${name}"${more}\r\n\r\n${value}\r\n`;
const many = (count: number, one: (i: number) => string, between = "&") =>
  Array.from({ length: count }, (_, i) => one(i)).join(between);
const deep = (open: string, close: string, count: number) => open.repeat(count) + close.repeat(count);
const unit = { to: "/units/W-03", signedIn: true };
const person = { to: "/club/people/new", signedIn: true };
const LARGE = 1000 * KB;

export const HOSTILE: readonly Hostile[] = [
  form("an index of thirty million", "x%5B30000000%5D=1&email=a&password=b"),
  form("an index of thirty million, signed in", "x[30000000]=1&name=a", person),
  form("an index that is a power", "x[1e9]=1"),
  form(
    "thirty thousand equal fields",
    many(30_000, () => "a=1"),
  ),
  form(
    "thirty thousand equal fields, signed in",
    many(30_000, () => "a=1"),
    person,
  ),
  form(
    "three thousand equal fields, signed in",
    many(2990, () => "name=1"),
    person,
  ),
  form(
    "thirty thousand fields",
    many(30_000, (i) => `a${i}=`),
  ),
  form("a field in a field in a field", `${many(30_000, () => "a", ".")}=1`),
  form("brackets in brackets", `${deep("a[", "]", 20_000)}=1`),
  form("a name of a hundred thousand signs", `${"a".repeat(100 * KB)}=1`),
  form("a name that is an object's own", "__proto__=1&constructor=2", person),
  form("names of an object's own inside", "a.__proto__.b=1&constructor.prototype.c=1", person),
  form(
    "an intent of the form library",
    `__intent__=${encodeURIComponent('{"type":"update","payload":{"name":"x[30000000]","value":1}}')}`,
    person,
  ),
  form("an intent in the library's new way", "__INTENT__=insert(x%5B30000000%5D)", person),
  form("a hundred thousand signs of percent", "%".repeat(120 * KB)),
  form(
    "a letter that folds to two, two hundred times",
    `email=${encodeURIComponent("\u0130".repeat(200))}&password=x`,
  ),
  form(
    "a ligature that becomes eighteen letters",
    `email=${encodeURIComponent("\ufdfa".repeat(200))}&password=x`,
  ),
  form("a password of a hundred thousand signs", `email=a@b.example&password=${"p".repeat(100 * KB)}`),
  form("a byte zero", "email=a%00b&password=x"),
  form("a byte zero in a field's name", "em%00ail=a&password=x"),
  form("a byte zero, signed in", "intent=reading&typed=1%00", unit),
  form("no form but JSON", '{"email":{"$ne":1}}', { type: "application/json" }),
  form("no form but text", "email=a&password=b", { type: "text/plain" }),
  form("a form of no type", "email=a&password=b", { type: "" }),
  form("several parts without a boundary", "email=a", { type: "multipart/form-data" }),
  form("a boundary of one sign", "a".repeat(100 * KB), { type: "multipart/form-data; boundary=a" }),
  form("two thousand parts", `${many(2000, (i) => part(`a${i}`, ""), "")}--fen--\r\n`, { type: MULTIPART }),
  form("parts that do not end", part("a", "x".repeat(100 * KB)).replace(/\r\n$/, ""), { type: MULTIPART }),
  form("a part whose head does not end", `--fen\r\n${"A: b\r\n".repeat(15_000)}`, { type: MULTIPART }),
  form(
    "a file with a name of a hundred thousand signs",
    `${part("file", "x", `; filename="${"f".repeat(100 * KB)}"`)}--fen--\r\n`,
    { type: MULTIPART, to: "/import", signedIn: true },
  ),
  form("a megabyte of text, signed in", `intent=reading&typed=${"a".repeat(LARGE)}`, unit),
  form("a megabyte of percents, signed in", `intent=reading&typed=${"%41".repeat(LARGE / 3)}`, unit),
  form("a megabyte of half a letter, signed in", `intent=reading&typed=${"%F0%9F".repeat(LARGE / 6)}`, unit),
  form("a megabyte of ampersands, signed in", "&".repeat(LARGE), unit),
  form(
    "a baseline as deep as it goes",
    `baseline=${encodeURIComponent(deep("[", "]", 30_000))}&name=a`,
    person,
  ),
  form(
    "a baseline of a megabyte of keys",
    `baseline=${encodeURIComponent(`{${many(40_000, (i) => `"k${i}":"v"`, ",")}}`)}&name=a`,
    person,
  ),
  form(
    "a baseline that is an object's own",
    `baseline=${encodeURIComponent('{"__proto__":"x"}')}&name=a`,
    person,
  ),
  form("a device list of two million spaces", `${part("text", " ".repeat(2_000_000))}--fen--\r\n`, {
    to: "/kit/which-lead",
    type: MULTIPART,
    signedIn: true,
  }),
  form("two million spaces as plusses", `text=${"+".repeat(2_000_000)}`, {
    to: "/kit/which-lead",
    signedIn: true,
  }),
  form("a version of a hundred thousand spaces", `intent=reading&typed=1${"+".repeat(100 * KB)}1`, unit),
  chunked("four hundred megabytes in chunks", 400),
  chunked("four hundred megabytes in chunks, signed in", 400, unit),
  chunked("four hundred megabytes in chunks, to a form for files", 400, {
    to: "/import",
    signedIn: true,
    type: MULTIPART,
  }),
  chunked("four hundred megabytes in chunks, to no page at all", 400, { to: "/nowhere" }),
  {
    name: "four hundred megabytes announced",
    signedIn: false,
    head: post("/sign-in", `Content-Type: ${URLENCODED}\r\nContent-Length: 419430400\r\n`),
    body: [],
  },
  {
    name: "four hundred megabytes announced for a file",
    signedIn: true,
    head: post("/models/1/releases/new", `Content-Type: ${MULTIPART}\r\nContent-Length: 419430400\r\n`),
    body: [],
  },
  {
    name: "a length that is none",
    signedIn: false,
    head: post("/sign-in", `Content-Type: ${URLENCODED}\r\nContent-Length: x\r\n`),
    body: [],
  },
  {
    name: "length and chunks at once",
    signedIn: false,
    head: post(
      "/sign-in",
      `Content-Type: ${URLENCODED}\r\nContent-Length: 5\r\nTransfer-Encoding: chunked\r\n`,
    ),
    body: ["0\r\n\r\n"],
  },
  bare("TRACE", `TRACE / HTTP/1.1\r\nHost: ${HOST}\r\n\r\n`),
  bare("CONNECT", `CONNECT elsewhere.example:443 HTTP/1.1\r\nHost: ${HOST}\r\n\r\n`),
  bare("PUT", `PUT /units/W-03 HTTP/1.1\r\nHost: ${HOST}\r\nContent-Length: 0\r\n\r\n`),
  bare("DELETE", `DELETE /units/W-03 HTTP/1.1\r\nHost: ${HOST}\r\n\r\n`),
  bare("a host of another name", "GET / HTTP/1.1\r\nHost: elsewhere.example\r\n\r\n"),
  bare("a host that is none", "GET / HTTP/1.1\r\nHost: a b\r\n\r\n"),
  bare("a host with a port that is none", `GET / HTTP/1.1\r\nHost: ${HOST}:999999\r\n\r\n`),
  bare("a host with a page in it", `GET / HTTP/1.1\r\nHost: ${HOST}/x?y\r\n\r\n`),
  bare("no host", "GET / HTTP/1.1\r\n\r\n"),
  bare("a whole address of elsewhere", `GET http://elsewhere.example/ HTTP/1.1\r\nHost: ${HOST}\r\n\r\n`),
  bare(
    "a head of a hundred thousand signs",
    `GET / HTTP/1.1\r\nHost: ${HOST}\r\nX: ${"x".repeat(100 * KB)}\r\n\r\n`,
  ),
  get("a byte zero in the address", "/units/W%00"),
  get("an address that is no Unicode", "/units/%E0%A4%A"),
  get("an id that is none", "/models/99999999999999999999999"),
  get("an id of nobody", "/club/people/999999999"),
  get("a file of nobody", `/files/${"0".repeat(64)}`),
  get(
    "a cookie that is none",
    "/cabinet",
    `Cookie: mossy_session=${"a".repeat(9000)}; mossy_browser=x.y\r\n`,
    false,
  ),
];

const PATIENCE_MS = 15_000;

/** Sends one and answers the status, or "closed" if the server hung up without a word. */
export async function send(one: Hostile, port: number, cookie: string): Promise<number | "closed"> {
  const socket = net.connect(port, HOST);
  let said = "";
  let over = false;
  socket.on("data", (data) => {
    if (said.length < 4000) said += data.toString("latin1");
  });
  const ended = new Promise<void>((resolve) => {
    const end = () => {
      over = true;
      resolve();
    };
    socket.once("error", end).once("close", end);
    socket.on("data", () => /^HTTP\/1\.1 \d{3}/.test(said) && !/^HTTP\/1\.1 100/.test(said) && resolve());
    setTimeout(end, PATIENCE_MS).unref();
  });
  const cookies = one.signedIn ? `Cookie: ${cookie}\r\n` : "";
  socket.write(one.head.replaceAll("$PORT", String(port)).replace("$COOKIE", cookies));
  for (const piece of one.body) {
    if (over || said !== "" || socket.destroyed) break;
    if (!socket.write(piece)) await Promise.race([once(socket, "drain").catch(() => {}), ended]);
  }
  await ended;
  socket.destroy();
  return Number(/^HTTP\/1\.1 (\d{3})/.exec(said)?.[1] ?? 0) || "closed";
}
