// From a reading to a verdict, as a keeper does it.
import { expect, test } from "@playwright/test";
import { type Served, serveFresh } from "./serve.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

test("a keeper signs in, types what a radio shows, and sees what it means", async ({ page }) => {
  await page.goto(`${served.address}/units/W-03`);
  await page.getByLabel("E-mail").fill("wren@lanternfen.example");
  await page.getByLabel("Password").fill("lantern on the causeway");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page).toHaveURL(/units\/W-03/);
  const field = page.getByLabel("What does W-03 show?");
  await field.fill("1.14");
  await expect(page.getByText("main 1.14: current")).toBeVisible();
  await field.press("Enter");
  await expect(page.getByText("Recorded. main 1.14: current.")).toBeVisible();
});
