// What the options of ./start say of the network, and what is said of it at the terminal.
import { expect, test } from "vitest";
import { addressOf, firstCode, greeting, readNetwork } from "./network.ts";

test("on loopback nothing is open; in a network or behind a proxy it is", () => {
  expect(readNetwork({})).toMatchObject({ open: false, names: [], proxies: [] });
  expect(readNetwork({ host: "127.0.0.1" }).open).toBe(false);
  expect(readNetwork({ host: "::1" }).open).toBe(false);
  expect(readNetwork({ host: "192.0.2.7" }).open).toBe(true);
  expect(readNetwork({ proxy: ["127.0.0.1"] }).open).toBe(true);
});

test("what is none is answered with what it should be", () => {
  expect(() => readNetwork({ host: "boathouse" })).toThrow("--host takes an address");
  expect(() => readNetwork({ name: ["http://x.example"] })).toThrow("--name takes a name alone");
  expect(() => readNetwork({ proxy: ["proxy"] })).toThrow("--proxy takes the address");
  expect(() => readNetwork({ "tls-cert": "a.pem" })).toThrow("go together");
  expect(() => readNetwork({ "tls-cert": "a.pem", "tls-key": "no/such.pem" })).toThrow("cannot be read");
});

test("the address is one a phone can be given", () => {
  const at = (options: Parameters<typeof readNetwork>[0]) => addressOf(4700, readNetwork(options));
  expect(at({})).toBe("http://127.0.0.1:4700");
  expect(at({ host: "192.0.2.7" })).toBe("http://192.0.2.7:4700");
  expect(at({ host: "2001:db8::7" })).toBe("http://[2001:db8::7]:4700");
  expect(at({ host: "192.0.2.7", name: ["cabinet.example"] })).toBe("http://cabinet.example:4700");
});

test("the terminal says what is open to whom, what no TLS means, and the code of the first keeper", async () => {
  const say = async (
    options: Parameters<typeof readNetwork>[0],
    more = { code: undefined as string | undefined, demo: false },
  ) => (await greeting(4700, readNetwork(options), more)).join("\n");
  expect(await say({})).not.toMatch(/TLS|Open to/);
  const open = await say({ host: "192.0.2.7" }, { code: "ABCD-EFGH-JKLM", demo: false });
  expect(open).toContain("█");
  expect(open).toContain("Open to whoever reaches this address");
  expect(open).toContain("Without TLS");
  expect(open).toContain("http://192.0.2.7:4700/first with this code: ABCD-EFGH-JKLM");
  expect(await say({ host: "192.0.2.7" }, { code: undefined, demo: true })).toContain("known to everybody");
  expect(await say({ proxy: ["127.0.0.1"] })).not.toContain("Without TLS");
});

test("codes have no signs that look alike, and none comes twice", () => {
  const codes = Array.from({ length: 200 }, firstCode);
  for (const code of codes) expect(code).toMatch(/^([A-HJ-NP-Z2-9]{4}-){2}[A-HJ-NP-Z2-9]{4}$/);
  expect(new Set(codes).size).toBe(200);
});
