// A policy is weighed before it is saved: who becomes due, who is relieved, and from which day on.
import { expect } from "@playwright/test";
import { expectAccessible } from "../accessible.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

test("a policy weighed before it is saved: nothing is saved by looking; one that makes all radios due says so", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/club`);
  await page.getByRole("link", { name: "Lanterns kit" }).click();
  await expect(page.getByText("What is written here can be weighed before it is saved")).toBeVisible();
  await page.getByRole("button", { name: "See whom it touches" }).click();
  await expect(page.getByText("No radio: nothing would change for any of them.")).toBeVisible();
  await expect(page.getByText(/as far as is known today/)).toBeVisible();
  const days = page.getByLabel("Readings are good for days");
  await days.fill("1");
  await page.getByRole("button", { name: "See whom it touches" }).click();
  const told = page.getByRole("status").filter({ hasText: "What it would touch" });
  await expect(told.getByText(/^\d+ would need something$/)).toBeVisible();
  await expect(told).toContainText("W-01");
  await expect(page.getByText(/The first day on which anything is other than now: today\./)).toBeVisible();
  await expect(days).toHaveValue("1");
  await expectAccessible(page);
  // A hold relieves; a day is told.
  await days.fill("365");
  await page.getByLabel("On hold until").fill("2999-01-01");
  await page.getByLabel("Why it is on hold").fill("nothing changes before the walk");
  await page.getByRole("button", { name: "See whom it touches" }).click();
  // The answer to this look, not the one before it: until it is there the form cannot be sent again.
  await expect(told.getByText(/would need nothing more/).first()).toBeVisible();
  await expect(told.getByText(/^\d+ would need something$/)).toHaveCount(0);
  await page.getByLabel("Readings are good for days").fill("0");
  await page.getByRole("button", { name: "See whom it touches" }).click();
  await expect(told).toHaveCount(0);
  // In the records all is as it was; what was typed here is kept by the page itself.
  const other = await page.context().newPage();
  await other.goto(`${served.address}/club`);
  const group = other.getByRole("listitem").filter({ hasText: "Lanterns kit" });
  await expect(group).toContainText("Readings are good for 365 days");
  await expect(group).not.toContainText("On hold");
  await other.close();
});

test("a hold weighed before it is set: on a radio's page and for several; nothing is saved by looking", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/units/W-03`);
  await page.getByText("Put it on hold").click();
  await page.getByLabel("Until").fill("2999-01-01");
  await page.getByRole("button", { name: "What would that do?" }).click();
  await expect(
    page.getByText(/W-03 would be left alone until 1 Jan 2999\. Nothing is saved yet\./),
  ).toBeVisible();
  await expect(page.getByLabel("Until")).toHaveValue("2999-01-01");
  await expect(page.getByRole("button", { name: "Lift the hold" })).toHaveCount(0);
  await page.getByLabel("Until").fill("2020-01-01");
  await page.getByRole("button", { name: "What would that do?" }).click();
  await expect(page.getByText("Say until which day to come")).toBeVisible();
  await page.goto(`${served.address}/due?sort=tag`);
  await page.getByRole("checkbox", { name: "Pick W-03" }).first().check();
  await page.getByRole("checkbox", { name: "Pick W-08" }).first().check();
  await page.getByLabel("leave alone until").fill("2999-01-01");
  await page.getByRole("button", { name: "What would that do?" }).click();
  await expect(page.getByText(/W-03.* would be left alone until 1 Jan 2999\./)).toBeVisible();
  await expect(page.getByRole("checkbox", { name: "Pick W-08" }).first()).toBeChecked();
});

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });
  test("it is weighed the same, and saved by its own press", async ({ page }) => {
    await signIn(page, served.address, "wren");
    await page.goto(`${served.address}/club`);
    await page.getByRole("link", { name: "Loan pool" }).click();
    await page.getByLabel("Readings are good for days").fill("2");
    await page.getByRole("button", { name: "See whom it touches" }).click();
    await expect(page.getByText(/^\d+ would need something/).first()).toBeVisible();
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page).toHaveURL(/\/club$/);
    await expect(page.getByText("Readings are good for 2 days.")).toBeVisible();
  });
});
