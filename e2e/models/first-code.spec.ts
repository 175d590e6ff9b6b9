// First visit to a server that others can reach: the first keeper is whoever can read the terminal.
import { expect } from "@playwright/test";
import { type Served, serveFresh } from "../serve.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  process.env.MOSSY_FIRST_CODE = "ABCD-EFGH-JKLM";
  served = await serveFresh("empty");
});
test.afterAll(async () => {
  delete process.env.MOSSY_FIRST_CODE;
  await served.stop();
});

test("a server that others can reach asks for the code from the terminal", async ({ page }) => {
  await page.goto(`${served.address}/first`);
  await page.getByLabel("Name of the club").fill("Alder Ford Radio");
  await page.getByLabel("Your name").fill("Ash Holloway");
  await page.getByLabel("Your e-mail").fill("ash@alderford.example");
  for (const code of ["", "ABCD-EFGH-JKLN"]) {
    await page.getByLabel("A password").fill("seven herons under a bridge");
    await page.getByLabel("The code from the terminal").fill(code);
    await page.getByRole("button", { name: "Found the club" }).click();
    await expect(page.getByText("This is not the code")).toBeVisible();
  }
  await page.getByLabel("A password").fill("seven herons under a bridge");
  await page.getByLabel("The code from the terminal").fill("abcd-efgh-jklm");
  await page.getByRole("button", { name: "Found the club" }).click();
  await expect(page).toHaveURL(/cabinet/);
});
