// A club's own network: a name, plain http, no secure context. What was answered while nothing answered is sent all the same; and it belongs to
// whoever gave it, also on a device that several share.
import { expect, type Page } from "@playwright/test";
import { type Served, serveFresh } from "../serve.ts";
import { test } from "../test.ts";

const NAME = "cabinet.test";
let served: Served;
let address: string;
test.beforeAll(async () => {
  served = await serveFresh("demo", undefined, { names: [NAME] });
  address = `http://${NAME}:${new URL(served.address).port}`;
});
test.afterAll(() => served.stop());

const press = (page: Page, name: string) => page.getByRole("button", { name, exact: true }).first().click();

async function enter(page: Page, who: string): Promise<void> {
  await page.goto(`${address}/sign-in`);
  expect(await page.evaluate(() => [location.hostname, isSecureContext])).toEqual([NAME, false]);
  await page.getByLabel("E-mail", { exact: true }).fill(`${who}@lanternfen.example`);
  await page.getByLabel("Password").fill("lantern on the causeway");
  await press(page, "Sign in");
  await expect(page.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();
}

async function leave(page: Page): Promise<void> {
  await page.context().clearCookies({ name: "mossy_session" });
}

async function begin(page: Page, tag: string): Promise<void> {
  await page.goto(`${address}/units/${tag}`);
  await page
    .getByRole("button", { name: "Go through it at the bench: Read the version in the menu" })
    .click();
  await press(page, "Begin");
  await expect(page.getByText("Step 1 of 3", { exact: true })).toBeVisible();
  await expect(page.locator("html[data-awake]")).toBeAttached();
}

test("what was answered while nothing answered is sent when something does", async ({ page, context }) => {
  await enter(page, "juno");
  await begin(page, "W-11");
  await context.setOffline(true);
  await press(page, "Seen it");
  await expect(page.getByText("1 answer kept on this device")).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText(/kept on this device/)).toHaveCount(0);
  await page.reload();
  await expect(page.getByText("Step 2 of 3", { exact: true })).toBeVisible();
});

test("somebody else on the same device is told that something waits, sees nothing of it, and sends none of it", async ({
  page,
  context,
}) => {
  await enter(page, "juno");
  await begin(page, "W-12");
  const run = new URL(page.url()).pathname;
  await context.setOffline(true);
  await press(page, "Seen it");
  await expect(page.getByText("1 answer kept on this device")).toBeVisible();
  // The device goes on to somebody else before anything answers.
  await page.goto("about:blank");
  await leave(page);
  await context.setOffline(false);
  await enter(page, "wren");
  await page.goto(address + run);
  await expect(
    page.getByText("Answers that somebody else gave on this device wait to be sent."),
  ).toBeVisible();
  await expect(page.getByText("Step 1 of 3", { exact: true })).toBeVisible();
  await expect(page.getByText(/kept on this device/)).toHaveCount(0);
  // It goes when whoever gave it is there again.
  await leave(page);
  await enter(page, "juno");
  await page.goto(address + run);
  await expect(page.getByText("Step 2 of 3", { exact: true })).toBeVisible();
  await expect(page.getByText("Answers that somebody else gave")).toHaveCount(0);
});
