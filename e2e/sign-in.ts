// Signs one of the demo's people in: through the form the first time, with the session they have after that.
import { type Cookie, expect, type Page } from "@playwright/test";

const sessions = new Map<string, Cookie[]>();

export async function signIn(page: Page, address: string, who: string): Promise<void> {
  const had = sessions.get(`${address} ${who}`);
  if (had) await page.context().addCookies(had);
  await page.goto(`${address}/${had ? "cabinet" : "sign-in"}`);
  // A session that a test has ended leads to the form again.
  if (page.url().includes("/sign-in")) {
    await page.getByLabel("E-mail", { exact: true }).fill(`${who}@lanternfen.example`);
    await page.getByLabel("Password").fill("lantern on the causeway");
    await page.getByRole("button", { name: "Sign in" }).click();
    // A member begins with the radio they have.
    await expect(page.getByRole("heading", { level: 1, name: /^(Cabinet|My radio)/ })).toBeVisible();
    if (!page.url().includes("/cabinet")) await page.goto(`${address}/cabinet`);
  }
  await expect(page.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();
  const all = await page.context().cookies();
  sessions.set(
    `${address} ${who}`,
    all.filter((cookie) => cookie.name.startsWith("mossy_")),
  );
}
