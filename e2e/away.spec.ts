// PostgreSQL stops under the running server: pages say so, keep what was typed, and recover by themselves.
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { expect, test } from "@playwright/test";
import { freePort, startCluster } from "#scripts/postgres.ts";
import { type Served, serveFresh } from "./serve.ts";
import { signIn } from "./sign-in.ts";

let folder: string;
let port: number;
let stop: () => Promise<void>;
let served: Served;

const cluster = () => startCluster(path.join(folder, "cluster"), { say: () => {}, fast: true, port });

test.beforeAll(async () => {
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
  await expect(page.getByText("The records cannot be reached just now")).toBeVisible();
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
