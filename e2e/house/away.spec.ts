// PostgreSQL stops under the running server: pages say so, keep what was typed, and recover by themselves.
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { expect } from "@playwright/test";
import { freePort, startCluster } from "#scripts/postgres.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let folder: string;
let port: number;
let stop: () => Promise<void>;
let served: Served;

const cluster = () => startCluster(path.join(folder, "cluster"), { say: () => {}, fast: true, port });

test.beforeAll(async () => {
  // Each of some hundred answers would be told with its stack.
  process.env.MOSSY_LOG = "silent";
  folder = fs.mkdtempSync(path.join(os.tmpdir(), "mossy-away-"));
  fs.chmodSync(folder, 0o755);
  port = await freePort();
  const started = await cluster();
  stop = started.stop;
  served = await serveFresh("demo", { owner: started.ownerUrl, app: started.appUrl });
});
test.afterAll(async () => {
  await served.stop();
  await stop();
  fs.rmSync(folder, { recursive: true, force: true });
});

test("stopped and started again", async ({ page }) => {
  test.setTimeout(120_000);
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-05`);
  const field = page.getByLabel("What does W-05 show?");
  await field.fill("1.10");
  await expect(page.getByText("main 1.10: 1 release behind")).toBeVisible();
  await stop();
  await field.press("Enter");
  await expect(page.getByText("The records cannot be reached just now; nothing was saved")).toBeVisible();
  await expect(field).toHaveValue("1.10");
  const other = await page.context().newPage();
  const answer = await other.goto(`${served.address}/due`);
  expect(answer?.status()).toBe(503);
  await expect(other.getByText("The records cannot be reached just now")).toBeVisible();
  stop = (await cluster()).stop;
  await expect(other.getByRole("heading", { level: 1, name: "Due" })).toBeVisible({ timeout: 30_000 });
  // A browser that is closed while a page is still coming may not find its end.
  await other.waitForLoadState("networkidle");
  await other.close();
});

const BLOCK =
  /^(address|article|blockquote|details|div|dl|fieldset|figure|footer|form|h[1-6]|header|hr|main|nav|ol|p|pre|section|table|ul)$/;
const NOT_IN_ITSELF = new Set(["form", "a", "button"]);

/** Elements that a browser would put elsewhere than the server wrote them: React then draws the whole page anew. */
function misplaced(html: string): string[] {
  const found: string[] = [];
  const open: string[] = [];
  const body = html.replace(/<(script|style|textarea|noscript)\b[\s\S]*?<\/\1>/g, "");
  for (const [, end, name = "", rest = ""] of body.matchAll(/<(\/?)([a-z][a-z0-9]*)\b([^>]*)>/g)) {
    if (end) open.splice(Math.max(open.lastIndexOf(name), 0), open.length);
    else {
      if ((BLOCK.test(name) && open.includes("p")) || (NOT_IN_ITSELF.has(name) && open.includes(name)))
        found.push(`${open.slice(-3).join(" ")} ${name}${rest}`.slice(0, 120));
      if (!/^(br|hr|img|input|link|meta|path|use|source|col|wbr)$/.test(name) && !rest.endsWith("/"))
        open.push(name);
    }
  }
  return found;
}

/** Every page that the demo's keeper comes to by links, one of each kind of address. */
async function pagesOf(cookie: string): Promise<string[]> {
  const kind = (path: string) =>
    path.replace(/\/\d+(?=\/|$)/g, "/0").replace(/\/units\/(?!new)[^/]+/, "/units/0");
  const known = new Map<string, string>();
  const waiting = ["/cabinet", "/units/W-03", "/models/new", "/units/new", "/kit/in-hand", "/import", "/me"];
  while (waiting.length > 0) {
    const path = waiting.shift() ?? "";
    if (
      known.has(kind(path)) ||
      /^\/(assets|out|files|backups|known-files|codeplugs\/out)\b|\.\w+$/.test(path)
    )
      continue;
    known.set(kind(path), path);
    const answer = await fetch(served.address + path, { headers: { cookie }, redirect: "manual" });
    // A link of ours that leads nowhere.
    expect([path, answer.status]).not.toEqual([path, 404]);
    const html = await answer.text();
    expect([path, misplaced(html)]).toEqual([path, []]);
    for (const [, to] of html.matchAll(/href="(\/[^"?#]*)/g)) if (to) waiting.push(to);
  }
  return [...known.values()];
}

test("while it is away every form is answered 503, with what was typed, and saved when it is sent again", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  const [session] = await page.context().cookies();
  const cookie = `${session?.name}=${session?.value}`;
  const paths = await pagesOf(cookie);
  expect(paths.length).toBeGreaterThan(50);
  await stop();
  const headers = { cookie, origin: served.address, "content-type": "application/x-www-form-urlencoded" };
  const send = (path: string, body: string) =>
    fetch(served.address + path, { method: "POST", headers, body, redirect: "manual" });
  const wrong: string[] = [];
  for (const path of paths) {
    const body = "intent=save&key=a-key-of-mine&name=A+word+that+I+typed";
    const answer = await send(path, body);
    // Pages without a form answer so, whatever is away.
    if (answer.status === 405) continue;
    const text = await answer.text();
    if (answer.status !== 503 || !text.includes("A word that I typed"))
      wrong.push(`${path} ${answer.status}`);
    const told = await send(`${path}.data`, body);
    if (told.status !== 503) wrong.push(`${path}.data ${told.status}`);
    const asked = await fetch(`${served.address}${path}`, { headers, redirect: "manual" });
    if (asked.status !== 503) wrong.push(`asked: ${path} ${asked.status}`);
  }
  const live = await fetch(`${served.address}/live`, { headers });
  expect([wrong, live.status]).toEqual([[], 503]);
  stop = (await cluster()).stop;
});

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });
  test("what was typed stands on the page that says so, and is saved from there", async ({ page }) => {
    await signIn(page, served.address, "wren");
    await page.goto(`${served.address}/club/places/new`);
    await page.getByLabel("Name").fill("The boat house");
    await stop();
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page.getByText("Nothing was saved. What you typed is kept here")).toBeVisible();
    await expect(page.getByLabel("name")).toHaveValue("The boat house");
    stop = (await cluster()).stop;
    await page.getByRole("button", { name: "Send it again" }).click();
    await expect(page.getByText("The boat house").first()).toBeVisible();
  });
});
