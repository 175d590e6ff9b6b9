// A radio is taken through a procedure at the bench: step by step, by keyboard, by two people, and without scripts.
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

const READ = "Go through it at the bench: Read the version in the menu";
const ERASES = "Go through it at the bench: Reset to what it was when new";
const begin = async (page: Page, tag: string) => {
  await page.goto(`${served.address}/units/${tag}`);
  await page.getByRole("button", { name: READ }).click();
  await expect(page).toHaveURL(/bench\/\d+$/);
  await page.getByRole("button", { name: "Begin" }).click();
  await expect(page.getByText("Step 1 of 3")).toBeVisible();
};
const seen = (page: Page) => page.getByRole("button", { name: "Seen it" });

test("by keyboard alone, with something odd on the way, back one, and to its end; all of it is told", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await openAwake(page, `${served.address}/units/W-03`);
  // What erases begins only behind its gates: here it is only read.
  await expect(page.getByRole("button", { name: ERASES })).toHaveCount(0);
  await begin(page, "W-03");
  await expect(seen(page)).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page.getByText("Step 2 of 3")).toBeVisible();
  await expect(page.getByRole("img", { name: /Press/ })).toBeVisible();

  await page.getByText("Something else").click();
  await page.getByLabel("What is there instead").fill("the lamp stays dark");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("the lamp stays dark");
  await expect(seen(page)).toHaveCount(0);
  await expectAccessible(page);
  await page.getByText("It was something else").click();
  await page.getByLabel("Why it was").fill("flat battery");
  await page.getByLabel("What helped").fill("charged it");
  await page.getByRole("button", { name: "It is well again" }).click();
  await page.getByRole("button", { name: "Back one" }).click();
  await expect(page.getByText("Step 1 of 3")).toBeVisible();
  for (const step of [2, 3]) {
    await seen(page).click();
    await expect(page.getByText(`Step ${step} of 3`)).toBeVisible();
  }
  // One, not two.
  await page.getByRole("button", { name: "Back one" }).click();
  await expect(page.getByText("Step 2 of 3")).toBeVisible();
  await seen(page).click();
  await expect(page.getByText("Step 3 of 3")).toBeVisible();
  await seen(page).click();
  await expect(page.getByRole("heading", { level: 1, name: "Done" })).toBeVisible();
  // The slip has the sheet to itself, and tells what was done.
  await page.emulateMedia({ media: "print" });
  const done = page.getByRole("list").filter({ hasText: "Press *, then 2, then 6." });
  await expect(done).toBeVisible();
  expect((await done.boundingBox())?.width).toBeGreaterThan(600);
  await expect(page.getByText("Juno Reedholm at the bench")).toBeHidden();
  await page.emulateMedia({ media: "screen" });
  await page.goto(`${served.address}/units/W-03`);
  await expect(page.getByText("finished at the bench: Read the version in the menu")).toBeVisible();
});

