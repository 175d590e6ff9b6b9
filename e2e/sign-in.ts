// Signs one of the demo's people in, without drawing a page for it: by the form's own address the first time, with the session they have after
// that. How the form itself is used is for auth.spec.ts.
import { type Cookie, expect, type Page } from "@playwright/test";

const PASSWORD = "lantern on the causeway";
const sessions = new Map<string, Cookie[]>();

export async function signIn(page: Page, address: string, who: string): Promise<void> {
  const had = sessions.get(`${address} ${who}`);
  if (had) {
    await page.context().addCookies(had);
    // Whoever is signed in is led away from the form; a session that a test has ended is opened anew.
    const asked = await page.request.get(`${address}/sign-in`, { maxRedirects: 0 });
    if (asked.status() === 302) return;
  }
  const sent = await page.request.post(`${address}/sign-in`, {
    form: { email: `${who}@lanternfen.example`, password: PASSWORD },
    headers: { Origin: address },
    maxRedirects: 0,
  });
  expect(sent.status(), `${who} signs in`).toBe(302);
  const all = await page.context().cookies(address);
  sessions.set(
    `${address} ${who}`,
    all.filter((cookie) => cookie.name.startsWith("mossy_")),
  );
}
