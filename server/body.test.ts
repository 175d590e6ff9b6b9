// How much a request may carry: by who sends it and to which page.
import { once } from "node:events";
import http from "node:http";
import type { AddressInfo } from "node:net";
import { expect, test } from "vitest";
import type { Role } from "#core/club/index.ts";
import { AFTER_SIGN_IN, BEFORE_SIGN_IN, limitFor, lookAtForm, PACE, takeBody } from "./body.ts";

const multipart = "multipart/form-data; boundary=b";
const limit = (path: string, length: number | undefined, role: Role | undefined, type = multipart) =>
  limitFor({ path, type, length }, async () => role && { person: role, role });

test("before sign-in little, after it more; files only where a page sends them, and only where the length is said", async () => {
  expect(await limit("/units/new", 200_000, undefined)).toMatchObject(BEFORE_SIGN_IN);
  expect(await limit("/units/new", 200_000, "keeper")).toMatchObject(AFTER_SIGN_IN);
  expect(await limit("/import", 200_000, "keeper")).toMatchObject({ bytes: 9 * 1024 * 1024, fields: 3000 });
  expect(await limit("/import", undefined, "keeper")).toMatchObject(AFTER_SIGN_IN);
  expect(await limit("/import", 200_000, "keeper", "application/x-www-form-urlencoded")).toMatchObject(
    AFTER_SIGN_IN,
  );
});

test("release notes have a row of fields for each fix: as many as sixty releases with sixty each, and no more", async () => {
  const { fields } = await limit("/models/4/notes", 200_000, "keeper");
  const most = 60 * (13 + 61 * 4);
  expect(fields).toBeGreaterThan(most);
  const form = (count: number) =>
    Buffer.from(`--b\r\nContent-Disposition: form-data; name="f"\r\n\r\n1\r\n`.repeat(count).concat("--b--"));
  expect(await lookAtForm(multipart, form(most), fields)).toBeUndefined();
  expect(await lookAtForm(multipart, form(fields + 1), fields)).toMatchObject({ status: 413 });
});

test("whoever may not send it is refused by the head; a bench hand sends files, and no club's document", async () => {
  for (const [path, role, may] of [
    ["/bench/1", "member", false],
    ["/bench/1", "bench", true],
    ["/codeplugs/files.data", "member", false],
    ["/import", "bench", false],
    ["/club/document", "bench", false],
    ["/club/document", "keeper", true],
    ["/models/1/releases/new", "member", false],
  ] as const)
    expect([path, role, (await limit(path, 8_000_000, role)).refused === undefined]).toEqual([
      path,
      role,
      may,
    ]);
});

/** The pace of the server, in stretches that a test can wait for. */
const QUICKER = 50;

/** A server that takes in what comes as `who`, at a pace of its own, and answers with how that went. */
async function taking(who: { person: string }) {
  const server = http.createServer(async (request, response) => {
    const taken = await takeBody(request, async () => ({ ...who, role: "keeper" }), {
      stretch: PACE.stretch / QUICKER,
      bytes: PACE.bytes / QUICKER,
    });
    response.setHeader("Connection", "close");
    response.end(taken.ok ? "200" : `${taken.refusal.status} ${taken.refusal.why}`);
  });
  server.listen(0, "127.0.0.1");
  await once(server, "listening");
  const { port } = server.address() as AddressInfo;
  const begin = () => {
    const request = http.request({
      port,
      host: "127.0.0.1",
      path: "/import",
      method: "POST",
      headers: { "Content-Type": multipart, "Content-Length": 8_000_000 },
    });
    const answer = new Promise<string>((resolve, reject) => {
      request.once("response", async (got) => resolve((await got.toArray()).join("")));
      request.once("error", reject);
    });
    return { request, answer };
  };
  return { begin, stop: () => server.close() };
}

test("a large body comes with 20 kB a second at least, over five seconds", () => {
  expect([PACE.stretch, (PACE.bytes / PACE.stretch) * 1000]).toEqual([5000, 20 * 1024]);
});

test("a large form that stands still is given up by itself, and holds up nobody else meanwhile", async () => {
  const held = await taking({ person: "one" });
  const other = await taking({ person: "two" });
  const slow = held.begin();
  slow.request.write("--b\r\n");
  const second = held.begin();
  second.request.write("--b\r\n");
  expect(await second.answer).toMatch(/^429 You are sending a large file already/);
  const quick = other.begin();
  quick.request.end(Buffer.alloc(8_000_000, 45));
  expect(await quick.answer).toMatch(/^(200|415)/);
  expect(await slow.answer).toMatch(/^408 That came too slowly/);
  slow.request.destroy();
  const again = held.begin();
  again.request.end(Buffer.alloc(8_000_000, 45));
  expect(await again.answer).toMatch(/^(200|415)/);
  held.stop();
  other.stop();
});