test("what is one key away and does harm is said before the keys are held", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-04`);
  await page.getByRole("button", { name: "Go through it at the bench: Enter update mode" }).click();
  await page.getByRole("button", { name: "Begin" }).click();
  await expect(page.getByText("One key away")).toHaveCount(0);
  await seen(page).click();
  await expect(page.getByRole("heading", { level: 1, name: /^Hold talk and 5/ })).toBeVisible();
  await expect(page.getByText("One key away: talk and 6 and turning it on erases or resets.")).toBeVisible();
});

test("two at one run: the second is told where it is, both see it move; one radio is in one run", async ({
  page,
  browser,
}) => {
  await signIn(page, served.address, "juno");
  await begin(page, "W-05");
  const other = await (await browser.newContext()).newPage();
  await signIn(other, served.address, "wren");
  await other.goto(`${served.address}/units/W-05`);
  await other.getByRole("button", { name: READ }).click();
  await expect(other.getByText("W-05 is at the bench already")).toBeVisible();

  await openAwake(other, `${served.address}/bench`);
  const row = other.getByRole("listitem").filter({ hasText: "W-05" });
  await expect(row).toContainText("step 1 of 3");
  await seen(page).click();
  await expect(row).toContainText("step 2 of 3");

  // Whoever watches is led along, and answers nothing there.
  await other.getByRole("link", { name: "W-05" }).click();
  await expect(other.getByText("Step 2 of 3", { exact: true })).toBeVisible();
  await expect(other.getByText("Juno Reedholm is at this bench and answers there.")).toBeVisible();
  await expect(seen(other)).toHaveCount(0);
  const sent = await other.request.post(other.url(), {
    headers: { Origin: served.address },
    form: { intent: "seen", number: "2", key: "a-key-of-whoever-watches" },
  });
  expect([sent.status(), await sent.text()]).toEqual([
    409,
    expect.stringContaining("is at this bench. Take it over"),
  ]);

  // The same person at a second device: what that sends was drawn before the first one pressed.
  const second = await (await browser.newContext()).newPage();
  await signIn(second, served.address, "juno");
  await openAwake(second, other.url());
  await second
    .locator("input[name=number]")
    .first()
    .evaluate((input: HTMLInputElement) => {
      const form = input.form;
      for (const one of form?.querySelectorAll<HTMLInputElement>("input[name=number]") ?? []) one.value = "1";
    });
  await seen(second).click();
  await expect(second.getByText("Somebody else was quicker.")).toBeVisible();
  await expect(second.getByText("Step 2 of 3", { exact: true })).toBeVisible();
  await second.context().close();

  // It follows within a second, on a page that nobody touches; and is taken over by name.
  await seen(page).click();
  await expect(other.getByText("Step 3 of 3", { exact: true })).toBeVisible();
  await other.getByText("Take it over?").click();
  await other.getByRole("button", { name: "Take it over from Juno Reedholm" }).click();
  await expect(other.getByText("Taken over from Juno Reedholm.")).toBeVisible();
  await expect(page.getByText("Wren Oldacre is at this bench and answers there.")).toBeVisible();
  await other.context().close();
});

test("whoever only looks is offered no answer, and gives none", async ({ page }) => {
  await signIn(page, served.address, "ida");
  await page.goto(`${served.address}/bench`);
  await page.getByRole("link", { name: "W-05" }).click();
  await expect(page.getByText("Who works at the bench answers here.")).toBeVisible();
  await expect(seen(page)).toHaveCount(0);
  const answer = await page.request.post(page.url(), {
    headers: { Origin: served.address },
    form: { intent: "seen", number: "2", key: "a-key-of-mine" },
  });
  expect(answer.status()).toBe(403);
});

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false, viewport: { width: 390, height: 844 } });
  test("it goes from beginning to end, and what is too long is answered and kept", async ({ page }) => {
    await signIn(page, served.address, "juno");
    await begin(page, "W-11");
    await page.getByText("Stop here").click();
    await page.getByLabel("Why").fill("x".repeat(501));
    await page.getByRole("button", { name: "Stop", exact: true }).click();
    await expect(page.getByRole("status").filter({ hasText: "At most 500 signs" })).toBeVisible();
    await expect(page.getByLabel("Why")).toHaveValue("x".repeat(501));
    for (let i = 0; i < 3; i++) await seen(page).click();
    await expect(page.getByRole("heading", { level: 1, name: "Done" })).toBeVisible();
  });
});

test("what stops a measurement is said with the way to its cure; the adapter added there lets it begin", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  const measure = () => page.locator('button[name="for"][value="measure"]').click();
  await openAwake(page, `${served.address}/units/O-01`);
  await measure();
  await expect(page.getByText("No adapter of ours joins O-01")).toBeVisible();
  await page.getByRole("link", { name: "Add an adapter" }).click();
  await page.getByLabel("Tag").fill("AN-9");
  await page.getByLabel("Fits the antenna socket").selectOption("antenna, quarter turn");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("An adapter has another end.")).toBeVisible();
  await page.getByLabel("Other end of an adapter").selectOption("antenna, wide thread");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page).toHaveURL(/\/kit\/own/);
  await openAwake(page, `${served.address}/units/O-01`);
  await measure();
  await expect(page).toHaveURL(/bench\/\d+$/);
  await expect(page.getByText("adapter AN-9").first()).toBeVisible();
});
