// What unlocks a radio, and its service menu: shown to bench and keeper, noted in the log; a wrong code is the first thing thought of.
import { readFile } from "node:fs/promises";
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

const press = (page: Page, name: string) => page.getByRole("button", { name, exact: true }).first().click();
const HIDDEN = "It unlocks the radio: its steps are shown to bench and keeper";
const toProcedure = async (page: Page) => {
  await page.goto(`${served.address}/units/W-15`);
  await page.getByRole("link", { name: "Fenwright Wicket" }).click();
  await page.locator("#procedures").getByRole("link", { name: "Open the service menu" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Open the service menu");
};

test("how it is unlocked is hidden from a member, on its page, on cards, in practice, and in the document", async ({
  page,
}) => {
  await signIn(page, served.address, "ida");
  await toProcedure(page);
  await expect(page.getByText(HIDDEN)).toBeVisible();
  await expect(page.getByRole("main").getByRole("list")).toHaveCount(0);
  const address = new URL(page.url());
  const [, , model, , procedure] = address.pathname.split("/");
  await page.goto(`${served.address}/models/${model}/print?only=${procedure}`);
  await expect(page.getByRole("article")).toHaveCount(0);
  await page.goto(`${served.address}/bench/practice?model=${model}&procedure=${procedure}`);
  await expect(
    page.getByLabel("Procedure").getByRole("option", { name: /Open the service menu/ }),
  ).toHaveCount(0);
  await page.goto(`${served.address}/models/${model}`);
  await expect(page.locator("#service")).toHaveCount(0);
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "Take it out" }).click();
  const dossier = JSON.parse(await readFile(await (await download).path(), "utf8"));
  expect(dossier.procedures.map((one: { effect: string }) => one.effect)).not.toContain("unlock");
  expect(dossier.settings).toEqual([]);
  const answer = await page.goto(`${served.address}/units/W-15/service`);
  expect(answer?.status()).toBe(403);
});

test("it is shown to the bench, and the log says to whom", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await toProcedure(page);
  await expect(page.getByText(HIDDEN)).toHaveCount(0);
  await expect(page.getByRole("main").getByRole("listitem").first()).toBeVisible();
  await page.reload();
  await expect(page.getByRole("main").getByRole("listitem").first()).toBeVisible();
  // However often in an hour: once.
  await expect(async () => {
    await page.goto(`${served.address}/log`);
    await expect(page.getByText("was shown how it is unlocked: Open the service menu")).toHaveCount(1, {
      timeout: 5000,
    });
  }).toPass();
});

test("a radio's service settings, worst first; what is never to be touched asks why", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-15`);
  await page.getByRole("link", { name: "Its service settings" }).click();
  const items = page.getByRole("main").getByRole("listitem");
  await expect(items.first()).toContainText("11 PA-HI");
  await expect(items.first()).toContainText("differs, and is never to be touched");
  await expect(items.first()).toContainText("set to 78 by Bram");
  await expectAccessible(page);
  await page.getByLabel("Setting").selectOption({ label: "11 PA-HI" });
  await page.getByLabel("Value").fill("90");
  await page.getByLabel("How", { exact: true }).selectOption("yes");
  await press(page, "Note it");
  await expect(
    page.getByText("That one is never to be touched. If it was changed all the same, say why."),
  ).toBeVisible();
  await expect(page.getByLabel("Value")).toHaveValue("90");
  await page.getByLabel("Value").fill("62");
  await press(page, "Note it");
  await expect(page.getByText("Noted.")).toBeVisible();
  await expect(items.last()).toContainText("as usual");
});

test("a setting and a code are written into the dossier and corrected", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-15`);
  await page.getByRole("link", { name: "Fenwright Wicket" }).click();
  await page.getByRole("link", { name: "Add a setting" }).click();
  await press(page, "Save");
  await expect(page.getByText("As the menu names it.")).toBeVisible();
  await page.getByLabel("What the menu calls it").fill("11 pa-hi");
  await page.getByLabel("What it does").fill("twice");
  await press(page, "Save");
  await expect(page.getByText("This model has one of that name already.")).toBeVisible();
  await page.getByLabel("What the menu calls it").fill("20 TONE-V");
  await expectAccessible(page);
  await press(page, "Save");
  await expect(page.locator("#service")).toContainText("20 TONE-V");
  await page.getByRole("link", { name: "Add a code" }).click();
  await page.getByLabel("The code, as it stands on the radio").fill("A7");
  await page.getByLabel("How a tool is set for it").fill("region A");
  await press(page, "Save");
  await page.getByRole("link", { name: "Correct the code A7" }).click();
  await expect(page.getByLabel("How a tool is set for it")).toHaveValue("region A");
  await press(page, "Shelve it");
  await expect(page.locator("#service")).not.toContainText("A7");
});

test("at the bench the tool's setting stands at the machine's step, and a wrong one among the known errors", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/T-03`);
  await press(page, "Back it up");
  await press(page, "Begin");
  const machine = page.getByText("This one is west: set the tool to Type W.");
  for (let i = 0; i < 12 && (await machine.count()) === 0; i++) {
    const before = await page.getByText(/^Step \d+ of/).innerText();
    const gate = page.getByRole("button", { name: "It is so", exact: true });
    if (await gate.count()) await gate.click();
    else await press(page, "Seen it");
    await expect(page.getByText(before)).toHaveCount(0);
  }
  await expect(machine).toBeVisible();
  await page.getByText("Something else", { exact: true }).click();
  await expect(page.getByText(/the tool says that the model does not match/).first()).toBeAttached();
});
