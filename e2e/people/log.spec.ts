// The log: what was done is told at once, and found again by radio, person, kind and day.
import { expect, type Page } from "@playwright/test";
import { openAwake } from "../awake.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

const rows = (page: Page) => page.locator("tbody tr");
const shown = async (page: Page, search = "") => {
  await openAwake(page, `${served.address}/log${search}`);
};
const show = (page: Page) => page.getByRole("button", { name: "Show" }).click();
/** All rows match, and there are some. */
const only = async (page: Page, what: RegExp) => {
  await expect(rows(page).filter({ hasNotText: what })).toHaveCount(0);
  await expect(rows(page).filter({ hasText: what })).not.toHaveCount(0);
};

test("a reading is told with who, when and what; the filters find it and nothing else", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await openAwake(page, `${served.address}/units/W-03`);
  await page.getByLabel("What does W-03 show?").fill("1.13");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Recorded. main 1.13:")).toBeVisible();
  await shown(page);
  await expect(rows(page).first()).toContainText("read main 1.13");
  await expect(rows(page).first()).toContainText("Juno Reedholm");

  await page.getByLabel("Radio").fill("w-03");
  await show(page);
  await expect(page).toHaveURL(/tag=w-03/);
  await only(page, /W-03/);
  const all = await rows(page).count();

  const kind = page.getByRole("combobox", { name: "Kind" });
  await kind.fill("read");
  await page.getByRole("listbox").getByRole("option", { name: "reading", exact: true }).click();
  await show(page);
  await only(page, /W-03.*read main/);
  expect(await rows(page).count()).toBeLessThan(all);

  await page.getByRole("combobox", { name: "Person" }).selectOption("Juno Reedholm");
  await show(page);
  await only(page, /Juno Reedholm$/);
  await expect(rows(page).first()).toContainText("read main 1.13");

  await page.getByRole("link", { name: "everything" }).click();
  await expect(page).toHaveURL(`${served.address}/log`);
  await expect(rows(page)).toHaveCount(60);
  expect(all).toBeLessThan(60);
});

const newest = async (page: Page) => {
  await shown(page);
  return rows(page).first().textContent();
};

for (const path of [
  "/club/groups/1",
  "/club/places/1",
  "/club/people/2",
  "/units/W-04/edit",
  "/models/1/edit",
  "/models/1/identity",
  "/models/1/procedures/1/edit",
  "/models/1/quirks/1",
  "/models/1/releases/1",
  "/kit/leads/1",
  "/kit/computers/1",
  "/kit/tools/1",
  "/kit/drivers/1",
  "/kit/advice/1",
  "/kit/gear/1",
  "/kit/offers/1",
  "/kit/adapters/1",
  "/kit/connectors/1",
])
  test(`what is saved as it was is not told: ${path}`, async ({ page }) => {
    await signIn(page, served.address, "wren");
    const before = await newest(page);
    await openAwake(page, served.address + path);
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page).not.toHaveURL(served.address + path);
    expect(await newest(page)).toBe(before);
  });

test("what is so already and is done once more is not told", async ({ page }) => {
  await signIn(page, served.address, "wren");
  const before = await newest(page);
  await openAwake(page, `${served.address}/kit/own`);
  await page.getByRole("button", { name: "Change", exact: true }).click();
  await expect(page.getByText("from now on")).toBeVisible();
  expect(await newest(page)).toBe(before);
});

test("days are counted as the club's calendar has them, the last one included", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await shown(page, "?kind=reading");
  const days = (await rows(page).locator("td:first-child").allTextContents()).map((t) =>
    t.replace(/,.*/, ""),
  );
  const day = days.find((d) => days.filter((other) => other === d).length > 2 && d !== days[0]);
  const at = new Date(`${day} 12:00 UTC`).toISOString().slice(0, 10);
  await page.getByLabel("From").fill(at);
  await page.getByRole("textbox", { name: "To" }).fill(at);
  await show(page);
  await expect(page).toHaveURL(new RegExp(`from=${at}&to=${at}`));
  await expect(rows(page)).toHaveCount(days.filter((d) => d === day).length);
  await only(page, new RegExp(`^${day}`));
});

test("a radio that is not there is said; a filter without hits is said; the radio's name stays in its field", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await shown(page, "?tag=Q-99");
  await expect(page.getByText("No radio goes by “Q-99”.")).toBeVisible();
  await expect(page.getByLabel("Radio")).toHaveValue("Q-99");
  await page.goto(`${served.address}/units/H-01`);
  await page.getByText("Why?").first().click();
  const history = await page.locator('a[href^="/log?unit="]').first().getAttribute("href");
  await shown(page, `${history?.replace("/log", "")}&kind=kit-added`);
  await expect(page.getByText("Nothing in the log matches.")).toBeVisible();
  await expect(page.getByLabel("Radio")).toHaveValue("H-01");
});

test("earlier pages go on where the first ends, down to the founding of the club", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await shown(page);
  const seen: string[] = [];
  for (;;) {
    const now = await rows(page).allTextContents();
    seen.push(...now);
    const earlier = page.getByRole("link", { name: "Earlier" });
    if ((await earlier.count()) === 0) break;
    await earlier.click();
    await expect(rows(page).first()).not.toHaveText(now[0] ?? "");
  }
  expect(seen.length).toBeGreaterThan(60);
  expect(seen.filter((text) => text.includes("founded"))).toHaveLength(1);
  expect(seen.at(-1)).toContain("founded Lanternfen Radio Circle");
});

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });
  test("the filters work as well", async ({ page }) => {
    await signIn(page, served.address, "wren");
    await page.goto(`${served.address}/log`);
    await page.getByLabel("Radio").fill("H-01");
    await page.getByRole("button", { name: "Show" }).click();
    await only(page, /H-01/);
    await expect(page.getByLabel("Radio")).toHaveValue("H-01");
  });
});
