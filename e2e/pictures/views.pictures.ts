// Takes the pictures that the README shows: one of each main view, from the demo, as whoever uses it most sees it.
import path from "node:path";
import { fileURLToPath } from "node:url";
import { expect, type Page } from "@playwright/test";
import { openAwake } from "../awake.ts";
import { answer, press, until, work } from "../bench/steps.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

const FOLDER = fileURLToPath(new URL("../../docs/screenshots/", import.meta.url));
let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

/** Nothing under the pointer, nothing still on its way. */
async function take(page: Page, name: string): Promise<void> {
  await page.mouse.move(0, 0);
  await page.waitForLoadState("networkidle");
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: path.join(FOLDER, `${name}.png`) });
}

/** What is seen at an address without doing anything. */
const VIEWS: readonly (readonly [name: string, who: string, address: string, at?: string])[] = [
  ["cabinet", "wren", "/cabinet"],
  ["unit", "wren", "/units/W-03"],
  ["mine", "ida", "/mine"],
  ["due", "wren", "/due"],
  ["bench", "juno", "/bench"],
  ["codeplugs", "wren", "/codeplugs"],
  ["plan", "wren", "/codeplugs/plan"],
  ["channels", "wren", "/units/S-05/channels"],
  ["mode", "wren", "/units/H-07", "Mode: wide"],
  ["dossier", "wren", "/models/1"],
  ["key-card", "wren", "/models/1/procedures/2"],
  ["kit", "wren", "/kit"],
  ["bluetooth", "wren", "/kit/bluetooth"],
];
for (const [name, who, address, at] of VIEWS)
  test(name, async ({ page }) => {
    await signIn(page, served.address, who);
    await openAwake(page, served.address + address);
    if (at)
      await page
        .getByRole("heading", { name: at })
        .first()
        .evaluate((it) => {
          it.scrollIntoView();
          window.scrollBy(0, -16);
        });
    await take(page, name);
  });

test("compare", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await openAwake(page, `${served.address}/units/W-04/channels`);
  await page.getByRole("link", { name: "Compare with now" }).last().click();
  await expect(page).toHaveURL(/\/codeplugs\/compare/);
  await take(page, "compare");
});

test("what to get", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await openAwake(page, `${served.address}/kit/get`);
  await press(page, "Work it out");
  await expect(page.getByRole("heading", { name: /frees/ }).first()).toBeVisible();
  await take(page, "what-to-get");
});

test("pairing", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await openAwake(page, `${served.address}/units/H-03/pairing`);
  const choice = page.getByLabel("With");
  const device = choice.getByRole("option", { name: "BT-2, Thimble button" });
  await choice.selectOption(await device.getAttribute("value"));
  await press(page, "Show how");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("with BT-2");
  await take(page, "pairing");
});

test("practice", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/bench/practice`);
  await page.getByLabel("Model").selectOption({ label: "Wicket" });
  await press(page, "Try it");
  await page.getByLabel("Procedure").selectOption({ label: "Enter update mode: Enter update mode" });
  await press(page, "Try it");
  await page.getByRole("button", { name: "knob: turn it off" }).click();
  for (const name of ["talk", "6"]) {
    await page.getByRole("button", { name, exact: true }).focus();
    await page.keyboard.press("Space");
  }
  await page.getByRole("button", { name: "knob: turn it on" }).click();
  await page.getByRole("button", { name: "Let go of talk and 6" }).click();
  await take(page, "practice");
});

test("run", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await openAwake(page, `${served.address}/units/W-03`);
  await page.getByRole("button", { name: "Update it" }).first().click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/Update main/);
  await press(page, "Begin");
  await answer(page, "Seen it");
  await page.getByLabel(/^Charge in percent/).fill("97");
  await until(page, /^Read out/);
  await work(page);
  await until(page, /^Hold talk/);
  await take(page, "run");
});

test("empty", async ({ page }) => {
  const empty = await serveFresh("empty");
  await page.goto(empty.address);
  await page.getByLabel("Name of the club").fill("Lanternfen Radio Circle");
  await page.getByLabel("Your name").fill("Wren Oldacre");
  await page.getByLabel("Your e-mail").fill("wren@lanternfen.example");
  await page.getByLabel("A password").fill("lantern on the causeway");
  await press(page, "Found the club");
  await expect(page.getByRole("heading", { name: "The cabinet is empty" })).toBeVisible();
  await take(page, "empty");
  await empty.stop();
});
