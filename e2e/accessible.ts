// axe finds nothing on a page, by all of its rules and WCAG 2.2’s least target size. Colours are judged once they have stopped changing.
import fs from "node:fs";
import { createRequire } from "node:module";
import { expect, type Page } from "@playwright/test";
import type { AxeResults, RunOptions } from "axe-core";

const AXE = fs.readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");

/** `all` rules; or those that another look at the same page can change: what its colours, or what its size and layout decide. */
export type Rules = "all" | "colours" | "layout";

// Of what passes nothing is written down: that takes axe three times as long as looking.
const OPTIONS: Record<Rules, RunOptions> = {
  all: { rules: { "target-size": { enabled: true } }, resultTypes: ["violations"] },
  colours: { runOnly: ["color-contrast"], resultTypes: ["violations"] },
  layout: {
    rules: { "target-size": { enabled: true }, "color-contrast": { enabled: false } },
    resultTypes: ["violations"],
  },
};

async function stillPage(page: Page): Promise<void> {
  await page.waitForFunction(() =>
    document
      .getAnimations()
      .every((a) => a.playState !== "running" || a.effect?.getTiming().iterations === Infinity),
  );
}

export async function expectAccessible(page: Page, how = "", rules: Rules = "all"): Promise<void> {
  // Where the pointer lay last, nothing is to look touched.
  await page.mouse.move(0, 0);
  await stillPage(page);
  // As the test's own, beside the page's policy for scripts.
  if (!(await page.evaluate(() => "axe" in window))) await page.evaluate(AXE);
  const found = await page.evaluate(async (options) => {
    const { axe } = window as unknown as {
      axe: { run: (on: Document, options: RunOptions) => Promise<AxeResults> };
    };
    // What stays at the foot of the screen covers whatever has been scrolled below it: that is no matter of how large that is.
    const stuck = [...document.querySelectorAll<HTMLElement>("main *")].filter(
      (one) => getComputedStyle(one).position === "sticky",
    );
    for (const one of stuck) one.style.setProperty("position", "static", "important");
    const { violations } = await axe.run(document, options);
    for (const one of stuck) one.style.removeProperty("position");
    return violations.map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 160)}`);
  }, OPTIONS[rules]);
  expect([page.url(), how, found]).toEqual([page.url(), how, []]);
}
