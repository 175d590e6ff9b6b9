// Facts of a dossier: whence they are known and who saw them, serial numbers that tell hardware apart, steps dragged into
// order, cards on paper, and the editor without scripts.
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

const modelPath = async (page: Page, name: string): Promise<string> => {
  await page.goto(`${served.address}/models`);
  return (await page.getByRole("link", { name, exact: true }).getAttribute("href")) ?? "";
};

test("a release, what a model is known by, and how a part is read are each confirmed by one press", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}${await modelPath(page, "Wicket II")}`);
  const row = page.getByRole("row").filter({ has: page.getByRole("rowheader", { name: "2.2.0" }) });
  await expect(row).toContainText("the maker's document: leaflet; unconfirmed");
  await row.getByRole("button", { name: "I have seen it too" }).click();
  await expect(page.getByRole("status").filter({ hasText: "Noted: 2.2.0." })).toBeInViewport();
  await expect(row).toContainText("confirmed 1 time, last by Juno");
  for (const what of ["what the Wicket II is known by", "how main is read"]) {
    const press = page.getByRole("button", { name: `I have seen it too: ${what}` });
    await press.click();
    await expect(page.locator("div").filter({ has: press }).last()).toContainText("confirmed 1 time");
  }
});

test("a member sees whence a fact is known, and is offered no press", async ({ page }) => {
  await signIn(page, served.address, "ida");
  await page.goto(`${served.address}${await modelPath(page, "Wicket II")}`);
  await expect(page.getByText("the maker's document: leaflet; unconfirmed").first()).toBeVisible();
  await expect(page.getByRole("button", { name: /I have seen it too/ })).toHaveCount(0);
});

test("a serial number tells the hardware: on the radio's page, and which model it is", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/P-05`);
  await expect(page.getByText("speaks for hardware 1; nobody has noted which it is")).toBeVisible();
  await page.getByRole("button", { name: "It is hardware 1" }).click();
  await expect(page.getByText("Hobnail Pocketreed")).toBeVisible();
  await expect(page.getByRole("status").filter({ hasText: "Noted: hardware 1." })).toBeVisible();
  await expect(page.getByText(", hardware 1. Shelf 4")).toBeVisible();
  await expect(page.getByText("speaks for hardware")).toHaveCount(0);
  await page.goto(`${served.address}/units/P-04`);
  await expect(page.getByText("noted is 2. Look at it before flashing.")).toBeVisible();
  await page.goto(`${served.address}/models/which?serial=pr-0733`);
  const first = page.locator("main ol > li").first();
  await expect(first).toContainText("Pocketreed");
  await expect(first).toContainText("serial number: just so (hardware 2)");
});

test("serial numbers that two revisions claim, or that nothing counts in, are answered at their field", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  const path = await modelPath(page, "Wicket II");
  await openAwake(page, `${served.address}${path}/edit`);
  const field = page.getByLabel(/Hardware revisions/);
  await expect(field).toHaveValue(/A: .*; serials FW2 1000 to FW2 3999/);
  await field.fill("A: yellowish; serials FW2 1 to FW2 9\nB: white; serials FW2 9 and up");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("A and B claim the same serial numbers.")).toBeVisible();
  await field.fill("A: yellowish; serials the first ones");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText(/A: “the first ones” has no number to count by/)).toBeVisible();
  await field.fill("A: yellowish; serials FW2 1 to FW2 8\nB: white; serials FW2 9 and up");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("white; serial FW2 9 and up")).toBeVisible();
});

