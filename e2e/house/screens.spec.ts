// What holds of every screen there is, whoever looks: it opens or says that it is not for them, it has a title and one heading, and help.
import { expect } from "@playwright/test";
import { SCREENS } from "../pages.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

test("every screen has an address of the demo", () => {
  expect(SCREENS.length).toBeGreaterThan(60);
  expect(SCREENS.filter(({ address }) => address.includes(":"))).toEqual([]);
});

for (const [who, mayAll] of [
  ["wren", true],
  ["bram", false],
  ["ida", false],
] as const)
  test(`every screen opens for ${who}, or says that it is not for them`, async ({ page }) => {
    await signIn(page, served.address, who);
    const odd: unknown[] = [];
    const titles = new Map<string, string>();
    for (const { path, address } of SCREENS) {
      const answer = await page.request.get(served.address + address, { maxRedirects: 3 });
      const html = await answer.text();
      const title = /<title>([^<]*)<\/title>/.exec(html)?.[1] ?? "";
      const headings = html.match(/<h1[\s>]/g)?.length ?? 0;
      const fine = answer.status() === 200 || (!mayAll && answer.status() === 403);
      if (!fine || headings !== 1 || title === "") odd.push([path, answer.status(), headings, title]);
      if (answer.status() === 200) titles.set(path, title);
    }
    expect(odd).toEqual([]);
    // In a list of tabs one tells them apart.
    const named = [...titles].filter(([, title]) => !/· Mossy Cabinet$/.test(title));
    expect(named).toEqual([]);
  });
