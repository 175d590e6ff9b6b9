// Codeplugs in the browser: the plan changed and written, a table in another dialect, a list merged, a stranded channel, a revision restored.
import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { expectAccessible } from "../accessible.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

const heading = (page: Page) => page.getByRole("heading", { level: 1 });
const press = (page: Page, name: string | RegExp) => page.getByRole("button", { name }).first().click();

/** The answers that lead on, whichever of them a step has. */
const ON =
  /^(Begin|Start it on the simulated radio|That is what it has|It is so|It is kept|It is the same|Seen it|It is done)/;

/** Goes through a run on a simulated radio to its end. */
async function through(page: Page) {
  const done = page.getByRole("heading", { name: "Done", exact: true });
  const on = page.getByRole("button", { name: ON }).first();
  const stands = () => page.locator("main").innerText();
  for (let i = 0; i < 80; i++) {
    // A machine that works is waited for.
    await expect(done.or(on).first()).toBeVisible({ timeout: 30_000 });
    if (await done.isVisible()) return;
    const before = await stands();
    const charge = page.getByLabel(/^Charge in percent/);
    if (await charge.isVisible()) await charge.fill("90", { timeout: 5000 }).catch(() => {});
    // It may go on by itself under the pointer, to its end too: then it is looked at again.
    await on.click({ timeout: 5000 }).catch(() => {});
    await expect.poll(stands, { timeout: 30_000 }).not.toBe(before);
  }
  throw new Error("the run does not come to its end");
}

test("the area tells which radios carry what; the plan is changed and issued", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/codeplugs`);
  await expect(page.getByText(/radios carry plan 2 of/)).toBeVisible();
  await expect(page.getByRole("link", { name: "W-03: an older plan" })).toBeVisible();
  await expect(page.getByRole("link", { name: "W-15: another table" })).toBeVisible();
  await expect(page.getByRole("heading", { name: "What is wrong with it" })).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel("A channel's name, or its frequency in MHz").fill("145,5");
  await press(page, "Find");
  await expect(page.getByRole("region", { name: "Which radios carry it?" })).toContainText("CALLING");

  await page.goto(`${served.address}/codeplugs/plan`);
  await expect(
    page.getByRole("heading", { name: /^Issuing the draft: \d+ radios need it then/ }),
  ).toBeVisible();
  await expectAccessible(page);
  // By the keyboard: taken, moved, put down.
  const handle = page.getByRole("button", { name: "Move Calling", exact: true });
  await handle.focus();
  await page.keyboard.press("Space");
  await expect(page.getByText("Calling is at place 1 of 9.")).toBeAttached();
  await page.keyboard.press("ArrowDown");
  await expect(page.getByText("Calling is at place 2 of 9.")).toBeAttached();
  await page.keyboard.press("Space");
  await expect(page.locator("ol li").nth(1)).toContainText("Calling");
  await page.getByRole("button", { name: "Move Calling up" }).click();
  await expect(page.locator("ol li").nth(0)).toContainText("Calling");

  await page.getByRole("link", { name: /^Calling/ }).click();
  await expect(page.getByRole("heading", { name: "Calling: 4 channels" })).toBeVisible();
  const add = page.locator("details", { has: page.getByText("Add a channel", { exact: true }) });
  await add.getByText("Add a channel").click();
  await add.getByLabel("Name", { exact: true }).fill("Ford call");
  await add.getByLabel("Receives, MHz").fill("145,4625");
  await add.getByLabel("Tone sent").fill("5 kHz");
  await add.getByRole("button", { name: "Add it" }).click();
  await expect(page.getByText("That is no tone: 88.5 for CTCSS", { exact: false })).toBeVisible();
  await expect(add.getByLabel("Receives, MHz")).toHaveValue("145,4625");
  await add.getByLabel("Tone sent").fill("88.5");
  await add.getByRole("button", { name: "Add it" }).click();
  await expect(page.getByRole("link", { name: "Ford call" })).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel("What is new in it").fill("the ford");
  await press(page, "Issue it");
  await expect(page.getByText("Issued: it counts from now on.")).toBeVisible();
});

for (const tag of ["W-04", "W-05"])
  test(`what was issued is written into ${tag} and read again`, async ({ page }) => {
    await signIn(page, served.address, "juno");
    await page.goto(`${served.address}/due?do=program`);
    // Many need the same: they are one row for each model, which opens.
    for (const many of await page.locator(".needs summary").all()) await many.click();
    await expect(page.getByRole("link", { name: tag, exact: true })).toBeVisible();
    await page.goto(`${served.address}/units/${tag}/channels`);
    await expect(page.getByText("it does not carry plan 3")).toBeVisible();
    await press(page, "Write plan 3 into it");
    await expect(heading(page)).toHaveText("Write plan 3 into it");
    await through(page);
    await expect(heading(page)).toHaveText("Done");
    await page.goto(`${served.address}/units/${tag}/channels`);
    await expect(page.getByText("it carries plan 3")).toBeVisible();
    await page.goto(`${served.address}/due?do=program`);
    await expect(page.getByRole("link", { name: tag, exact: true })).toHaveCount(0);
  });

test("what it had before is written back; it is told apart from what is in it now", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-04/channels`);
  const line = page.getByRole("region", { name: "What it had, and when" });
  await line.getByRole("link", { name: "Compare with now" }).first().click();
  await expect(page.getByText(/Ford call/).first()).toBeVisible();
  await expectAccessible(page);
  await page.goBack();
  await line.getByText("Compare any two").click();
  await line.getByRole("button", { name: "Compare them" }).click();
  await expect(page).toHaveURL(/\/codeplugs\/compare\?a=\d+&b=\d+$/);
  await page.goBack();
  await line
    .getByRole("button", { name: /^Write it back/ })
    .first()
    .click();
  await through(page);
  await page.goto(`${served.address}/units/W-04/channels`);
  await expect(page.getByText("it does not carry plan 3")).toBeVisible();
  await expect(line.getByText("written back").first()).toBeVisible();
});

