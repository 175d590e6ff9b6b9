// What the server writes down of a request: enough to find trouble, nothing that opens a door.
import { once } from "node:events";
import type { AddressInfo } from "node:net";
import express from "express";
import { afterEach, expect, test } from "vitest";
import { requestLog } from "./request-log.ts";

let stop = () => {};
afterEach(() => stop());

test("a line tells method, path, status and time; no cookie, no typed text, no password", async () => {
  const lines: string[] = [];
  const app = express();
  app.use(requestLog("info", { write: (line) => lines.push(line) }));
  app.use((request, response) => {
    response.setHeader("Set-Cookie", "mossy_session=issued");
    if (request.path === "/broken") throw new Error("a defect");
    response.status(request.path === "/away" ? 503 : 200).end();
  });
  const server = app.listen(0, "127.0.0.1");
  stop = () => server.close();
  await once(server, "listening");
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const ask = (path: string) =>
    fetch(address + path, {
      method: "POST",
      headers: { Cookie: "mossy_session=carried", Authorization: "secret" },
      body: "password=lantern",
    }).then((answer) => answer.text());
  await ask("/units/W-03?kept=typed");
  await ask("/away");
  await ask("/broken");
  await ask("/join/once-and-no-more.data?a=b");
  const told = lines.map((line) => JSON.parse(line));
  expect(told.map(({ req, res, level }) => [req.method, req.path, res.status, level])).toEqual([
    ["POST", "/units/W-03", 200, 30],
    ["POST", "/away", 503, 50],
    ["POST", "/broken", 500, 50],
    ["POST", "/join/….data", 200, 30],
  ]);
  for (const { responseTime } of told) expect(responseTime).toEqual(expect.any(Number));
  expect(lines.join("")).not.toMatch(/mossy_session|carried|issued|typed|lantern|secret|once-and/);
});
