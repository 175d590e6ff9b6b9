// From a reading to a verdict, as a keeper does it.
import { expect } from "@playwright/test";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

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

test("a form sent twice by a double click is one reading", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-11`);
  await page.getByLabel("What does W-11 show?").fill("1.13");
  await page.getByRole("button", { name: "Record" }).dblclick();
  await expect(page.getByText(/ecorded/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole("cell", { name: "1.13" })).toHaveCount(1);
});

test("two people record the same radio at once: both readings stand, and the page agrees with the later", async ({
  browser,
}) => {
  const pages = await Promise.all(
    ["juno", "tobin"].map(async (who) => {
      const page = await (await browser.newContext()).newPage();
      await signIn(page, served.address, who);
      await page.goto(`${served.address}/units/W-12`);
      await page.getByLabel("What does W-12 show?").fill(who === "juno" ? "1.06" : "1.02");
      return page;
    }),
  );
  await Promise.all(pages.map((page) => page.keyboard.press("Enter")));
  for (const page of pages) await expect(page.getByText(/Recorded\. main/)).toBeVisible();
  for (const page of pages) {
    await page.reload();
    await expect(page.getByRole("cell", { name: "1.06" })).toBeVisible();
    await expect(page.getByRole("cell", { name: "1.02" })).toBeVisible();
  }
});