test("a part gets another name, and requirements follow it", async ({ page }) => {
  await signIn(page, served.address, "wren");
  const path = await modelPath(page, "Marl 40");
  await page.goto(`${served.address}${path}/identity`);
  await page.getByLabel("The part's name").nth(2).fill("sound, unit");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("without commas: lists of parts are parted by them")).toBeVisible();
  await page.getByLabel("The part's name").nth(2).fill("sound");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("heading", { level: 2, name: "sound" })).toBeVisible();
  await expect(page.getByRole("cell").filter({ hasText: "with sound 2.0 or newer" }).first()).toBeVisible();
  await page.goto(`${served.address}/units/M-03`);
  const order = await page.locator("ol > li strong").allInnerTexts();
  expect(order.indexOf("sound 2.0")).toBeGreaterThanOrEqual(0);
  expect(order.indexOf("sound 2.0")).toBeLessThan(order.indexOf("main B12"));
});

test("what if: minutes, files and software for all radios together", async ({ page }) => {
  await signIn(page, served.address, "wren");
  const path = await modelPath(page, "Marl 40");
  await page.goto(`${served.address}${path}`);
  const row = page
    .getByRole("row")
    .filter({ has: page.getByRole("rowheader", { name: "B13", exact: true }) });
  await row.getByRole("link", { name: "Correct" }).click();
  const told = page.locator("section").filter({ hasText: "If every radio went to it" });
  await expect(told).toContainText(/files.*main B12, \d+ times/);
  await expect(told.locator("dt", { hasText: "software" })).toBeVisible();
  // What is typed and not saved is what is looked at.
  await page.getByLabel("Version", { exact: true }).fill("B13-next");
  await page.getByLabel("Minutes", { exact: true }).fill("240");
  await page.getByRole("button", { name: "See what it touches" }).click();
  await expect(page.getByRole("heading", { name: "What it would touch" })).toBeVisible();
  await expect(told).toContainText(/main B13-next, \d+ times/);
});

test("steps are dragged into order", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}${await modelPath(page, "Wicket")}/procedures/new/edit`);
  const steps = page.getByLabel("Steps, one a line");
  await steps.fill("press 1\npress 2\nturn off");
  const read = page.getByRole("list", { name: "The steps as they are read" }).getByRole("listitem");
  await read.filter({ hasText: "Turn it off" }).dragTo(read.filter({ hasText: "Press 1" }));
  await expect(steps).toHaveValue("turn off\npress 1\npress 2");
  await page.getByRole("button", { name: "Line 1 down" }).click();
  await expect(steps).toHaveValue("press 1\nturn off\npress 2");
});

test("cards come on paper four a sheet, black on white", async ({ page }) => {
  await signIn(page, served.address, "ida");
  await page.emulateMedia({ colorScheme: "dark" });
  await page.goto(`${served.address}${await modelPath(page, "Wicket")}/print`);
  const cards = await page.locator("article").count();
  expect(cards).toBeGreaterThan(1);
  const pdf = (await page.pdf({ format: "A4" })).toString("latin1");
  expect(pdf.match(/\/Type\s*\/Page\b/g)).toHaveLength(Math.ceil(cards / 4));
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("navigation", { name: "Areas" })).toBeHidden();
  const colours = await page
    .locator("article")
    .first()
    .evaluate((card) => [getComputedStyle(card).color, getComputedStyle(document.body).backgroundColor]);
  expect(colours).toEqual(["rgb(0, 0, 0)", "rgb(255, 255, 255)"]);
});

test("a procedure is written, refused and saved without scripts", async ({ browser }) => {
  const context = await browser.newContext({ javaScriptEnabled: false });
  const page = await context.newPage();
  await signIn(page, served.address, "juno");
  const path = await modelPath(page, "Heron");
  await page.goto(`${served.address}${path}/procedures/new/edit`);
  await page.getByLabel("What it does, in a few words").fill("Plain steps");
  await page.getByLabel("Steps, one a line").fill("turn off\nwiggle it");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("“wiggle” begins no step").first()).toBeVisible();
  await expect(page.getByLabel("Steps, one a line")).toHaveValue("turn off\nwiggle it");
  await page.getByLabel("Steps, one a line").fill("turn off\nwait 5 s");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Plain steps");
  await context.close();
});
