// Accessibility of every page in both themes, as it stands and on a phone, twice as large, and with forced colours. Forms with trouble in them are looked at where they are tested.
import { expect } from "@playwright/test";
import { expectAccessible, type Rules } from "../accessible.ts";
import { openAwake } from "../awake.ts";
import { SCREENS } from "../pages.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

/** Those that are looked at in every way, some of them with something chosen. */
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

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/**
 * Six looks at a page that is loaded once. By all rules at the desk and on a phone, where other parts of the frame are seen; by those that the
 * look can change elsewhere. Twice as large leaves half the room; forced colours are the reader's own, and for the browser to tell apart.
 */
const LOOKS: readonly {
  readonly how: string;
  readonly size: typeof DESK;
  readonly scheme: "light" | "dark";
  readonly forced?: true;
  readonly rules: Rules;
}[] = [
  { how: "at the desk", size: DESK, scheme: "light", rules: "all" },
  { how: "with forced colours", size: DESK, scheme: "light", forced: true, rules: "layout" },
  { how: "by night", size: DESK, scheme: "dark", rules: "colours" },
  { how: "at 200 %", size: { width: 640, height: 400 }, scheme: "dark", rules: "layout" },
  { how: "on a phone by night", size: PHONE, scheme: "dark", rules: "colours" },
  { how: "on a phone", size: PHONE, scheme: "light", rules: "all" },
];

/** So large that each look is a test of its own. */
const LARGE = new Set(["/codeplugs/repeaters"]);

/** Every other screen there is, at the desk and on a phone. */
const looked = new Set(Object.values(PAGES).flat());
const others = SCREENS.filter(({ address }) => !looked.has(address)).map(({ address }) => address);
test.describe("accessibility of every other screen", () => {
  for (const path of others)
    test(`axe finds nothing on ${path}, and nothing sticks out`, async ({ page }) => {
      await signIn(page, served.address, "wren");
      await openAwake(page, served.address + path);
      for (const { how, size, rules } of LOOKS.filter((look) => look.rules === "all")) {
        await page.setViewportSize(size);
        await expectAccessible(page, how, rules);
        const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
        expect([path, how, wide]).toEqual([path, how, 0]);
      }
    });
});

for (const [area, pages] of Object.entries(PAGES)) {
  test.describe(`accessibility of ${area}`, () => {
    for (const [path, looks] of pages.flatMap((page) =>
      LARGE.has(page) ? LOOKS.map((look) => [page, [look]] as const) : [[page, LOOKS] as const],
    )) {
      const only = looks.length === 1 ? `, ${looks[0]?.how}` : "";
      test(`axe finds nothing on ${path}, and nothing sticks out${only}`, async ({ page }) => {
        await signIn(page, served.address, "wren");
        await page.goto(served.address + path);
        for (const { how, size, scheme, forced, rules } of looks) {
          await page.setViewportSize(size);
          await page.emulateMedia({ colorScheme: scheme, forcedColors: forced ? "active" : "none" });
          await expectAccessible(page, how, rules);
          const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
          expect([path, how, wide]).toEqual([path, how, 0]);
        }
      });
    }
  });
}
