// Pages over HTTP, 16 at once, against the sign-in page; and the script that the first load of Cabinet brings.
import fs from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { gzipSync } from "node:zlib";
import { serveFresh } from "../e2e/serve.ts";
import { best, type Measured, ratio } from "./clock.ts";

const AT_ONCE = 16;
const ROUNDS = 20;

export async function measurePages(): Promise<Measured[]> {
  const served = await serveFresh("demo");
  const cookie = await signInKeeper(served.address);
  const load = async (where: string, headers: Record<string, string>) => {
    const answer = await fetch(served.address + where, { headers });
    await answer.text();
    if (answer.status !== 200) throw new Error(`${where} answered ${answer.status}`);
  };
  const pages: {
    readonly name: string;
    readonly where: string;
    readonly headers: Record<string, string>;
    best: number;
  }[] = [
    { name: "the sign-in page", where: "/sign-in", headers: {}, best: Number.POSITIVE_INFINITY },
    { name: "Cabinet", where: "/cabinet", headers: { cookie }, best: Number.POSITIVE_INFINITY },
    { name: "Due", where: "/due", headers: { cookie }, best: Number.POSITIVE_INFINITY },
  ];
  // In turn, so that a slow minute of the machine slows them all.
  for (let round = 0; round < ROUNDS; round++) {
    for (const page of pages) {
      const all = () => Promise.all(Array.from({ length: AT_ONCE }, () => load(page.where, page.headers)));
      page.best = Math.min(page.best, await best(1, all));
    }
  }
  const [base, ...others] = pages;
  const results: Measured[] = others.map((page) =>
    ratio(
      `${page.name}, demo data, ${AT_ONCE} at once, against the sign-in page`,
      page.best,
      base?.best ?? 0,
      3,
    ),
  );
  const html = await (await fetch(`${served.address}/cabinet`, { headers: { cookie } })).text();
  results.push(scriptSize(html));
  await served.stop();
  return results;
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
    asked: "at most 190 kB",
    ok: bytes <= 190_000 && used.length > 0,
  };
}