test("a table in another dialect becomes a clean one, and its dialect is kept to write in", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-02/channels`);
  await page
    .getByLabel("Or the table itself, pasted")
    .fill(
      "Nr;Kanal;RX Frequenz kHz;Ablage;CTCSS;Breite\n3;RUF;145500;0;;12,5\n4;WEIR;145600;-600 kHz;88,5;25\n9;SCHLEUSE;0;;;",
    );
  await press(page, "Look at it");
  await expect(page.getByText("Row 4, RX Frequenz kHz: “0” is not a frequency.")).toBeVisible();
  await page.getByLabel("Kanal").selectOption("name");
  await page.getByLabel("Ablage").selectOption("offset");
  await page.getByLabel("Breite").selectOption("bandwidth");
  await press(page, "Look again");
  await expect(page.getByRole("cell", { name: "145.000 MHz" })).toBeVisible();
  await page.getByLabel("Keep this dialect under a name (may stay empty)").fill("Weir sheet");
  await expectAccessible(page);
  await press(page, "Keep them");
  await expect(page.getByText("Kept, and its dialect as Weir sheet.")).toBeVisible();
  await expect(page.getByText("it does not carry plan", { exact: false })).toBeVisible();
  await page.getByText(/^All 2 of them/).click();
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "as Weir sheet" }).click();
  const file = await (await download).createReadStream();
  let text = "";
  for await (const chunk of file) text += chunk;
  expect(text).toBe(
    "Nr;Kanal;RX Frequenz kHz;Ablage;CTCSS;Breite\n3;RUF;145500;0;;12,5\n4;WEIR;145600;-0,6;88.5;25\n",
  );
  await page.getByRole("link", { name: "a card for the pocket" }).click();
  await expect(page.getByText("WEIR", { exact: true })).toBeVisible();
});

test("a list is merged without moving anything, and what would have broken is told", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/S-04/channels`);
  await page.getByText("Merge a list in").click();
  await page.getByLabel("A member a line: number, then name").fill("99901;Marshals\n99902;Boats\n99903;Tide");
  await press(page, "Look at it");
  await expect(page.getByText("Laid over the old one", { exact: false })).toBeVisible();
  await expectAccessible(page);
  await press(page, "Merge it, nothing moves");
  await expect(page).toHaveURL(/\?of=\d+$/);
  await page.getByText(/^talkgroups, \d+ members/).click();
  await expect(page.getByText("Made for it, and not written yet", { exact: false })).toBeVisible();
  // It stays open where it was.
  await page
    .getByLabel("A member a line: number, then name")
    .fill("99903;Tide watch\n99909;Ford\n99901;Marshals");
  await press(page, "Look at it");
  await expect(page.getByText(/would have come to mean something else/)).toBeVisible();
  await expect(page.getByText(/would have been/).first()).toBeVisible();
});

