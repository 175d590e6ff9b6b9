// Release notes are pasted: found, looked at, written down together; refused with what was typed kept.
import { expect } from "@playwright/test";
import { expectAccessible } from "../accessible.ts";
import { openAwake } from "../awake.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

const NOTES = `Version 1.18 (12 October 2026)
- Fixed: the tone list was lost when a second zone was used
- Keeps transmitting after the time-out timer: mended
Requires 1.10 or newer. All settings are erased.
WARNING: do not unplug while the lamp is red.

1.17 - 3 June 2026
* corrects the clock

Version 1.14
- known already

1.19-rc1
- a look at what comes`;

test("notes pasted to three releases: each with its place, one without a day asked for, one known not picked", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/models`);
  await page.getByRole("link", { name: "Wicket", exact: true }).click();
  await page.getByRole("link", { name: "Add a release" }).click();
  await page.getByRole("link", { name: "Paste release notes" }).click();
  await page.getByLabel("The notes").fill("Nothing here has a number.");
  await page.getByRole("button", { name: "Find the releases" }).click();
  await expect(page.getByRole("alert")).toContainText("No version was found");
  await expect(page.getByLabel("The notes")).toHaveValue("Nothing here has a number.");
  await page.getByLabel("The notes").fill(NOTES);
  await page.getByLabel("Whence they are").fill("the leaflet in the box");
  await page.getByRole("button", { name: "Find the releases" }).click();
  await expect(page.getByText("4 releases found")).toBeVisible();
  const one = (version: string) => page.getByRole("group", { name: `Release ${version}` });
  await expect(one("1.18").getByText("lines 1 to 5")).toBeVisible();
  await expect(one("1.18").getByLabel("Released on")).toHaveValue("2026-10-12");
  await expect(one("1.18").getByLabel("What fix 2 is, line 3")).toHaveValue(/time-out timer/);
  await expect(one("1.18").getByLabel("Urgency of fix 2")).toHaveValue("safety");
  await expect(one("1.18").getByLabel("Only over: oldest version")).toHaveValue("1.10");
  await expect(one("1.18").getByLabel("It", { exact: true })).toHaveValue("settings");
  await expect(one("1.18").getByLabel("Warnings and the rest")).toHaveValue(/do not unplug/);
  await expect(one("1.14").getByLabel("Take 1.14")).not.toBeChecked();
  await expect(one("1.14").getByText("in the list already")).toBeVisible();
  await one("1.17").getByText("The place in the text").click();
  await expect(one("1.17").getByText("* corrects the clock")).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Write down what is picked" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "A real date" })).toBeVisible();
  await expect(one("1.18").getByLabel("Only over: oldest version")).toHaveValue("1.10");
  await one("1.19-rc1").getByLabel("Released on").fill("2026-11-01");
  await page.getByRole("button", { name: "Write down what is picked" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Wicket");
  for (const version of ["1.18", "1.17", "1.19-rc1"])
    await expect(page.getByRole("row").filter({ hasText: version }).first()).toBeVisible();
  await page.goto(`${served.address}/log`);
  await expect(page.getByText(/added main 1\.18/)).toBeVisible();
  await expect(page.getByText(/added main 1\.14/)).toHaveCount(0);
});

test("2 MB are refused with the reason; a version that is there already says so and nothing is written", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/models`);
  await page.getByRole("link", { name: "Wicket II", exact: true }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Wicket II");
  const model = page.url();
  await page.goto(`${model}/notes`);
  await page.getByLabel("The notes").evaluate((field: HTMLTextAreaElement) => {
    field.value = "Version 9.1\n- all is well\n".repeat(77_000);
  });
  await page.getByRole("button", { name: "Find the releases" }).click();
  await expect(page.getByRole("alert")).toContainText(
    "million signs; release notes of up to 200,000 are read",
  );
  await page.getByLabel("The notes").fill("Version 9.1, 2 May 2026\n- new\nVersion 2.2.1, 3 May 2026\n- old");
  await page.getByRole("button", { name: "Find the releases" }).click();
  await page.getByLabel("Take 2.2.1").check();
  await page.getByRole("button", { name: "Write down what is picked" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "Nothing was written down" })).toContainText(
    "There is a release of that version already",
  );
  await expect(page.getByLabel("Take 9.1")).toBeChecked();
  await page.goto(model);
  await expect(page.getByText("9.1", { exact: true })).toHaveCount(0);
});

test("another tab adds a release to the same model meanwhile: what was found and corrected, and what was wrong, stay", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await openAwake(page, `${served.address}/models/3/notes`);
  await page
    .getByLabel("The notes")
    .fill("Version 8.1\n- Fixed: the dial stuck\nVersion 8.2, 2 May 2026\n- new lamp");
  await page.getByRole("button", { name: "Find the releases" }).click();
  await expect(page.getByText("2 releases found")).toBeVisible();
  await page.getByRole("button", { name: "Write down what is picked" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "A real date" })).toBeVisible();
  const one = page.getByRole("group", { name: "Release 8.1" });
  await one.getByLabel("Released on").fill("2026-04-01");
  await one.getByLabel("What fix 1 is, line 2").fill("the dial stuck when cold");
  const heard = await page.locator("html").getAttribute("data-live");
  const other = await page.context().newPage();
  await openAwake(other, `${served.address}/models/3/releases/new`);
  await other.getByLabel("Version", { exact: true }).fill("6.66");
  await other.getByLabel("Released on").fill("2025-01-01");
  await other.getByRole("button", { name: "Add it" }).click();
  await expect(other).toHaveURL(/models\/3$/);
  await expect(page.locator("html")).not.toHaveAttribute("data-live", heard ?? "");
  await page.waitForLoadState("networkidle");
  await expect(one.getByLabel("Released on")).toHaveValue("2026-04-01");
  await expect(one.getByLabel("What fix 1 is, line 2")).toHaveValue("the dial stuck when cold");
  await expect(page.getByRole("alert").filter({ hasText: "A real date" })).toBeVisible();
  await page.getByRole("button", { name: "Write down what is picked" }).click();
  await expect(page.getByRole("row").filter({ hasText: "8.1" }).first()).toBeVisible();
});

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });
  test("notes are looked through and written down the same", async ({ page }) => {
    await signIn(page, served.address, "wren");
    await page.goto(`${served.address}/models/3/notes`);
    await page.getByLabel("The notes").fill("7.5, 1 March 2026\n- new lamp");
    await page.getByRole("button", { name: "Find the releases" }).click();
    await page.getByRole("button", { name: "Write down what is picked" }).click();
    await expect(page.getByRole("heading", { level: 1 })).not.toContainText("Release notes");
    await expect(page.getByRole("row").filter({ hasText: "7.5" }).first()).toBeVisible();
  });
});
