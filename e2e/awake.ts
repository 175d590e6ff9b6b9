// Opens a page and waits until its scripts are awake.
import { expect, type Page } from "@playwright/test";

export async function openAwake(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await expect(page.locator("html[data-awake]")).toBeAttached();
}
