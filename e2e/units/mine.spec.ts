// A member's minute on a phone: what they have at home, is it all right, read it, when is it due back, whom to ask.
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

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 } });

  test("a member begins with the radio they have: the verdict, how it is read, one field, the day, the keeper", async ({
    page,
  }) => {
    await page.goto(`${served.address}/sign-in`);
    await page.getByLabel("E-mail", { exact: true }).fill("ida@lanternfen.example");
    await page.getByLabel("Password").fill("lantern on the causeway");
    await page.getByRole("button", { name: "Sign in" }).click();
    await expect(page.getByRole("heading", { level: 1, name: "My radios" })).toBeVisible();
    const radio = page.getByRole("region", { name: "Radio W-06" });
    await expect(radio.getByText("It is all right.")).toBeVisible();
    await expect(radio.getByText(/^It is due back on /)).toBeVisible();
    await expect(radio.getByRole("heading", { name: "Read the version in the menu" })).toBeVisible();
    await expect(radio.getByText("Press *, then 2, then 6.")).toBeVisible();
    // The same model is told of once.
    await expect(page.getByRole("region", { name: "Radio W-07" })).toContainText("read like that of W-06");
    await expect(page.locator("main")).not.toContainText(/\b(route|chain|codeplug|track|standing|lead)s?\b/i);
    await expect(page.getByRole("link", { name: "wren@lanternfen.example" })).toHaveAttribute(
      "href",
      "mailto:wren@lanternfen.example",
    );
    await expectAccessible(page);
    await radio.getByLabel("What does W-06 show?").fill("1.08");
    await radio.getByRole("button", { name: "Record" }).click();
    await expect(radio.getByText(/^Recorded\./)).toBeVisible();
    // It is an older one than the club wants on it.
    await expect(radio.getByText("It is due for an update.")).toBeVisible();
    const strip = page.getByRole("navigation", { name: "Areas" });
    await expect(strip.getByRole("link").filter({ visible: true })).toHaveText([
      ...["My radio", "Cabinet", /^Due/, "Bench", "Models", "More"],
    ]);
    await strip.getByRole("link", { name: "More" }).click();
    await expect(page.getByRole("link", { name: "Add a radio" })).toHaveCount(0);
    await expectAccessible(page);
    await page.getByRole("link", { name: "Log", exact: true }).click();
    await expect(page.getByRole("heading", { level: 1, name: "Log" })).toBeVisible();
    await expect(strip.getByRole("link", { name: "More" })).toHaveAttribute("aria-current", "page");
    await page.goto(`${served.address}/more`);
    await page.getByRole("button", { name: "Sign out" }).click();
    await expect(page.getByRole("button", { name: "Sign in" })).toBeVisible();
  });

  test("a keeper's strip has five places and more; from there every act is reached", async ({ page }) => {
    await signIn(page, served.address, "wren");
    await page.goto(`${served.address}/cabinet`);
    const strip = page.getByRole("navigation", { name: "Areas" });
    await expect(strip.getByRole("link").filter({ visible: true })).toHaveCount(6);
    for (const [name, to] of [
      ["Find a radio, a model, a lead or a page", "/find"],
      ["Add a radio", "/units/new"],
      ["Bring in units from a spreadsheet", "/import"],
      ["My page", "/me"],
      ["Club", "/club"],
    ] as const) {
      await page.goto(`${served.address}/more`);
      await page.getByRole("main").getByRole("link", { name, exact: true }).click();
      await expect(page).toHaveURL(new RegExp(`${to}$`));
    }
    await openAwake(page, `${served.address}/more`);
    const chooser = page.waitForEvent("filechooser");
    await page.getByText("Check a file", { exact: true }).last().click();
    await chooser;
  });
});

test("whoever has none is told so, and led on; without scripts too", async ({ browser }) => {
  const context = await browser.newContext({ javaScriptEnabled: false });
  const page = await context.newPage();
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/mine`);
  await expect(
    page.getByText("You have no radio of the club with you, as far as the cabinet knows."),
  ).toBeVisible();
  await context.close();
});
