// Accessibility of every page in both themes, an area at a time. Forms with trouble in them are looked at where they are tested.
import { expect, test } from "@playwright/test";
import { expectAccessible } from "./accessible.ts";
import { type Served, serveFresh } from "./serve.ts";
import { signIn } from "./sign-in.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

const PAGES = {
  "the cabinet and what is due": [
    "/cabinet",
    "/cabinet?lens=who&unit=W-03",
    "/cabinet?lens=firmware",
    "/cabinet?lens=charge",
    "/due",
  ],
  "the bench": [
    "/bench",
    "/bench/1",
    "/bench/12",
    "/bench/13",
    "/bench/practice?model=1&procedure=2",
    "/codeplugs",
    "/codeplugs/files",
    "/mine",
    "/more",
    "/codeplugs/plan",
    "/codeplugs/plan?block=2",
    "/codeplugs/repeaters",
    "/codeplugs/identities",
    "/codeplugs/scan",
  ],
  "the kit": [
    "/kit",
    "/kit?unit=T-04",
    "/kit/own",
    "/kit/in-hand",
    "/kit/bluetooth",
    "/kit/ways",
    "/kit/field-day",
    "/kit/devices/1",
    "/kit/which-lead",
    "/kit/get",
    "/kit/computers/new",
    "/models/1/notes",
    "/models/1/merge?into=2",
  ],
  "models and radios": [
    "/models",
    "/models/1",
    "/models/1/releases/new",
    "/units/W-03",
    "/units/H-10",
    "/units/T-04",
    "/units/none",
    "/units/H-02/pairing",
  ],
  "the club and oneself": [
    "/log",
    "/club",
    "/import",
    "/me",
    "/find?q=w",
    "/keys",
    "/manual",
    "/club/people",
  ],
};

/** Beside 1280 by 800: a phone; twice as large, which leaves half the room; and the reader's own colours. */
const LOOKS = {
  light: [
    ["on a phone", { width: 390, height: 844 }, false],
    ["with forced colours", { width: 1280, height: 800 }, true],
  ],
  dark: [
    ["on a phone", { width: 390, height: 844 }, false],
    ["at 200 %", { width: 640, height: 400 }, false],
  ],
} as const;

for (const scheme of ["light", "dark"] as const) {
  test.describe(`accessibility, ${scheme}`, () => {
    test.use({ colorScheme: scheme });
    for (const [area, pages] of Object.entries(PAGES)) {
      test(`axe finds nothing on any page of ${area}`, async ({ page }) => {
        test.setTimeout(600_000);
        await signIn(page, served.address, "wren");
        for (const path of pages) {
          await page.goto(served.address + path);
          await expectAccessible(page);
          for (const [how, size, forced] of LOOKS[scheme]) {
            if (size) await page.setViewportSize(size);
            if (forced) await page.emulateMedia({ forcedColors: "active" });
            await expectAccessible(page, how, forced);
            const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
            expect([path, how, wide]).toEqual([path, how, 0]);
          }
          await page.setViewportSize({ width: 1280, height: 800 });
          await page.emulateMedia({ forcedColors: "none" });
        }
      });
    }
  });
}
