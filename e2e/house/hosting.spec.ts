// Names, proxies and certificates: what the server believes of how it is asked, and from whom.
import http from "node:http";
import https from "node:https";
import { expect } from "@playwright/test";
import selfsigned from "selfsigned";
import type { ServeOptions } from "../../server/app.ts";
import { type Served, serveFresh } from "../serve.ts";
import { test } from "../test.ts";

type Answer = { readonly status: number | undefined; readonly headers: http.IncomingHttpHeaders };

let served: Served | undefined;
test.afterEach(() => served?.stop());
const serve = async (more: Partial<ServeOptions>) => {
  served = await serveFresh("demo", undefined, more);
  return served.address;
};

/** With headers that no browser would let a page set. */
const ask = (address: string, headers: Record<string, string>, form?: string): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const url = new URL(address);
    const request = (url.protocol === "https:" ? https : http).request(
      url,
      {
        method: form === undefined ? "GET" : "POST",
        headers: {
          ...(form !== undefined && { "Content-Type": "application/x-www-form-urlencoded" }),
          ...headers,
        },
        rejectUnauthorized: false,
      },
      (answer) => {
        answer.resume();
        resolve({ status: answer.statusCode, headers: answer.headers });
      },
    );
    request.once("error", reject);
    request.end(form);
  });
const RIGHT = "email=wren%40lanternfen.example&password=lantern+on+the+causeway";
const wrong = (email: string) => `email=${email}%40lanternfen.example&password=x`;
const signIn = (address: string, origin: string, headers: Record<string, string> = {}, form = RIGHT) =>
  ask(`${address}/sign-in`, { Origin: origin, ...headers }, form);

test("it answers to its own names, and to those it was told; to no other", async () => {
  const address = await serve({ names: ["cabinet.example"] });
  const port = new URL(address).port;
  for (const [host, status] of [
    [`127.0.0.1:${port}`, 200],
    ["localhost", 200],
    ["CABINET.example:4700", 200],
    ["elsewhere.example", 421],
    ["cabinet.example.elsewhere.example", 421],
    ["cabinet.example:port", 400],
    ["cabinet example", 400],
  ] as const)
    expect([host, (await ask(`${address}/sign-in`, { Host: host })).status]).toEqual([host, status]);
});

test("what a proxy says counts only where that proxy is trusted", async () => {
  const forwarded = {
    Host: "127.0.0.1",
    "X-Forwarded-Proto": "https",
    "X-Forwarded-Host": "cabinet.example",
    "X-Forwarded-For": "203.0.113.9",
  };
  const plain = await serve({ names: ["cabinet.example"] });
  // The framework refuses some of them before we do.
  const REFUSED = [400, 403];
  expect(REFUSED).toContain((await signIn(plain, "https://cabinet.example", forwarded)).status);
  const own = await signIn(plain, plain, { ...forwarded, Host: new URL(plain).host });
  expect(own.status).toBe(302);
  expect(own.headers["set-cookie"]?.join()).not.toContain("Secure");
  await served?.stop();

  const behind = await serve({ names: ["cabinet.example"], proxies: ["127.0.0.1"] });
  const answer = await signIn(behind, "https://cabinet.example", forwarded);
  expect(answer.status).toBe(302);
  expect(answer.headers["set-cookie"]).toHaveLength(2);
  for (const cookie of answer.headers["set-cookie"] ?? []) {
    expect(cookie).toContain("Secure");
    expect(cookie).toContain("HttpOnly");
  }
  // Another origin than the one it is asked under is still refused, and so is another name.
  expect(REFUSED).toContain((await signIn(behind, "http://cabinet.example", forwarded)).status);
  const other = { ...forwarded, "X-Forwarded-Host": "elsewhere.example" };
  expect((await signIn(behind, "https://elsewhere.example", other)).status).toBe(421);
  // Tries are counted where they come from, not where the proxy is.
  const from = (address: string, email: string) =>
    signIn(behind, "https://cabinet.example", { ...forwarded, "X-Forwarded-For": address }, wrong(email));
  for (let i = 0; i < 8; i++) expect((await from("203.0.113.9", "juno")).status).toBe(400);
  expect((await from("203.0.113.9", "juno")).status).toBe(429);
  expect((await from("203.0.113.10", "juno")).status).toBe(400);
});

test("with a certificate it serves https, and cookies go over nothing else", async () => {
  const made = await selfsigned.generate([{ name: "commonName", value: "127.0.0.1" }]);
  const address = await serve({ tls: { cert: made.cert, key: made.private } });
  expect(address).toMatch(/^https:/);
  const answer = await signIn(address, address);
  expect(answer.status).toBe(302);
  expect(answer.headers["set-cookie"]?.[0]).toContain("Secure");
  expect((await ask(`${address}/cabinet`, {})).headers["cache-control"]).toBe("no-store");
});