test("a stranded channel is found before it is written, and cured in a press", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-15/channels`);
  await expect(page.getByRole("cell", { name: "beyond what its user may use" })).toHaveCount(2);
  await press(page, /^Make them listen only/);
  await expect(page.getByText("Made for it, and not written yet", { exact: false })).toBeVisible();
  await expect(page.getByRole("cell", { name: "beyond what its user may use" })).toHaveCount(0);
  await page.goto(`${served.address}/units/H-02/channels`);
  await expect(page.getByRole("cell", { name: "not transmitted on in this mode" }).first()).toBeVisible();
});

test("a repeater is heard in one press; a table brings others in and takes none away; an ID is asked for", async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, served.address, "ida");
  await page.goto(`${served.address}/codeplugs/repeaters?q=Mirkhithe`);
  await press(page, "Heard Mirkhithe today");
  await expect(page.getByText("Noted: heard today.")).toBeVisible();
  await expect(page.getByText(/heard on .* by Ida Fallowgate/)).toBeVisible();
  await expectAccessible(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.context().clearCookies();
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/codeplugs/repeaters`);
  await page.getByText("Bring in a table").click();
  await page
    .getByLabel("Or pasted")
    .fill("Name,RX MHz,Offset,Lat,Lon\nMirkhithe,145.6,-0.6,,\nFord mast,145.65,-0.6,54.9,north");
  await press(page, "Bring it in");
  await expect(page.getByText(/Row 3, Lon: “north” is not degrees/)).toBeVisible();
  await page.getByLabel("Leave out what cannot be read").check();
  await press(page, "Bring it in");
  await expect(page.getByText(/1 repeater added|2 repeaters added/)).toBeVisible();

  await page.goto(`${served.address}/codeplugs/identities`);
  await expect(
    page.getByText("S-03 and S-04 have the same digital ID 9990103", { exact: false }),
  ).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel("Change the digital ID of S-02").click();
  await page.getByRole("row", { name: /S-02/ }).getByLabel("It is").fill("9990102");
  await page.getByRole("row", { name: /S-02/ }).getByRole("button", { name: "Note it" }).click();
  await expect(page.getByRole("row", { name: /S-02/ })).toContainText("9990102");
  await page.goto(`${served.address}/codeplugs/scan?from=145.2&to=145.4&step=25`);
  await expect(page.getByText("12.5 kHz", { exact: true })).toBeVisible();
  await expectAccessible(page);
  await page.goto(`${served.address}/codeplugs/scan?from=pear`);
  await expect(page.getByText("That is no such number.")).toBeVisible();
});

