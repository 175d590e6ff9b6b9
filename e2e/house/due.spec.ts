// Due at work: reasons that open where they are asked for, filters kept in the address, several radios put on hold.
import { expect, type Page } from "@playwright/test";
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

const due = async (page: Page, search = "") => {
  await openAwake(page, `${served.address}/due${search}`);
};
const row = (page: Page, tag: string) => page.getByRole("listitem").filter({ hasText: tag }).first();
const group = (page: Page, title: string) =>
  page.getByRole("region", { name: title }).or(page.locator("section").filter({ hasText: title }));

test("reasons open with Enter, close again, and stay away from the row below", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await due(page);
  const why = row(page, "W-03").getByText("Why?");
  await expect(why).toHaveAttribute("aria-expanded", "false");
  await why.focus();
  await page.keyboard.press("Enter");
  await expect(row(page, "W-03").getByText("Read as “1.08” on")).toBeVisible();
  await expect(why).toHaveAttribute("aria-expanded", "true");
  await expect(page).toHaveURL(`${served.address}/due`);
  await expect(page.locator(".reasons")).toHaveCount(1);
  await page.keyboard.press("Enter");
  await expect(page.locator(".reasons")).toHaveCount(0);
});

test("reasons that cannot be had say so, keep the page, and lead to the radio's own page", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await due(page);
  await row(page, "W-03").getByRole("checkbox").check();
  await page.route("**/why?*", (route) => route.abort());
  await row(page, "W-03").getByText("Why?").click();
  await expect(row(page, "W-03").getByText("That could not be asked just now")).toBeVisible();
  await expect(row(page, "W-03").getByRole("checkbox")).toBeChecked();
  await page.unroute("**/why?*");
  await page.context().clearCookies({ name: "mossy_session" });
  await row(page, "W-08").getByText("Why?").click();
  await expect(row(page, "W-08").getByText("That could not be asked just now")).toBeVisible();
  await signIn(page, served.address, "wren");
  await due(page);
  await row(page, "W-03").getByText("Why?").click();
  await row(page, "W-03").getByRole("link", { name: "Read as “1.08”" }).click();
  await expect(page).toHaveURL(/units\/W-03#readings/);
});

test("reasons of a need that somebody met meanwhile say that", async ({ page, browser }) => {
  // A page that hears nothing of what others do.
  await page.route("**/live*", (route) => route.abort());
  await signIn(page, served.address, "wren");
  await due(page);
  const other = await (await browser.newContext()).newPage();
  await signIn(other, served.address, "juno");
  await openAwake(other, `${served.address}/units/P-03`);
  await other.getByLabel("What does P-03 show?").fill("v1.1a");
  await other.keyboard.press("Enter");
  await expect(other.getByText(/Recorded\./)).toBeVisible();
  await row(page, "P-03").getByText("Why?").click();
  await expect(row(page, "P-03").getByText("This has been seen to")).toBeVisible();
});

test("a reading recorded in its row changes the reasons that stand open beneath it", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await due(page, "?do=install");
  await row(page, "W-03").getByText("Why?").click();
  await expect(row(page, "W-03").getByText("Read as “1.08” on")).toBeVisible();
  await row(page, "W-03").getByRole("button", { name: "read" }).click();
  await page.getByLabel("What does W-03 show?").fill("1.10");
  await page.keyboard.press("Enter");
  await expect(row(page, "W-03").getByText("1.10:", { exact: true })).toBeVisible();
  await expect(row(page, "W-03").getByText("Recorded. main 1.10:")).toBeVisible();
  await expect(row(page, "W-03").getByText("Read as “1.10” on")).toBeVisible();
});

