// What is printed: sheets are counted and words are found on them.
import { expect } from "@playwright/test";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";
import { printed } from "./paper.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

test("a radio is on one sheet: what it is, what it needs and the way there, without anything that is pressed", async ({
  page,
}) => {
  const { address } = served;
  await signIn(page, address, "wren");
  for (const tag of ["W-04", "W-08", "W-10", "H-03", "S-01"]) {
    await page.goto(`${address}/units/${tag}`);
    const sheets = await printed(page);
    expect([tag, sheets.length]).toEqual([tag, 1]);
    expect(sheets[0]).toContain(tag);
    expect(sheets[0]).toContain("What happened");
    expect(sheets[0]).not.toContain("Record");
    expect(sheets[0]).not.toContain("Put it on hold");
  }
  await page.goto(`${address}/units/W-08`);
  const [sheet = ""] = await printed(page);
  for (const words of [
    "Runs a release that has been withdrawn",
    "Leave the withdrawn release for 1.14",
    "Way to 1.14",
    "With what",
    "All readings",
  ])
    expect(sheet).toContain(words);
});

test("cards of a model: every step of every card is on paper, warnings before the steps, four to a sheet at most", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  for (const model of [1, 2, 3]) {
    await page.goto(`${served.address}/models/${model}/print`);
    const cards = page.getByRole("article");
    const steps = (await cards.getByRole("listitem").allTextContents()).map((text) =>
      text.replace(/\s+/g, " ").trim(),
    );
    const sheets = await printed(page);
    const text = sheets.join(" ").replace(/\s+/g, "");
    for (const step of steps) expect(text).toContain(step.replace(/\s+/g, ""));
    expect(sheets.length).toBeGreaterThanOrEqual(Math.ceil((await cards.count()) / 4));
    expect(sheets.every((sheet) => sheet.trim() !== "")).toBe(true);
  }
  await page.goto(`${served.address}/models/1/print`);
  const [warned] = await page
    .getByRole("article")
    .filter({ hasText: /Not .*: that is/ })
    .allInnerTexts();
  expect(warned).toBeDefined();
  expect((warned ?? "").indexOf("Not ")).toBeLessThan((warned ?? "").search(/Hold|Press|Switch|Turn/));
});

test("Due is a list to tick, the inventory one with tags; nothing that is pressed is on them", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/due`);
  const tags = await page.locator(".needs > li > a.tag").allTextContents();
  const due = (await printed(page)).join(" ");
  for (const tag of tags) expect(due).toContain(tag);
  for (const words of ["Why?", "Put on hold", "Line them up", "everything"]) expect(due).not.toContain(words);
  await page.goto(`${served.address}/kit/own`);
  const own = (await printed(page)).join(" ");
  for (const tag of ["K-07", "K-10", "A-2", "Reed desk"]) expect(own).toContain(tag);
  for (const words of ["Add with all fields", "Change"]) expect(own).not.toContain(words);
});