test("radios are lined up for the plan in Due; two long tables are aligned beside the page", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/due?do=program`);
  for (const many of await page.locator(".needs summary").all()) await many.click();
  await page.getByRole("checkbox", { name: /W-03/ }).first().check();
  await press(page, "Line them up for the plan");
  await expect(page.getByText("1 radio lined up.")).toBeVisible();
  await expect(page.getByText(/Write plan \d into it/).first()).toBeVisible();

  const table = (from: number) =>
    [
      "Position,Name,RX MHz",
      ...Array.from({ length: 300 }, (_, i) => `${i + 1},N ${i},${(from + i * 0.0125).toFixed(4)}`),
    ].join("\n");
  for (const from of [144, 144.0125]) {
    await page.goto(`${served.address}/units/W-11/channels`);
    await page.getByLabel("Or the table itself, pasted").fill(table(from));
    await press(page, "Look at it");
    await press(page, "Keep them");
    await expect(page.getByText("Kept.", { exact: true })).toBeVisible();
  }
  await page.goto(`${served.address}/units/W-11/channels`);
  await page.getByRole("link", { name: "Compare with now" }).first().click();
  await expect(page.getByText(/^0 channels the same; 299 changed, 1 added and 1 gone$/)).toBeVisible();
});

test("the file of any radio is taken in one press; of one that nobody can read there is none", async ({
  page,
}) => {
  await signIn(page, served.address, "ida");
  await page.goto(`${served.address}/codeplugs/files`);
  const radios = page.getByRole("list", { name: "Radios whose channels are known" });
  const download = page.waitForEvent("download");
  await radios
    .getByRole("link", { name: "Take the channels of S-09, Sorrel DM: as Hale brought it back.csv" })
    .click();
  const file = await (await download).path();
  const document = JSON.parse(readFileSync(file, "utf8"));
  expect([document.format, document.channels.length, document.channels[1].name]).toEqual([
    "mossy-cabinet/codeplug",
    4,
    "Otterslack",
  ]);
  expect(document.lists.zones.members).toHaveLength(12);
  await expect(radios.getByRole("link", { name: /T-01/ })).toHaveCount(0);
  await page.getByLabel("Of one radio").fill("s-09");
  await page.getByRole("button", { name: "Show" }).click();
  await expect(radios.getByRole("link")).toHaveText(["S-09"]);
  await page.goto(`${served.address}/codeplugs/files?unit=T-01`);
  await expect(heading(page)).toHaveText("Codeplugs");
  await expect(radios).toHaveCount(0);
});

test("a long table is shown row by row before it is kept, as it was read", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/P-03/channels`);
  const rows = Array.from(
    { length: 40 },
    (_, i) => `${i + 1},Row ${i + 1},${(433.0 + i * 0.0125).toFixed(4)}`,
  );
  await page.getByLabel("Or the table itself, pasted").fill(`Place,Name,Rx MHz\n${rows.join("\n")}\n`);
  await page.getByRole("button", { name: "Look at it" }).click();
  const read = page.getByRole("region", { name: "As they were read" });
  await expect(read.getByRole("row")).toHaveCount(41);
  await expect(read).toContainText("40. Row 40");
  await expect(read).toContainText("433.4875 MHz");
  await expectAccessible(page);
});

test("of a table of thousands only the rows in sight are drawn; the last one is there when it is scrolled to", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/units/S-01/channels`);
  const rows = Array.from(
    { length: 1500 },
    (_, i) => `${i + 1},C${i + 1},${(146 + (i % 160) * 0.0125).toFixed(4)}`,
  );
  await page.getByLabel("Or the table itself, pasted").fill(`Place,Name,Rx MHz\n${rows.join("\n")}\n`);
  await page.getByRole("button", { name: "Look at it" }).click();
  await press(page, "Keep them");
  await page.getByText("All 1500 of them").click();
  const table = page.getByRole("region", { name: "Its channels" });
  await expect(table).toContainText("1. C1");
  expect(await table.getByRole("row").count()).toBeLessThan(80);
  await expect(table.getByRole("table")).toHaveAttribute("aria-rowcount", "1501");
  await table.evaluate((box) => box.scrollTo(0, box.scrollHeight));
  await expect(table).toContainText("1500. C1500");
  await expect(table).not.toContainText("2. C2");
  await expectAccessible(page);
});
