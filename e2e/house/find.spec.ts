// The finder: beginnings before middles, tags before names before pages, slips of the finger forgiven.
import { expect } from "@playwright/test";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

test("what begins so comes first; a slip still finds it; a tag it had, and a serial number, lead there too", async ({
  page,
}) => {
  await signIn(page, served.address, "ida");
  const found = async (asked: string) => {
    await page.goto(`${served.address}/find?q=${encodeURIComponent(asked)}`);
    return (await page.getByRole("main").getByRole("listitem").getByRole("link").allTextContents()).slice(
      0,
      40,
    );
  };
  const ha = await found("ha");
  expect(ha[0]).toMatch(/^Hale/);
  expect(ha.indexOf("What to get")).toBeGreaterThan(0);
  expect((await found("hreon"))[0]).toBe("Heron");
  expect((await found("w-0"))[0]).toBe("W-01");
  expect(await found("FW2 4112")).toEqual(["W-09"]);
  expect(await found("zzzz")).toEqual([]);
});
