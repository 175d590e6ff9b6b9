// A run at the bench, gone through as a person does: a step is answered, and the next is waited for.
import { expect, type Page } from "@playwright/test";

export const heading = (page: Page) => page.getByRole("heading", { level: 1 });
export const press = (page: Page, name: string) =>
  page.getByRole("button", { name, exact: true }).first().click();
/** How many events the page knows of. */
export const number = async (page: Page) =>
  Number(
    await page
      .locator("input[name=number]")
      .first()
      .inputValue({ timeout: 1000 })
      .catch(() => "-1"),
  );
/** Answers a step and waits for the next. */
export async function answer(page: Page, name: string) {
  const before = await number(page);
  await press(page, name);
  await expect.poll(() => number(page)).not.toBe(before);
}
/** The same where the page may go on by itself under the pointer, when what was answered before comes late: then it is looked at again. */
export async function answerIfThere(page: Page, name: string) {
  const before = await number(page);
  const button = page.getByRole("button", { name, exact: true });
  const pressed = await button
    .first()
    .click({ timeout: 10_000 })
    .then(
      () => true,
      () => false,
    );
  if (pressed) await expect.poll(() => number(page)).not.toBe(before);
  else if (await button.count()) throw new Error(`${name} is there and cannot be pressed`);
}
/** Answers steps as they come until the heading is one of these. */
export async function until(page: Page, wanted: RegExp, most = 60) {
  for (let i = 0; i < most; i++) {
    const title = await heading(page).innerText();
    if (wanted.test(title)) return title;
    for (const name of [
      "That is what it has",
      "It is so",
      "It is kept",
      "Take the club's own copy",
      "Seen it",
    ]) {
      if ((await page.getByRole("button", { name, exact: true }).count()) === 0) continue;
      await answerIfThere(page, name);
      break;
    }
  }
  throw new Error(`never came to ${wanted}: ${await heading(page).innerText()}`);
}
/** Lets the machine work until it is through. */
export async function work(page: Page) {
  const title = await heading(page).innerText();
  await press(page, "Start it on the simulated radio");
  await expect(page.getByRole("progressbar", { name: "How far it is" })).toBeVisible();
  await expect(heading(page)).not.toHaveText(title, { timeout: 30_000 });
}
