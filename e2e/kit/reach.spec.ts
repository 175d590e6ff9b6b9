// Reaching radios from the kit page: the release a radio is to get, tries noted there, a lead that is lent and comes back;
// every page on a phone; and kit that is typed while the records are away.
import { expect, type Page } from "@playwright/test";
import { openAwake } from "../awake.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";
import { openThing, saveThing } from "./kit-page.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

const chainsOf = (page: Page, name: string) => page.getByRole("region", { name: `Chains of ${name}` });

test("a radio is chosen by its tag: what it is to get, with what, and how a try went", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/kit`);
  await page.getByLabel("Radio").fill("w-03");
  await page.getByRole("button", { name: "Show" }).click();
  const chosen = chainsOf(page, "W-03");
  await expect(chosen).toContainText("is to get 1.14");
  await expect(
    chosen.getByRole("list", { name: "The best chain: K-07, Reed desk, Hedgewriter" }),
  ).toBeVisible();
  await expect(chosen).toContainText("6 of 6 tries worked");
  await chosen.getByRole("button", { name: "It worked" }).first().click();
  await expect(page.getByText("Noted: it worked with K-07, Reed desk, Hedgewriter.")).toBeVisible();
  // It is noted here, of this radio, and the page has not gone elsewhere.
  await expect(page).toHaveURL(/\/kit\?/);
  await expect(chosen).toContainText("7 of 7 tries worked");
  await chosen.getByRole("link", { name: "W-03" }).click();
  await expect(page.getByText("it worked with K-07, Reed desk, Hedgewriter")).toBeVisible();
});

test("to read it, it is reached by what it runs now; to flash one that needs nothing, by how it would be", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/kit?unit=W-01&for=flash`);
  await expect(chainsOf(page, "W-01")).toContainText("W-01 is to get no release now");
  await page.goto(`${served.address}/kit?unit=W-01&for=read`);
  await expect(chainsOf(page, "W-01")).toContainText(/\d+ chains to read it/);
  await expect(chainsOf(page, "W-01")).not.toContainText("is to get");
  await page.goto(`${served.address}/kit?unit=M-03&for=flash`);
  await expect(chainsOf(page, "M-03")).toContainText(/main .* and |panel |DSP /);
  await page.goto(`${served.address}/kit?unit=ZZ-9`);
  await expect(page.getByRole("alert")).toHaveText("No radio has the tag ZZ-9.");
});

test("a try with a model as a whole is noted without a radio", async ({ page }) => {
  await signIn(page, served.address, "bram");
  await page.goto(`${served.address}/kit?for=read`);
  await page.getByRole("rowheader", { name: "Wicket", exact: true }).getByRole("link").click();
  const chosen = chainsOf(page, "Wicket");
  const fold = chosen.getByText("Tried it").first();
  await fold.click();
  await chosen.getByLabel("What was seen when it failed").first().fill("the port went away");
  await chosen.getByRole("button", { name: "It failed" }).first().click();
  await expect(page.getByRole("status").filter({ hasText: "Noted: it failed with" })).toBeVisible();
  await page.goto(`${served.address}/log?kind=tried`);
  await expect(page.getByText("the port went away").first()).toBeVisible();
});

test("a member sees the chains of a radio, and a press that is sent all the same is refused", async ({
  page,
}) => {
  await signIn(page, served.address, "ida");
  await page.goto(`${served.address}/kit?unit=W-03`);
  await expect(chainsOf(page, "W-03").getByRole("list", { name: /The best chain/ })).toBeVisible();
  await expect(page.getByRole("button", { name: "It worked" })).toHaveCount(0);
  await expect(page.getByText("Tried it")).toHaveCount(0);
  const answer = await page.request.post(`${served.address}/kit`, {
    form: { intent: "tried", unit: "W-03", worked: "yes" },
    headers: { Origin: served.address },
  });
  expect(answer.status()).toBe(403);
});

test("a lead that is lent must be fetched; once it is back, its radio stands ready again", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/S-05`);
  const best = page.getByRole("list", { name: /The best chain/ }).first();
  await expect(best).toHaveAccessibleName(/K-02/);
  await openThing(page, served.address, "K-02");
  await page.getByLabel("With", { exact: true }).selectOption({ label: "Fitch Rowanlea" });
  await saveThing(page);
  const troubled = page.locator("section").filter({
    has: page.getByRole("heading", { name: "Lent, worn, broken, lost" }),
  });
  await expect(troubled).toContainText("with Fitch Rowanlea");
  await page.goto(`${served.address}/units/S-05`);
  await expect(page.getByText("fetch K-02 from Fitch Rowanlea").first()).toBeVisible();
  await openThing(page, served.address, "K-02");
  await page.getByLabel("With", { exact: true }).selectOption({ label: "nobody: it is here" });
  await saveThing(page);
  await page.goto(`${served.address}/units/S-05`);
  await expect(best).toHaveAccessibleName(/K-02/);
});

test("a computer with a port whose name holds a comma is saved as it was", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await openThing(page, served.address, "Old Grebe");
  const ports = page.getByLabel(/^Ports/);
  const before = await ports.inputValue();
  expect(before).toContain("serial");
  await saveThing(page);
  await openThing(page, served.address, "Old Grebe");
  await expect(ports).toHaveValue(before);
  await ports.fill(`${before}; serial, ninety pins`);
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("We know no connector called “serial”.")).toBeVisible();
  await expect(ports).toHaveValue(`${before}; serial, ninety pins`);
});

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 } });
  test("no page is wider than the screen, and the areas are within the thumb's reach", async ({ page }) => {
    await signIn(page, served.address, "juno");
    const pages = [
      "/cabinet",
      "/cabinet?lens=who&unit=W-03",
      "/due",
      "/models",
      "/models/1",
      "/models/which?plug=two-pin",
      "/kit",
      "/kit?unit=W-03",
      "/kit/own",
      "/kit/leads/new",
      "/kit/which-lead",
      "/kit/get",
      "/units/W-03",
      "/units/M-03",
      "/units/T-04",
      "/log",
      "/find?q=w",
      "/mine",
      "/more",
      "/units/new",
    ];
    for (const path of pages) {
      await page.goto(served.address + path);
      const wide = await page.evaluate(() => document.documentElement.scrollWidth);
      expect([path, wide]).toEqual([path, 390]);
      const strip = await page.getByRole("navigation", { name: "Areas" }).boundingBox();
      expect((strip?.y ?? 0) + (strip?.height ?? 0)).toBeGreaterThan(780);
    }
  });
});

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 } });
  test("the answer to an act far down the page is in sight, refused or done", async ({ page }) => {
    await signIn(page, served.address, "wren");
    await openAwake(page, `${served.address}/units/H-04`);
    await page.getByText("Put it on hold").click();
    await page.getByLabel("Until").fill("2999-01-01");
    await page.getByRole("button", { name: "Hold", exact: true }).click();
    await expect(page.getByText("Say why, so that others know.")).toBeInViewport();
    await expect(page.getByLabel("Until")).toHaveValue("2999-01-01");
    await page.getByLabel("Why", { exact: true }).fill("the lantern walk");
    await page.getByRole("button", { name: "Hold", exact: true }).click();
    await expect(page.getByRole("status").filter({ hasText: "On hold." })).toBeInViewport();
    await page.getByRole("button", { name: "Lift the hold" }).click();
    await expect(page.getByText("The hold is lifted.")).toBeInViewport();
  });
});
