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
  // Some four hundred zones: a few letters find one, with the keys alone. What is no zone is not taken.
  const zone = page.getByRole("combobox", { name: "Time zone" });
  await zone.fill("nowhere at all");
  await expect(page.getByText("Nothing goes by that.")).toBeVisible();
  await zone.blur();
  await expect(zone).not.toHaveValue("nowhere at all");
  await zone.fill("eu");
  await expect(page.getByRole("listbox").getByRole("option").first()).toHaveText("Europe/Amsterdam");
  await zone.fill("azor");
  await expect(page.getByRole("listbox").getByRole("option")).toHaveText(["Atlantic/Azores"]);
  await zone.press("Enter");
  await expect(zone).toHaveValue("Atlantic/Azores");
  await zone.focus();
  await zone.press("ArrowDown");
  // Of all of them only those in sight are drawn, and each says where it is among them.
  const option = page.getByRole("listbox").getByRole("option").first();
  await expect(option).toHaveAttribute("aria-setsize", /^[34]\d\d$/);
  expect(await page.getByRole("listbox").getByRole("option").count()).toBeLessThan(60);
  await zone.press("Escape");
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
  await page.goto(`${served.address}/club`);
  await expect(page.getByText("time zone Atlantic/Azores")).toBeVisible();
  const other = await browser.newPage();
  await other.goto(`${served.address}/first`);
  await expect(other).toHaveURL(/\/sign-in/);
  await other.close();
});
