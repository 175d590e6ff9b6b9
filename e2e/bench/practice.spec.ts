// A procedure is practised on a drawn radio: a wrong key is named, a clean try is kept, and a keeper may ask for some.
import { expect, type Page } from "@playwright/test";
import { expectAccessible } from "../accessible.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

const key = (page: Page, name: string) => page.getByRole("button", { name, exact: true });
const knob = (page: Page, to: string) => page.getByRole("button", { name: `knob: turn it ${to}` });
const choose = async (page: Page, title: string) => {
  await page.goto(`${served.address}/bench/practice`);
  await page.getByLabel("Model").selectOption({ label: "Wicket" });
  await page.getByRole("button", { name: "Try it" }).click();
  await page.getByLabel("Procedure").selectOption({ label: title });
  await page.getByRole("button", { name: "Try it" }).click();
  await expect(page.getByText("The radio is", { exact: false }).first()).toBeVisible();
};
/** By keyboard: what is held stays held until it is let go. */
const hold = async (page: Page, names: readonly string[]) => {
  for (const name of names) {
    await key(page, name).focus();
    await page.keyboard.press("Space");
    await expect(key(page, name)).toHaveAttribute("aria-pressed", "true");
  }
};

test("a wrong key is named with what it would have done; done right it counts, and the clean ones are told", async ({
  page,
}) => {
  await signIn(page, served.address, "ida");
  await choose(page, "Enter update mode: Enter update mode");
  await knob(page, "off").click();
  await expect(page.getByText("Right. Go on.")).toBeVisible();
  await hold(page, ["talk", "6"]);
  await knob(page, "on").click();
  await page.getByRole("button", { name: "Let go of talk and 6" }).click();
  const alarm = page.getByRole("alert").filter({ hasText: "talk and 6" });
  await expect(alarm).toContainText("asked for is talk and 5 while it is turned on");
  await expect(alarm).toContainText("Reset to what it was when new, which erases");
  await expect(page.getByText('Screen "INIT ?"')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Begin again" }).click();
  await expect(page.getByText("0 of 2 steps done, 0 mistakes")).toBeVisible();
  await knob(page, "off").click();
  await hold(page, ["talk", "5"]);
  await knob(page, "on").click();
  await page.getByRole("button", { name: "Let go of talk and 5" }).click();
  await expect(page.getByText("Done, and without a mistake.")).toBeVisible();
  await expect(page.getByText("you have 1 clean try of 1")).toBeVisible();
  await page.goto(`${served.address}/bench/practice`);
  const wicket = page
    .locator("section")
    .filter({ has: page.getByRole("heading", { name: "Wicket", exact: true }) });
  const tried = wicket.getByRole("listitem").filter({ hasText: "Enter update mode" });
  await expect(tried).toContainText("1 of 1 clean, best 0:");
  await expectAccessible(page);
  await tried.getByRole("link").click();
  await expect(page.getByText("0 of 2 steps done, 0 mistakes")).toBeVisible();
});

test("a fault stops the tool until its cause is found", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await choose(page, "Flash: Flash with the data lead");
  await page.getByLabel("With").selectOption({ label: "It stopped half way." });
  await page.getByRole("button", { name: "Begin again" }).click();
  await page.getByRole("button", { name: /^Connect the data lead/ }).click();
  await page.getByRole("button", { name: /Hedgewriter/ }).click();
  await expect(page.getByRole("alert").filter({ hasText: "It stopped half way." })).toBeVisible();
  await page.getByRole("button", { name: "The battery is low" }).click();
  await expect(page.getByText("1 mistake")).toBeVisible();
  await page.getByRole("button", { name: "The plug is not pressed home" }).click();
  await page.getByRole("button", { name: /Hedgewriter/ }).click();
  await expect(page.getByText("Right. Go on.")).toBeVisible();
});

test("a keeper asks for clean tries, and nobody erases a real radio without them", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/bench`);
  await page.getByText("Rules of the bench").click();
  await page.getByLabel("Clean tries before a real radio is erased").fill("2");
  await page.getByRole("button", { name: "Set", exact: true }).click();
  await expect(page.getByText("The rules are set.")).toBeVisible();
  await page.getByLabel("Take a radio to the bench").fill("H-01");
  await page.getByRole("button", { name: "Take it" }).click();
  await expect(page.getByText("The club asks for 2 clean tries of “Flash over USB”")).toBeVisible();
  // For a simulated radio nothing is asked.
  await page.getByLabel("Take a radio to the bench").fill("W-03");
  await page.getByRole("button", { name: "Take it" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Update main to 1.14");
});
