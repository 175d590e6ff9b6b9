// Forms keep what is typed: over Back and Forward, over a page left by mistake, before the scripts are awake; and say their bounds.
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

const STEPS = Array.from({ length: 15 }, (_, i) => `wait ${i + 1} s`).join("\n");
const asks = (page: Page) => page.getByRole("dialog", { name: "This form is not saved" });

test("a typed procedure of fifteen lines is asked about before it is left, and is back after Back", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  const edit = `${served.address}/models/1/procedures/new/edit`;
  await page.goto(`${served.address}/models/1`);
  await openAwake(page, edit);
  await page.getByLabel("What it does, in a few words").fill("Wait for long");
  await page.getByLabel("Steps, one a line").fill(STEPS);

  await page.getByRole("link", { name: /^Back to the/ }).click();
  await expect(asks(page)).toBeVisible();
  await asks(page).getByRole("button", { name: "Stay here" }).click();
  await expect(asks(page)).toHaveCount(0);
  await expect(page).toHaveURL(edit);
  await expect(page.getByLabel("Steps, one a line")).toHaveValue(STEPS);

  await page.getByRole("link", { name: /^Back to the/ }).click();
  await asks(page).getByRole("button", { name: "Leave without saving" }).click();
  await expect(page).toHaveURL(/\/models\/1#procedures$/);
  await page.goBack();
  await expect(page.getByText("What you had typed here and not saved is back.")).toBeVisible();
  await expect(page.getByLabel("Steps, one a line")).toHaveValue(STEPS);
  await expect(page.getByLabel("What it does, in a few words")).toHaveValue("Wait for long");
  // The reading beside the text has it too.
  await expect(
    page.getByRole("list", { name: "The steps as they are read" }).getByRole("listitem"),
  ).toHaveCount(15);

  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page).toHaveURL(/procedures\/\d+$/);
  await openAwake(page, edit);
  await expect(page.getByLabel("Steps, one a line")).toHaveValue("");
});

test("what is back can be dropped; another person finds nothing of it; what others changed since is asked about", async ({
  page,
  browser,
}) => {
  await signIn(page, served.address, "wren");
  const edit = `${served.address}/units/W-04/edit`;
  await openAwake(page, edit);
  const note = page.getByLabel("Note");
  await note.fill("mine");
  await page.goto(`${served.address}/cabinet`);

  const other = await (await browser.newContext()).newPage();
  await signIn(other, served.address, "juno");
  await openAwake(other, edit);
  await expect(other.getByLabel("Note")).not.toHaveValue("mine");
  await other.getByLabel("Note").fill("theirs");
  await other.getByLabel("Serial number").fill("FW-78");
  await other.getByRole("button", { name: "Save", exact: true }).click();
  await expect(other).toHaveURL(/units\/W-04$/);

  await openAwake(page, edit);
  await expect(note).toHaveValue("mine");
  await expect(page.getByLabel("Serial number")).toHaveValue("FW-78");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Somebody has made this “theirs” meanwhile.")).toBeVisible();
  await expect(note).toHaveValue("mine");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page).toHaveURL(/units\/W-04$/);

  await openAwake(page, edit);
  await expect(note).toHaveValue("mine");
  await note.fill("something else");
  await openAwake(page, edit);
  await expect(note).toHaveValue("something else");
  await page.getByRole("button", { name: "Leave it away" }).click();
  await expect(note).toHaveValue("mine");
  await openAwake(page, edit);
  await expect(note).toHaveValue("mine");
  await expect(page.getByText("What you had typed here")).toHaveCount(0);
});

test("what is typed before the scripts are awake stays; a bound is shown before it is hit", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  let wake = () => {};
  const asleep = new Promise<void>((resolve) => {
    wake = resolve;
  });
  await page.route("**/assets/*.js", async (route) => {
    await asleep;
    await route.continue();
  });
  await page.goto(`${served.address}/models/1/quirks/1`, { waitUntil: "commit" });
  const symptom = page.getByLabel("What one sees or hears");
  await symptom.fill("typed while the page slept");
  wake();
  await expect(page.locator("html[data-awake]")).toBeAttached();
  await expect(symptom).toHaveValue("typed while the page slept");

  await symptom.fill("x".repeat(399));
  await expect(page.getByText("of 500 signs at most")).toHaveCount(0);
  await symptom.fill("x".repeat(402));
  await expect(page.getByText("402 of 500 signs at most")).toBeVisible();
  await symptom.fill("x".repeat(501));
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("alert").getByText("At most 500 characters.")).toBeVisible();
  await expect(symptom).toHaveValue("x".repeat(501));
});

test("what was refused, or could not be sent, is kept as well; what was saved is not", async ({ page }) => {
  await signIn(page, served.address, "wren");
  const edit = `${served.address}/units/W-05/edit`;
  const save = page.getByRole("button", { name: "Save", exact: true });
  const leave = async () => {
    await page.getByRole("link", { name: "Log", exact: true }).click();
    await asks(page).getByRole("button", { name: "Leave without saving" }).click();
    await expect(page.getByRole("heading", { level: 1, name: "Log" })).toBeVisible();
    await page.goBack();
    await expect(page.getByText("What you had typed here and not saved is back.")).toBeVisible();
  };
  await openAwake(page, edit);
  await page.getByLabel("Note").fill("mine");
  await page.getByLabel("Tag").fill("W-01");
  await save.click();
  await expect(page.getByText("Another radio has this tag.")).toBeVisible();
  await page.getByLabel("Region").fill("north");
  await leave();
  await expect(page.getByLabel("Note")).toHaveValue("mine");
  await expect(page.getByLabel("Tag")).toHaveValue("W-01");
  await expect(page.getByLabel("Region")).toHaveValue("north");

  await page.getByLabel("Tag").fill("W-05");
  await page.context().setOffline(true);
  await save.click();
  await expect(page.getByText("That could not be sent")).toBeVisible();
  await page.context().setOffline(false);
  await openAwake(page, edit);
  await expect(page.getByText("What you had typed here and not saved is back.")).toBeVisible();
  await expect(page.getByLabel("Note")).toHaveValue("mine");
  await expect(page.getByLabel("Tag")).toHaveValue("W-05");
  await save.click();
  await expect(page.getByLabel("What does W-05 show?")).toBeVisible();
  await openAwake(page, edit);
  await expect(page.getByLabel("Region")).toHaveValue("north");
  await expect(page.getByText("What you had typed here")).toHaveCount(0);
});
