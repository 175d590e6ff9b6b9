// What axe has to say of a page: nothing.
import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";

export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  const found = violations.map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 160)}`);
  expect([page.url(), found]).toEqual([page.url(), []]);
}
