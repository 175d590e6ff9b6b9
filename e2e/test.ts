// What every browser test runs in: whatever a page's console tells that nobody asked for fails the test that saw it.
import { test as base, expect } from "@playwright/test";

/**
 * What the browser itself tells of answers that a test is after (refused, away), or of a server that a test stops. And two that are of no
 * consequence: a link within the page while somebody could be asked before leaving it, and a chart whose page is just being left. And the router's
 * own word where a page is asked for anew before the answer to the last time is there.
 */
const ASKED_FOR =
  /^Failed to load resource:|^signal is aborted without reason$|net::ERR_|ERR_INTERNET_DISCONNECTED|blocker on a POP navigation|^The width\(0\) and height\(0\) of chart/;

export const test = base.extend<{ readonly quietConsole: undefined }>({
  quietConsole: [
    async ({ context }, use) => {
      const told: string[] = [];
      context.on("console", (line) => {
        if (!["error", "warning"].includes(line.type()) || ASKED_FOR.test(line.text())) return;
        told.push(`${line.page()?.url()}: ${line.text()}`);
      });
      context.on("weberror", (one) => {
        const { message } = one.error();
        if (!ASKED_FOR.test(message)) told.push(`${one.page()?.url()}: ${message}`);
      });
      await use(undefined);
      expect(told, "what the console told").toEqual([]);
    },
    { auto: true },
  ],
});
