// Pages over HTTP, 16 at once, against the sign-in page; and the script that the first load of Cabinet brings.
import { execFile } from "node:child_process";
import fs from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { promisify } from "node:util";
import { gzipSync } from "node:zlib";
import { serveFresh } from "../e2e/serve.ts";
import type { Task } from "./asker.ts";
import { type Measured, ratio } from "./clock.ts";

const AT_ONCE = 16;
const ROUNDS = 40;

export async function measurePages(): Promise<Measured[]> {
  const served = await serveFresh("demo");
  const cookie = await signInKeeper(served.address);
  const pages = [
    { name: "the sign-in page", where: "/sign-in", headers: {} as Record<string, string> },
    { name: "Cabinet", where: "/cabinet", headers: { cookie } },
    { name: "Due", where: "/due", headers: { cookie } },
  ];
  const [base = 0, ...times] = await ask({
    pages: pages.map(({ where, headers }) => ({ url: served.address + where, headers })),
    atOnce: AT_ONCE,
    rounds: ROUNDS,
  });
  const results: Measured[] = times.map((time, i) =>
    ratio(`${pages[i + 1]?.name}, demo data, ${AT_ONCE} at once, against the sign-in page`, time, base, 3),
  );
  const html = await (await fetch(`${served.address}/cabinet`, { headers: { cookie } })).text();
  results.push(scriptSize(html));
  await served.stop();
  return results;
}

export async function ask(task: Task): Promise<number[]> {
  const asker = fileURLToPath(new URL("asker.ts", import.meta.url));
  const { stdout } = await promisify(execFile)(process.execPath, [
    "--import",
    "tsx",
    asker,
    JSON.stringify(task),
  ]);
  return JSON.parse(stdout);
}

export async function signInKeeper(address: string): Promise<string> {
  const answer = await fetch(`${address}/sign-in`, {
    method: "POST",
    redirect: "manual",
    headers: { Origin: address, "Content-Type": "application/x-www-form-urlencoded" },
    body: new URLSearchParams({ email: "wren@lanternfen.example", password: "lantern on the causeway" }),
  });
  const cookie = answer.headers.get("set-cookie")?.split(";")[0];
  if (!cookie) throw new Error(`signing in answered ${answer.status}`);
  return cookie;
}

/** Every script that the page names, compressed. */
function scriptSize(html: string): Measured {
  const client = fileURLToPath(new URL("../build/client", import.meta.url));
  const scripts = new Set([...html.matchAll(/\/assets\/[\w.-]+\.js/g)].map((match) => match[0]));
  const used = [...scripts].filter(
    (script) =>
      html.includes(`href="${script}"`) ||
      html.includes(`import "${script}"`) ||
      html.includes(`from "${script}"`),
  );
  const bytes = used.reduce(
    (sum, script) => sum + gzipSync(fs.readFileSync(path.join(client, script))).length,
    0,
  );
  return {
    what: "first load of Cabinet, compressed script",
    value: `${(bytes / 1000).toFixed(0)} kB in ${used.length} files`,
    asked: "at most 160 kB",
    ok: bytes <= 160_000 && used.length > 0,
  };
}
