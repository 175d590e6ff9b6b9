// What is printed: sheets are counted and words are found on them.
import { expect, test } from "@playwright/test";
import { printed } from "./paper.ts";
import { type Served, serveFresh } from "./serve.ts";
import { signIn } from "./sign-in.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

test("a radio is on one sheet: what it is, what it needs and the way there, without anything that is pressed", async ({
  page,
}) => {
  const { address } = served;
  await signIn(page, address, "wren");
  for (const tag of ["W-04", "W-08", "W-10", "H-03", "S-01"]) {
    await page.goto(`${address}/units/${tag}`);
    const sheets = await printed(page);
    expect([tag, sheets.length]).toEqual([tag, 1]);
    expect(sheets[0]).toContain(tag);
    expect(sheets[0]).toContain("What happened");
    expect(sheets[0]).not.toContain("Record");
    expect(sheets[0]).not.toContain("Put it on hold");
  }
  await page.goto(`${address}/units/W-08`);
  const [sheet = ""] = await printed(page);
  for (const words of [
    "Runs a release that has been withdrawn",
    "Leave the withdrawn release for 1.14",
    "Way to 1.14",
    "With what",
    "All readings",
  ])
    expect(sheet).toContain(words);
});
