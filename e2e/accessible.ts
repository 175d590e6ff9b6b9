// What axe has to say of a page: nothing, by all of its rules and by the least size of what is pressed (WCAG 2.2). A colour is judged when
// it has arrived, not on its way (a button that has just been pressed goes from one shade to the next).
import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";

async function stillPage(page: Page): Promise<void> {
  await page.waitForFunction(() =>
    document
      .getAnimations()
      .every((a) => a.playState !== "running" || a.effect?.getTiming().iterations === Infinity),
  );
}

/** `forced`: colours are the reader's own, which axe cannot see; whether they can be told apart is the browser's to see to. */
export async function expectAccessible(page: Page, how = "", forced = false): Promise<void> {
  await stillPage(page);
  const rules = { "target-size": { enabled: true }, "color-contrast": { enabled: !forced } };
  const { violations } = await new AxeBuilder({ page }).options({ rules }).analyze();
  const found = violations.map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 160)}`);
  expect([page.url(), how, found]).toEqual([page.url(), how, []]);
}
