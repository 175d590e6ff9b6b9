// The manual stays true: each of its steps is done as it says. A step without its test, or a test without its step, fails.
import fs from "node:fs";
import path from "node:path";
import { expect, type Page } from "@playwright/test";
import { addDays, dateInZone } from "#core/quantities/index.ts";
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

const text = fs.readFileSync(path.join(import.meta.dirname, "../../docs/manual.md"), "utf8");
const steps = [...text.matchAll(/^### (.+)$/gm)].map(([, title = ""]) => title);
const go = (page: Page, to: string) => page.goto(`${served.address}${to}`);
const button = (page: Page, name: string) => page.getByRole("button", { name, exact: true });
const link = (page: Page, name: string) => page.getByRole("link", { name, exact: true });
const h1 = (page: Page) => page.getByRole("heading", { level: 1 });

const DONE: Readonly<Record<string, (page: Page) => Promise<void>>> = {
  "Add a radio": async (page) => {
    await openAwake(page, `${served.address}/cabinet`);
    await page.keyboard.press("/");
    await page.getByRole("dialog").getByRole("combobox").fill("add");
    await page
      .getByRole("dialog")
      .getByRole("option", { name: /Add a radio/ })
      .click();
    await page.getByLabel("Tag").fill("M-1");
    await page.getByLabel("Model", { exact: true }).selectOption({ label: "Heron (Quillmere)" });
    await button(page, "Put it in the cabinet").click();
    await expect(h1(page)).toHaveText("We have not read this radio yet");
  },
  "Bring in a spreadsheet": async (page) => {
    await go(page, "/import");
    await page.getByLabel(/paste/i).fill("tag,model,version\nM-2,Wicket,1.08");
    await page.getByRole("button", { name: /Look/ }).click();
    await expect(page.getByText("M-2").first()).toBeVisible();
  },
  "Read a version": async (page) => {
    await go(page, "/units/W-03");
    await page.getByLabel("What does W-03 show?").fill("1.14");
    await expect(page.getByText(/main 1\.14: current/i)).toBeVisible();
    await button(page, "Record").click();
    await expect(h1(page)).toHaveText(/Current/);
  },
  "Add a release": async (page) => {
    await go(page, "/models/1");
    await link(page, "Add a release").click();
    await page.getByLabel("Version", { exact: true }).fill("1.21");
    await page.getByLabel("Released on").fill(addDays(dateInZone(new Date(), "Europe/London"), -1));
    await button(page, "Add it").click();
    await expect(page.getByRole("row").filter({ hasText: "1.21" }).first()).toBeVisible();
  },
  "Paste release notes": async (page) => {
    await go(page, "/models/1/releases/new");
    await link(page, "Paste release notes").click();
    await page.getByLabel("The notes").fill("Version 1.22 (2 October 2026)\n- fixes the clock");
    await button(page, "Find the releases").click();
    await button(page, "Write down what is picked").click();
    await expect(page.getByRole("row").filter({ hasText: "1.22" }).first()).toBeVisible();
  },
  "Weigh a policy": async (page) => {
    await go(page, "/club");
    await link(page, "Lanterns kit").click();
    await page.getByLabel("Readings are good for days").fill("1");
    await button(page, "See whom it touches").click();
    await expect(page.getByText(/would need something/).first()).toBeVisible();
  },
  "See what is due": async (page) => {
    await go(page, "/due");
    await page.getByRole("listitem").filter({ hasText: "W-08" }).first().getByText("Why?").click();
    await expect(page.getByText(/withdrawn/).first()).toBeVisible();
  },
  "See the way and the chain": async (page) => {
    await go(page, "/units/W-13");
    await expect(page.getByRole("heading", { name: "What it needs" })).toBeVisible();
    await expect(page.getByRole("heading", { name: /^Way to/ })).toBeVisible();
    await expect(page.getByRole("heading", { name: /^With what/ })).toBeVisible();
  },
  "Enter a lead": async (page) => {
    await go(page, "/kit");
    await link(page, "Inventory").click();
    await link(page, "Enter what you have in the hand").click();
    await expect(button(page, "Put it in the kit")).toBeVisible();
    await page.getByLabel("At the radio", { exact: true }).selectOption({ index: 1 });
    await page.getByLabel("Tag", { exact: true }).fill("K-61");
    await page.getByLabel("At the computer", { exact: true }).selectOption({ label: "USB-A" });
    await button(page, "Put it in the kit").click();
    await expect(page.getByText("K-61 is in the kit.")).toBeVisible();
    await page.getByLabel("Tag", { exact: true }).fill("K-62");
    await button(page, "Put it in the kit").click();
    await expect(page.getByText("K-62 is in the kit.")).toBeVisible();
  },
  "Find out which lead it is": async (page) => {
    await go(page, "/kit");
    await link(page, "Which lead is this?").click();
    await page.getByLabel(/Paste what/).fill("usb 1-2: New USB device found, idVendor=f1c7, idProduct=3400");
    await button(page, "Which is it?").click();
    await expect(page.getByRole("region", { name: "Device f1c7:3400" })).toContainText("Teasel 340");
  },
  "See what to get": async (page) => {
    await go(page, "/kit");
    await link(page, "What to get").click();
    await expect(page).toHaveURL(/kit\/get/);
    await expect(page.getByLabel(/money|spend/i).first()).toBeVisible();
  },
  "Practise first": async (page) => {
    await go(page, "/bench");
    await page
      .getByRole("link", { name: /Practise/ })
      .first()
      .click();
    await expect(h1(page)).toHaveText(/Practi[cs]e/);
  },
  "Take a radio to the bench": async (page) => {
    await go(page, "/units/S-07");
    await button(page, "Update it").click();
    await expect(page).toHaveURL(/\/bench\/\d+/);
  },
  "Write down what was done elsewhere": async (page) => {
    await go(page, "/units/W-04");
    await page.getByText("Write down what was done").click();
    const form = page.locator("#write-down");
    await form.getByRole("textbox").first().fill("new battery clip");
    await form.getByRole("button", { name: /Write/ }).click();
    await expect(page.getByText(/^Written down/)).toBeVisible();
  },
  "Put a radio on hold": async (page) => {
    await go(page, "/units/W-05");
    await page.getByText("Put it on hold").click();
    await page.getByLabel("Until").fill("2999-01-01");
    await page.getByLabel("Why", { exact: true }).fill("spare");
    await button(page, "What would that do?").click();
    await expect(page.getByText("Nothing is saved yet.")).toBeVisible();
    await button(page, "Hold").click();
    await expect(button(page, "Lift the hold")).toBeVisible();
  },
  "Lend it and take it back": async (page) => {
    await go(page, "/units/W-04");
    await page.getByText("Lend it", { exact: true }).click();
    await page.getByLabel("To", { exact: true }).selectOption({ label: "Ida Fallowgate" });
    await button(page, "Lend").click();
    await page.getByRole("button", { name: /Take it back/ }).click();
    await expect(page.getByText(/^Back from Ida/)).toBeVisible();
  },
  "Look up what happened": async (page) => {
    await go(page, "/log");
    await page.getByLabel("Words").fill("battery");
    await page.keyboard.press("Enter");
    await expect(page.getByText(/[Bb]attery/).first()).toBeVisible();
  },
};

test("each step of the manual has its test, and each test its step", () => {
  expect([...steps].sort()).toEqual(Object.keys(DONE).sort());
});

for (const step of steps)
  test(`the manual: ${step}`, async ({ page }) => {
    await signIn(page, served.address, "wren");
    await DONE[step]?.(page);
  });

test("? says what the place is for and leads to the manual; the manual is served inside", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await openAwake(page, `${served.address}/due`);
  await expect(h1(page)).toBeVisible();
  await page.locator("body").press("?");
  const dialog = page.getByRole("dialog", { name: "Help" });
  await expect(dialog).toContainText("Every radio that needs something");
  await dialog.getByRole("link", { name: "The manual" }).click();
  for (const step of steps) await expect(page.getByRole("heading", { level: 3, name: step })).toBeVisible();
  await expectAccessible(page);
});

test("the keeper sees what each may do, what they hold, when they last came", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await go(page, "/club");
  await page.getByRole("link", { name: /What each may/ }).click();
  const row = page.getByRole("row").filter({ hasText: "Ida Fallowgate" });
  await expect(row).toContainText("member");
  await expect(row.getByRole("link", { name: "W-07" })).toBeVisible();
  await expect(page.getByRole("row").filter({ hasText: "Wren Oldacre" })).toContainText(/\d\d:\d\d/);
  await expect(page.getByText(/all that a member may, and: /)).toContainText("work at the bench");
  await expectAccessible(page);
});

for (const who of ["juno", "ida", "wren"])
  test(`try this: each of the five things leads somewhere for ${who}`, async ({ page }) => {
    await signIn(page, served.address, who);
    await go(page, who === "ida" ? "/mine" : "/cabinet");
    const card = page.getByRole("region", { name: "Try this" });
    if (who === "wren") await card.getByText("Try this: five things").click();
    const links = card.getByRole("listitem").getByRole("link");
    await expect(links).toHaveCount(5);
    for (const to of await links.evaluateAll((all) => all.map((a) => a.getAttribute("href") ?? ""))) {
      const answer = await go(page, to);
      // Without an answer it was a place on the same page.
      expect([to, answer?.status() ?? 200]).toEqual([to, 200]);
      await expect(h1(page)).toBeVisible();
    }
    if (who !== "wren") return;
    await go(page, "/cabinet");
    await card.getByText("Try this: five things").click();
    await card.getByRole("button", { name: "Put this card away" }).click();
    await expect(card).toHaveCount(0);
  });
