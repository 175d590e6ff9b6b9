// What axe has to say of a page: nothing. A colour is judged when it has arrived, not on its way
// (a button that has just been pressed goes from one shade to the next).
import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";

async function stillPage(page: Page): Promise<void> {
  await page.waitForFunction(() =>
    document
      .getAnimations()
      .every((a) => a.playState !== "running" || a.effect?.getTiming().iterations === Infinity),
  );
}

export async function expectAccessible(page: Page): Promise<void> {
  await stillPage(page);
  const { violations } = await new AxeBuilder({ page }).analyze();
  const found = violations.map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 160)}`);
  expect([page.url(), found]).toEqual([page.url(), []]);
}
