// Accessibility of every page in both themes. Forms with trouble in them are looked at where they are tested.
import { test } from "@playwright/test";
import { expectAccessible } from "./accessible.ts";
import { type Served, serveFresh } from "./serve.ts";
import { signIn } from "./sign-in.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

for (const scheme of ["light", "dark"] as const) {
  test.describe(`accessibility, ${scheme}`, () => {
    test.use({ colorScheme: scheme });
    test("axe finds nothing on any page", async ({ page }) => {
      test.setTimeout(180_000);
      await signIn(page, served.address, "wren");
      const pages = [
        "/cabinet",
        "/cabinet?lens=who&unit=W-03",
        "/cabinet?lens=firmware",
        "/due",
        "/bench",
        "/kit",
        "/kit?unit=T-04",
        "/kit/own",
        "/kit/which-lead",
        "/kit/get",
        "/kit/computers/new",
        "/models",
        "/models/1",
        "/models/1/releases/new",
        "/units/W-03",
        "/units/H-10",
        "/units/T-04",
        "/log",
        "/club",
        "/import",
        "/me",
        "/find?q=w",
        "/keys",
        "/units/none",
      ];
      for (const path of pages) {
        await page.goto(served.address + path);
        await expectAccessible(page);
      }
    });
  });
}
