// What axe has to say of a page: nothing.
import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";

/** By night only the colours are another: all else was looked at by day. */
export async function expectAccessible(page: Page): Promise<void> {
  const isDark = await page.evaluate(() => matchMedia("(prefers-color-scheme: dark)").matches);
  const axe = new AxeBuilder({ page });
  const { violations } = await (isDark
    ? axe.withRules(["color-contrast", "link-in-text-block"])
    : axe
  ).analyze();
  const found = violations.map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 160)}`);
  expect([page.url(), found]).toEqual([page.url(), []]);
}
