// A radio's story: what was done is written down, today or back then, and found again by day and by words.
import { expect, type Page } from "@playwright/test";
import { addDays, dateInZone } from "#core/quantities/index.ts";
import { expectAccessible } from "../accessible.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

const ago = (days: number) => addDays(dateInZone(new Date(), "Europe/London"), -days);
const form = (page: Page) => page.locator("#write-down");
const rows = (page: Page) => page.getByRole("row").filter({ has: page.getByRole("cell") });

async function find(page: Page, words: string, from?: string, to?: string) {
  await page.goto(`${served.address}/log`);
  await page.getByLabel("Words").fill(words);
  if (from) await page.getByLabel("From").fill(from);
  if (to) await page.getByLabel("To").fill(to);
  await page.getByRole("button", { name: "Show" }).click();
  await expect(page).toHaveURL(/words=/);
}

test("a year's story of one radio: from the wall, what was done with which lead, what failed; found next year by its words", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/cabinet?unit=W-07`);
  await page.getByRole("link", { name: "Write down what was done" }).click();
  await expect(form(page).getByLabel("In words")).toBeVisible();
  await form(page).getByRole("button", { name: "Write it down" }).click();
  await expect(page.getByText("Say what was done, in a few words.")).toBeVisible();
  await form(page).getByLabel("Somebody").selectOption("flash");
  await form(page).getByLabel("In words").fill("stopped at 40 %: the plug was not seated");
  await form(page).getByLabel("On (empty: today)").fill(ago(200));
  await form(page).getByText("With what, and whether it worked").click();
  await form(page).getByLabel("From version").fill("1.14");
  await form(page).getByLabel("To version").fill("1.15");
  await form(page).getByLabel("With the lead").selectOption("K-07");
  await form(page).getByLabel("It", { exact: true }).selectOption("failed");
  await expectAccessible(page);
  await form(page).getByRole("button", { name: "Write it down" }).click();
  await expect(page.getByText("Written down.", { exact: true })).toBeVisible();
  await find(page, "7 k-07 failed", ago(365), ago(100));
  await expect(rows(page)).toHaveCount(1);
  await expect(rows(page)).toContainText("flash from 1.14 to 1.15, with K-07; it failed. stopped at 40 %");
  await expect(rows(page)).toContainText(/written \d/);
  await expectAccessible(page);
  await find(page, "7 k-07 failed", ago(30));
  await expect(page.getByText("Nothing in the log matches.")).toBeVisible();
});

test("a day before the radio was known is asked about, and kept all the same; what was typed stays; without scripts too", async ({
  browser,
}) => {
  const context = await browser.newContext({ javaScriptEnabled: false });
  const page = await context.newPage();
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-04?write`);
  await form(page).getByLabel("In words").fill("new knob");
  await form(page).getByLabel("On (empty: today)").fill("2019-05-02");
  await form(page).getByRole("button", { name: "Write it down" }).click();
  await expect(
    page.getByText(/The radio is in the records since .* only\. Tick that it was so/),
  ).toBeVisible();
  await expect(form(page).getByLabel("In words")).toHaveValue("new knob");
  await form(page).getByLabel("It was so all the same").check();
  await form(page).getByRole("button", { name: "Write it down" }).click();
  await expect(page.getByText("Written down.", { exact: true })).toBeVisible();
  await context.close();
});

test("a reading that is of another radio goes there; the page says serial number and plugs", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-09`);
  await expect(page.getByText(/Serial number FW2 4112\. Plug: two-pin/)).toBeVisible();
  await page.goto(`${served.address}/units/W-04`);
  const reading = page.locator("#readings").getByRole("row").filter({ hasText: "1.08" });
  await reading.getByText("It is of another radio").click();
  await reading.getByLabel("Of which radio the reading 1.08 is").fill("Z-99");
  await reading.getByRole("button", { name: "Move it" }).click();
  await expect(page.getByText("No radio in the cabinet has the tag “Z-99”.")).toBeVisible();
  await reading.getByLabel("Of which radio the reading 1.08 is").fill("w-05");
  await reading.getByRole("button", { name: "Move it" }).click();
  await expect(page.getByText("Moved to W-05: main 1.08. Here it counts no more.")).toBeVisible();
  await expect(reading).toContainText("it is of W-05");
  await page.goto(`${served.address}/units/W-05`);
  await expect(page.locator("#readings").getByRole("row").filter({ hasText: "1.08" })).toBeVisible();
});

test("the drawer on the wall says what the radio needs, why, and the next act", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/cabinet?unit=W-03`);
  const drawer = page.getByRole("region", { name: "Radio W-03" });
  await expect(drawer.getByText(/^2 releases behind/)).toBeVisible();
  const needs = drawer.getByRole("list", { name: "What W-03 needs" });
  await expect(needs).toContainText(/Install 1\.14 since/);
  await expect(drawer.getByRole("button", { name: "Update it at the bench" })).toBeVisible();
  await expectAccessible(page);
  // What only has to be read is not taken to the bench for an update.
  await page.goto(`${served.address}/cabinet?unit=H-10`);
  const other = page.getByRole("region", { name: "Radio H-10" });
  await expect(other.getByRole("list")).toContainText("Main: read it for the first time");
  await expect(other.getByRole("button", { name: "Update it at the bench" })).toHaveCount(0);
});