test("a filter goes into the address, holds there, and everything is one step away", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await due(page);
  await page.getByRole("combobox", { name: "Model" }).selectOption("Heron");
  await expect(page).toHaveURL(/model=\d+/);
  const tags = page.locator(".needs > li > a");
  await expect(tags.first()).toHaveText("H-02");
  for (const tag of await tags.allTextContents()) expect(tag).toMatch(/^H-/);
  await page.getByRole("combobox", { name: "Sort by" }).selectOption("tag");
  await expect(page).toHaveURL(/model=\d+.*sort=tag/);
  await page.reload();
  await expect(page.getByRole("combobox", { name: "Model" })).toHaveValue(/\d+/);
  await page.getByRole("combobox", { name: "Urgency" }).selectOption("routine");
  await page.getByRole("combobox", { name: "With" }).selectOption("Maud Whinmoor");
  await expect(page.getByText("Nothing is due. Not with this filter, at least.")).toBeVisible();
  await page.getByRole("link", { name: "everything" }).click();
  await expect(page).toHaveURL(`${served.address}/due`);
  await expect(group(page, "Ready now").first()).toBeVisible();
});

test("picked with x, several go on hold; what was refused is answered at the form and keeps what was picked and typed", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await due(page, "?sort=tag");
  const form = page.locator("#picked");
  await expect(form).not.toBeInViewport();
  await page.getByRole("link", { name: "S-05", exact: true }).first().focus();
  await page.keyboard.press("x");
  await page.keyboard.press("ArrowDown");
  await expect(page.getByRole("link", { name: "S-09", exact: true }).first()).toBeFocused();
  await page.keyboard.press("x");
  await expect(form).toBeInViewport({ ratio: 1 });
  await form.getByLabel("because").fill("the lantern walk");
  await form.getByRole("button", { name: "Put on hold" }).click();
  await expect(form.getByText("Say until which day")).toBeInViewport();
  await expect(form.getByLabel("because")).toHaveValue("the lantern walk");
  await expect(page.getByRole("checkbox", { name: "Pick S-05" }).first()).toBeChecked();
  await form.getByLabel("leave alone until").fill("2999-01-01");
  await form.getByRole("button", { name: "Put on hold" }).click();
  await expect(form.getByText("2 radios on hold.")).toBeInViewport();
  await expect(form.getByLabel("because")).toHaveValue("");
  await expect(page).toHaveURL(/sort=tag/);
  for (const tag of ["S-05", "S-09"]) {
    const held = group(page, "On hold").last().getByRole("listitem").filter({ hasText: tag }).first();
    await expect(held).toContainText("till 1 Jan 2999");
    await held.getByText("Why?").click();
    await expect(held.getByText("the lantern walk")).toBeVisible();
  }
});

for (const scheme of ["light", "dark"] as const) {
  test.describe(`accessibility of Due at work, ${scheme}`, () => {
    test.use({ colorScheme: scheme });
    test("axe finds nothing with reasons open, a field open and a refused form", async ({ page }) => {
      await signIn(page, served.address, "wren");
      await due(page);
      await row(page, "W-08").getByText("Why?").click();
      await expect(row(page, "W-08").locator(".reasons")).toBeVisible();
      await row(page, "W-08").getByRole("button", { name: "read" }).click();
      await row(page, "W-08").getByRole("checkbox").check();
      await page.getByRole("button", { name: "Put on hold" }).click();
      await expect(page.getByText("Say until which day")).toBeVisible();
      await expectAccessible(page);
    });
  });
}

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });

  test("why leads to the reasons on the radio's page, and a refused form keeps its picks", async ({
    page,
  }) => {
    await signIn(page, served.address, "wren");
    await page.goto(`${served.address}/due?sort=tag`);
    await page.getByRole("checkbox", { name: "Pick W-08" }).first().check();
    await page.getByLabel("leave alone until").fill("2999-01-01");
    await page.getByRole("button", { name: "Put on hold" }).click();
    await expect(page.getByText("Say why, so that others know.")).toBeInViewport();
    await expect(page.getByRole("checkbox", { name: "Pick W-08" }).first()).toBeChecked();
    await expect(page.getByLabel("leave alone until")).toHaveValue("2999-01-01");
    await expect(page.getByRole("combobox", { name: "Sort by" })).toHaveValue("tag");
    await row(page, "W-08").getByText("Why?").click();
    await expect(page).toHaveURL(/units\/W-08#needs/);
    await expect(page.getByRole("heading", { name: "What it needs" })).toBeInViewport();
  });
});
