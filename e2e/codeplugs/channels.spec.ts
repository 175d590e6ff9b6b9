// The channels of a radio come in from a table; which are stranded, which exceed its user's privileges, which are too wide.
import { expect, type Page } from "@playwright/test";
import { expectAccessible } from "../accessible.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

const press = (page: Page, name: string) => page.getByRole("button", { name, exact: true }).first().click();
const row = (page: Page, text: string) => page.getByRole("row").filter({ hasText: text });

test("what is wrong with them stands first, and what each mode would strand", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-15`);
  await page.getByRole("link", { name: "its channels" }).click();
  await expect(page.getByRole("row").nth(1)).toContainText("beyond what its user may use");
  await expect(row(page, "MARSHALS").first()).toContainText("It transmits on 158.550 MHz");
  const modes = page.getByRole("listitem").filter({ hasText: "stranded" });
  await expect(modes.filter({ hasText: "as sold" })).toContainText("2 stranded: MARSHALS, SLUICE");
  await expect(modes.filter({ hasText: "open" })).toContainText("(it is in it now): none is stranded");
  await expectAccessible(page);
  // The plan makes them narrow on a day that has not come yet.
  await page.goto(`${served.address}/units/S-01/channels`);
  await page.getByRole("link", { name: "loan-set.csv, 2 channels" }).click();
  await expect(row(page, "BOATHOUSE").first()).toContainText(
    /25 kHz where the plan has 12\.5 kHz at most from .* on: set it to narrow/,
  );
  await expect(row(page, "JETTY").first()).toContainText("narrower than the plan");
});

test("a table is looked at with what each column is taken for, corrected, and kept; nothing is lost silently", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-08/channels`);
  await expect(page.getByText("Nobody knows what is programmed in it.")).toBeVisible();
  await press(page, "Look at it");
  await expect(page.getByText("Choose a file, or paste the table.")).toBeVisible();
  const table = [
    "Nr;Label;RX Freq;Shift;Offset;Width;Comment",
    "1;CALLING;145,5;;;NFM;east",
    "2;CAUSEWAY;145,625;-;0,6;W;west",
    "3;MARSHALS;158,55;;;NFM;",
    "4;BROKEN;x;;;NFM;",
  ].join("\r\n");
  await page.getByLabel("A table as CSV, from whichever tool").setInputFiles({
    name: "evening.csv",
    mimeType: "text/csv",
    buffer: Buffer.from(table, "latin1"),
  });
  await press(page, "Look at it");
  await expect(page.getByRole("heading", { name: "3 channels in evening.csv" })).toBeVisible();
  await expect(page.getByText("Row 5, RX Freq: “x” is not a frequency.")).toBeVisible();
  await expect(page.getByLabel("Shift", { exact: true })).toHaveValue("direction");
  await expect(page.getByLabel("Comment", { exact: true })).toHaveValue("ignore");
  await expectAccessible(page);
  await page.getByLabel("Label", { exact: true }).selectOption("ignore");
  await page.getByLabel("Comment", { exact: true }).selectOption("name");
  await press(page, "Look again");
  await expect(row(page, "west")).toContainText("145.025 MHz");
  await page.getByLabel("Comment", { exact: true }).selectOption("ignore");
  await page.getByLabel("Label", { exact: true }).selectOption("name");
  await press(page, "Keep them");
  await expect(page.getByText("Kept.", { exact: true })).toBeVisible();
  await expect(row(page, "MARSHALS").filter({ hasText: "not transmitted on" })).toContainText(
    "refuses to transmit",
  );
  await page.reload();
  await expect(page.getByText(/^What is in it: evening.csv, by Juno Reedholm/)).toBeVisible();
});

test("a member sees them and brings in none; what is no table is said", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-04/channels`);
  await page.getByLabel("Or the table itself, pasted").fill("just words\nand more of them");
  await press(page, "Look at it");
  await expect(
    page.getByText(/^No column of it could be what a radio receives on|^It has no rows/),
  ).toBeVisible();
  await expect(page.getByLabel("Or the table itself, pasted")).toHaveValue("just words\nand more of them");
  await page.context().clearCookies();
  await signIn(page, served.address, "ida");
  await page.goto(`${served.address}/units/W-15/channels`);
  await expect(row(page, "MARSHALS").first()).toBeVisible();
  await expect(page.getByText("Bring in its channels")).toHaveCount(0);
});
