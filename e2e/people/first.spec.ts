// First visit to a new install: the first keeper, once.
import { expect } from "@playwright/test";
import { type Served, serveFresh } from "../serve.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("empty");
});
test.afterAll(() => served.stop());

test("the first visitor founds the club and is its keeper; the door is closed after", async ({
  page,
  browser,
}) => {
  await page.goto(served.address);
  await expect(page).toHaveURL(/\/first/);
  await page.getByLabel("Name of the club").fill("Alder Ford Radio");
  await page.getByLabel("Your name").fill("Ash Holloway");
  await page.getByLabel("Your e-mail").fill("not an address");
  await page.getByLabel("A password").fill("short");
  await page.getByRole("button", { name: "Found the club" }).click();
  await expect(page.getByText("An e-mail address such as")).toBeVisible();
  await expect(page.getByLabel("Name of the club")).toHaveValue("Alder Ford Radio");
  await page.getByLabel("Your e-mail").fill("ash@alderford.example");
  await page.getByLabel("A password").fill("seven herons under a bridge");
  await page.getByRole("button", { name: "Found the club" }).click();
  await expect(page).toHaveURL(/\/cabinet/);
  await expect(page.getByText("The cabinet is empty")).toBeVisible();
  const other = await browser.newPage();
  await other.goto(`${served.address}/first`);
  await expect(other).toHaveURL(/\/sign-in/);
  await other.close();
});
