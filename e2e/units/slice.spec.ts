// The slice as its people use it: verdict and why, a new release, who may not, keyboard, no scripts.
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

test("a verdict opens its reasons, and they lead to records", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/units/H-01`);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("1 release behind");
  await page.getByText("Why?").first().click();
  await expect(page.getByText("Read as “2.1.4” on").first()).toBeVisible();
  await expect(page.getByText("Newer, admitted and fitting: 2.2.0.").first()).toBeVisible();
  await page.goto(`${served.address}/due`);
  const row = page.getByRole("listitem").filter({ hasText: "W-08" }).first();
  await row.getByText("Why?").click();
  await page.getByRole("link", { name: "1.12 was withdrawn on" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Wicket");
});

test("a new release shows whom it touches, then turns them due", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/models`);
  await page.getByRole("link", { name: "Sorrel DM" }).click();
  await page.getByRole("link", { name: "Add a release" }).click();
  await page.getByLabel("Version", { exact: true }).fill("20991231");
  await page.getByText("What it mends", { exact: true }).click();
  await page.getByLabel("What fix 2 is", { exact: true }).fill("the time-out timer stops");
  await page.getByRole("button", { name: "See what it touches" }).click();
  await expect(page.getByText("A word to watch for, such as clock.")).toBeVisible();
  await expect(page.getByLabel("Version", { exact: true })).toHaveValue("20991231");
  await page.getByLabel("Word to watch for, fix 2", { exact: true }).fill("timer");
  await page.getByLabel("Urgency of fix 2", { exact: true }).selectOption("safety");
  await page.getByRole("button", { name: "See what it touches" }).click();
  await expect(page.getByText(/\d+ would need something$/).first()).toBeVisible();
  await page.getByRole("button", { name: "Add it" }).click();
  await expect(page).toHaveURL(/models\/\d+$/);
  await expect(page.getByText("the time-out timer stops")).toBeVisible();
  await page.goto(`${served.address}/due?urgency=safety`);
  await expect(page.getByText("install 20991231").first()).toBeVisible();
});

test("a member is not offered what is not theirs, and is refused if they try", async ({ page }) => {
  await signIn(page, served.address, "ida");
  await page.goto(`${served.address}/models/1`);
  await expect(page.getByRole("link", { name: "Add a release" })).toHaveCount(0);
  const answer = await page.goto(`${served.address}/models/1/releases/new`);
  expect(answer?.status()).toBe(403);
  await expect(page.getByText("That is not yours to do")).toBeVisible();
  await page.goto(`${served.address}/units/W-01`);
  await expect(page.getByLabel("What does W-01 show?")).toHaveCount(0);
  await page.goto(`${served.address}/units/W-06`);
  await expect(page.getByLabel("What does W-06 show?")).toBeVisible();
});

test("a form from elsewhere is refused", async ({ page, request }) => {
  await signIn(page, served.address, "wren");
  const cookies = (await page.context().cookies()).map((c) => `${c.name}=${c.value}`).join("; ");
  for (const headers of [{ Origin: "http://elsewhere.example" }, { Origin: "null" }]) {
    const answer = await request.post(`${served.address}/units/W-01`, {
      form: { intent: "back" },
      headers: { ...headers, Cookie: cookies },
    });
    expect([400, 403]).toContain(answer.status());
  }
});

test("keyboard only: find a radio, record a reading", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await openAwake(page, `${served.address}/cabinet`);
  await page.keyboard.press("/");
  await page.keyboard.type("W-12");
  await expect(page.getByRole("option", { name: /W-12/ })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/units\/W-12/);
  await expect(page.getByLabel("What does W-12 show?")).toBeVisible();
  await page.keyboard.press("r");
  await page.keyboard.type("1.15-beta2");
  await expect(page.getByText("main 1.15-beta2: on a track that its group does not use")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByText("Recorded. main 1.15-beta2")).toBeVisible();
});

