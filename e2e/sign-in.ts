// Signs one of the demo's people in.
import { expect, type Page } from "@playwright/test";

export async function signIn(page: Page, address: string, who: string): Promise<void> {
  await page.goto(`${address}/sign-in`);
  await page.getByLabel("E-mail", { exact: true }).fill(`${who}@lanternfen.example`);
  await page.getByLabel("Password").fill("lantern on the causeway");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();
}
