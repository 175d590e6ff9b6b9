// The kit's inventory, as the browser tests use it: a thing is opened by its name, and saved.
import { expect, type Page } from "@playwright/test";
import { openAwake } from "../awake.ts";

/** Opens a thing of the kit by its name in the inventory. */
export async function openThing(page: Page, address: string, name: string): Promise<void> {
  await openAwake(page, `${address}/kit/own`);
  await page.getByRole("listitem").getByRole("link", { name, exact: true }).first().click();
  await expect(page.getByRole("heading", { level: 1, name })).toBeVisible();
  // What is selected in a field of several lines, to be typed over, is no longer so once the page is brought up to date.
  await page.waitForLoadState("networkidle");
}

export async function saveThing(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Kit" })).toBeVisible();
}