test("readings that are none are answered where they stand, and what was typed stays", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-01`);
  const field = page.getByLabel("What does W-01 show?");
  await field.fill("1".repeat(10_000));
  await field.press("Enter");
  await expect(page.getByText("no radio shows more than 200")).toBeVisible();
  await expect(field).toHaveValue("1".repeat(10_000));
  await field.fill("");
  await field.press("Enter");
  await expect(page.getByText("Type what the radio shows")).toBeVisible();
});

test("the session ends meanwhile: what was typed is saved after signing in", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-02`);
  await page.getByLabel("What does W-02 show?").fill("1.12");
  await page.context().clearCookies({ name: "mossy_session" });
  await page.keyboard.press("Enter");
  await page.getByLabel("E-mail").fill("juno@lanternfen.example");
  await page.getByLabel("Password").fill("lantern on the causeway");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByText("1.12", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Save it now" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Runs a release that has been withdrawn");
});

/** The session is over by the time the form is saved. */
async function saveTooLate(page: Page): Promise<void> {
  await page.context().clearCookies({ name: "mossy_session" });
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await page.getByLabel("E-mail").fill("wren@lanternfen.example");
  await page.getByLabel("Password").fill("lantern on the causeway");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("heading", { name: "Not saved yet" })).toBeVisible();
}

test("a release form whose session ended is kept whole, and saved after signing in", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/models`);
  await page.getByRole("link", { name: "Heron", exact: true }).click();
  await page.locator('a[href*="/releases/"]:not([href$="new"])').first().click();
  await page.getByLabel("Notes").fill("read aloud at the meeting");
  await saveTooLate(page);
  await expect(page.getByText("read aloud at the meeting", { exact: true })).toBeVisible();
  // What was changed is shown first; the rest, which stays as it was, one press away.
  await expect(page.getByRole("term")).toHaveText(["notes", "intent"]);
  await page.getByRole("button", { name: "Save it now" }).click();
  await expect(page).toHaveURL(/models\/\d+$/);
  await expect(page.getByText("read aloud at the meeting").first()).toBeVisible();
});

test("so is a radio's correction, for the radio it was opened for", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await openAwake(page, `${served.address}/units/M-02/edit`);
  await page.getByLabel("Note").fill("fuse changed");
  await saveTooLate(page);
  await expect(page.getByRole("term")).toHaveText(["note"]);
  await page.getByRole("button", { name: "Save it now" }).click();
  await expect(page).toHaveURL(/units\/M-02$/);
  await page.goto(`${served.address}/units/M-02/edit`);
  await expect(page.getByLabel("Note")).toHaveValue("fuse changed");
});

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });
  test("reading and recording work", async ({ page }) => {
    await signIn(page, served.address, "juno");
    await page.goto(`${served.address}/cabinet?unit=W-04`);
    await page.getByLabel("What does W-04 show?").fill("1.10");
    await page.getByRole("button", { name: "Record" }).click();
    await expect(page.getByRole("status")).toHaveText(/^Recorded\. main 1\.10: \d releases? behind/);
    await expect(page.getByRole("heading", { level: 1 })).toContainText("1 release behind");
    await expect(page.getByRole("cell", { name: "1.10" })).toBeVisible();
  });

  test("what is refused is said where it stands, and keeps what was typed", async ({ page }) => {
    await signIn(page, served.address, "juno");
    await page.goto(`${served.address}/units/H-01`);
    const field = page.getByLabel("What does H-01 show?");
    await page.getByRole("button", { name: "Record" }).click();
    await expect(page.getByRole("status")).toContainText("Type what the radio shows");
    await field.fill("bluetooth");
    await page.getByRole("button", { name: "Record" }).click();
    await expect(page.getByRole("status")).toContainText("bluetooth");
    await expect(field).toHaveValue("bluetooth");

    await page.getByText("Put it on hold").click();
    await page.getByLabel("Until").fill("2999-01-01");
    await page.getByRole("button", { name: "Hold", exact: true }).click();
    await expect(page.getByRole("status").first()).toHaveText("Say why, so that others know.");
    await expect(page.getByLabel("Until")).toHaveValue("2999-01-01");
    await page.getByText("Lend it").click();
    await page.getByRole("combobox", { name: "To" }).selectOption("Maud Whinmoor");
    await page.getByLabel("Due back").fill("2020-01-01");
    await page.getByRole("button", { name: "Lend", exact: true }).click();
    await expect(page.getByRole("status").first()).toContainText("has passed already");
    await expect(page.getByRole("combobox", { name: "To" })).toHaveValue(/\d+/);
    await expect(page.getByLabel("Due back")).toHaveValue("2020-01-01");
    const chosen = page.getByRole("combobox", { name: "To" }).locator("option:checked");
    await expect(chosen).toHaveText("Maud Whinmoor");
  });
});
