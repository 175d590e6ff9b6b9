// Two tabs, or two people, with the same form open: who saves second undoes nothing without being asked.
import { type Browser, expect, type Page } from "@playwright/test";
import { openAwake } from "../awake.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

const two = async (browser: Browser, path: (page: Page) => Promise<string>): Promise<[Page, Page]> => {
  const pages: Page[] = [];
  for (let i = 0; i < 2; i++) {
    const page = await (await browser.newContext()).newPage();
    await signIn(page, served.address, "wren");
    await openAwake(page, served.address + (await path(page)));
    pages.push(page);
  }
  return pages as [Page, Page];
};
const hrefOf = async (page: Page, where: string, name: string): Promise<string> => {
  await page.goto(served.address + where);
  return (await page.getByRole("link", { name, exact: true }).first().getAttribute("href")) ?? "";
};

test("a withdrawal noted meanwhile is not taken back by a form that was opened before", async ({
  browser,
}) => {
  const [mine, theirs] = await two(browser, async (page) => {
    await page.goto(served.address + (await hrefOf(page, "/models", "Oxbow 4")));
    return (await page.locator('a[href*="/releases/"]').last().getAttribute("href")) ?? "";
  });
  await theirs.getByLabel("Withdrawn on").fill("2026-11-20");
  await theirs.getByLabel("Why it was withdrawn").fill("drops the carrier");
  await theirs.getByRole("button", { name: "Save", exact: true }).click();
  await expect(theirs).toHaveURL(/models\/\d+$/);

  await mine.getByLabel("Notes").fill("read aloud at the meeting");
  await mine.getByRole("button", { name: "Save", exact: true }).click();
  await expect(mine).toHaveURL(/models\/\d+$/);
  await expect(mine.getByText("drops the carrier").first()).toBeVisible();
  await theirs.goBack();
  await theirs.reload();
  await expect(theirs.getByLabel("Withdrawn on")).toHaveValue("2026-11-20");
  await expect(theirs.getByLabel("Notes")).toHaveValue("read aloud at the meeting");
});

test("a correction goes to the radio it was opened for, though its tag went to another; what it was called still leads to it", async ({
  browser,
}) => {
  const [mine, theirs] = await two(browser, async () => "/units/S-04/edit");
  const retag = async (from: string, to: string) => {
    await openAwake(theirs, `${served.address}/units/${from}/edit`);
    await theirs.getByLabel("Tag").fill(to);
    await theirs.getByRole("button", { name: "Save", exact: true }).click();
    await expect(theirs).toHaveURL(`${served.address}/units/${to}`);
  };
  await retag("S-04", "S-40");
  await retag("S-05", "S-04");
  await mine.getByLabel("Note").fill("rattles when shaken");
  await mine.getByRole("button", { name: "Save", exact: true }).click();
  await expect(mine).toHaveURL(`${served.address}/units/S-40`);
  await expect(mine.getByText("Was S-04 before.")).toBeVisible();
  await theirs.goto(`${served.address}/units/S-04/edit`);
  await expect(theirs.getByLabel("Note")).not.toHaveValue("rattles when shaken");
  await theirs.goto(`${served.address}/units/S-05`);
  await expect(theirs).toHaveURL(`${served.address}/units/S-04`);
  await expect(theirs.getByText("Was S-05 before.")).toBeVisible();
  await theirs.goto(`${served.address}/find?q=s-05`);
  await expect(theirs.getByText("once S-05")).toBeVisible();
});

test("where both changed the same, the second is told what stands there, keeps what was typed, and decides", async ({
  browser,
}) => {
  const [mine, theirs] = await two(browser, async () => "/units/W-04/edit");
  await theirs.getByLabel("Note").fill("belongs to the hut");
  await theirs.getByLabel("Serial number").fill("FW-1");
  await theirs.getByRole("combobox", { name: "Place" }).selectOption("Tool hut");
  await theirs.getByRole("button", { name: "Save" }).click();
  await expect(theirs).toHaveURL(/units\/W-04$/);

  await mine.getByLabel("Note").fill("belongs to the van");
  await mine.getByRole("combobox", { name: "Place" }).selectOption("The van");
  await mine.getByRole("button", { name: "Save" }).click();
  await expect(
    mine.getByText(
      "Somebody has made this “belongs to the hut” meanwhile. Save again to put yours in its place.",
    ),
  ).toBeVisible();
  await expect(mine.getByText("Somebody has made this “Tool hut” meanwhile.")).toBeVisible();
  await expect(mine.getByLabel("Note")).toHaveValue("belongs to the van");
  await expect(mine.getByLabel("Serial number")).toHaveValue("FW-1");
  await mine.getByRole("button", { name: "Save" }).click();
  await expect(mine).toHaveURL(/units\/W-04$/);
  await mine.goto(`${served.address}/units/W-04/edit`);
  await expect(mine.getByLabel("Note")).toHaveValue("belongs to the van");
  await expect(mine.getByLabel("Serial number")).toHaveValue("FW-1");
});

test("a group's policy, a thing of the kit and a procedure are looked after alike", async ({ browser }) => {
  const [mine, theirs] = await two(browser, async (page) => hrefOf(page, "/club", "Lanterns kit"));
  await theirs.getByLabel("What they are for").fill("the autumn walk");
  await theirs.getByRole("button", { name: "Save" }).click();
  await expect(theirs).toHaveURL(/\/club$/);
  await mine.getByLabel("beta").check();
  await mine.getByRole("button", { name: "Save" }).click();
  await expect(mine).toHaveURL(/\/club$/);
  await mine.goto(served.address + (await hrefOf(mine, "/club", "Lanterns kit")));
  await expect(mine.getByLabel("What they are for")).toHaveValue("the autumn walk");
  await expect(mine.getByLabel("beta")).toBeChecked();

  const lead = await hrefOf(mine, "/kit/own", "K-07");
  for (const page of [mine, theirs]) await openAwake(page, served.address + lead);
  await theirs.getByLabel("Note").fill("has a loose collar");
  await theirs.getByRole("button", { name: "Save" }).click();
  await expect(theirs).toHaveURL(/kit\/own/);
  await mine.getByLabel("Note").fill("mended");
  await mine.getByRole("button", { name: "Save" }).click();
  await expect(mine.getByText("Somebody has made this “has a loose collar” meanwhile.")).toBeVisible();
  await mine.getByRole("button", { name: "Save" }).click();
  await expect(mine).toHaveURL(/kit\/own/);

  await mine.goto(served.address + (await hrefOf(mine, "/models", "Wicket")));
  const procedure = mine.locator('a[href*="/procedures/"]:not([href*="new"]):not([href*="edit"])').first();
  const edit = `${served.address}${await procedure.getAttribute("href")}/edit`;
  for (const page of [mine, theirs]) await openAwake(page, edit);
  await theirs.getByLabel("Minutes").fill("41");
  await theirs.getByRole("button", { name: "Save", exact: true }).click();
  await expect(theirs).toHaveURL(/procedures\/\d+$/);
  await mine.getByLabel("Minutes").fill("43");
  await mine.getByRole("button", { name: "Save", exact: true }).click();
  await expect(mine.getByText("Somebody has made this “41” meanwhile.")).toBeVisible();
  await expect(mine.getByLabel("Minutes")).toHaveValue("43");
});

test("forms of few fields are looked after alike: what a codeplug holds, a repeater, the rules of the bench", async ({
  browser,
}) => {
  const [mine, theirs] = await two(browser, async (page) => hrefOf(page, "/codeplugs", "Wicket II"));
  const note = async (page: Page, label: string, text: string) => {
    await page.getByLabel(label, { exact: true }).fill(text);
    await page.getByRole("button", { name: "Note it" }).click();
  };
  const channels = "Channels";
  const signs = "Signs of a name that it shows";
  await note(theirs, channels, "190");
  await expect(theirs.getByText("Noted. The plan is laid out by it")).toBeVisible();
  await theirs.getByLabel(signs, { exact: true }).fill("11");
  await note(mine, signs, "9");
  await expect(mine.getByText("Noted. The plan is laid out by it")).toBeVisible();
  await mine.reload();
  await expect(mine.getByLabel(channels, { exact: true })).toHaveValue("190");
  await expect(mine.getByLabel(signs, { exact: true })).toHaveValue("9");
  // The other page has heard of it, and its form is as it was typed: what it says next is weighed against that.
  await theirs.getByRole("button", { name: "Note it" }).click();
  await expect(theirs.getByText("Somebody has made this “9” meanwhile.")).toBeVisible();
  await expect(theirs.getByLabel(signs, { exact: true })).toHaveValue("11");
  await theirs.getByRole("button", { name: "Note it" }).click();
  await expect(theirs.getByText("Noted. The plan is laid out by it")).toBeVisible();
  await mine.reload();
  await expect(mine.getByLabel(signs, { exact: true })).toHaveValue("11");

  for (const page of [mine, theirs]) {
    await openAwake(page, `${served.address}/bench`);
    await page.getByText("Rules of the bench").click();
  }
  const [silent, clean] = ["Silent after so many minutes", "Clean tries before a real radio is erased"];
  const set = async (page: Page, label: string, text: string) => {
    await page.getByLabel(label).fill(text);
    await page.getByRole("button", { name: "Set", exact: true }).click();
    await expect(page.getByText("The rules are set.")).toBeVisible();
  };
  await set(theirs, silent, "45");
  await set(mine, clean, "1");
  await mine.reload();
  await mine.getByText("Rules of the bench").click();
  await expect(mine.getByLabel(silent)).toHaveValue("45");
});

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });
  test("it is the same", async ({ page, browser }) => {
    await signIn(page, served.address, "wren");
    await page.goto(`${served.address}/units/W-05/edit`);
    const other = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
    await signIn(other, served.address, "wren");
    await other.goto(`${served.address}/units/W-05/edit`);
    await other.getByLabel("Note").fill("one");
    await other.getByLabel("Region").fill("north");
    await other.getByRole("button", { name: "Save" }).click();
    await page.getByLabel("Note").fill("two");
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page.getByText("Somebody has made this “one” meanwhile.")).toBeVisible();
    await expect(page.getByLabel("Region")).toHaveValue("north");
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page).toHaveURL(/units\/W-05$/);
    await page.goto(`${served.address}/units/W-05/edit`);
    await expect(page.getByLabel("Note")).toHaveValue("two");
  });
});
