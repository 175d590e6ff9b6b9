// A simulated radio is updated at the bench, from Due to the read-back: gates, a stepping stone, a loose plug, a server that goes away; backups are kept and written back.

import { expect, type Page } from "@playwright/test";
import pg from "pg";
import { expectAccessible } from "../accessible.ts";
import { openAwake } from "../awake.ts";
import { type Served, serveAgain, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";
import { answer, answerIfThere, heading, number, press, until, work } from "./steps.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

/** The same with a real radio: what a machine has to do is said to have gone through. */
async function byHand(page: Page, wanted: RegExp) {
  for (let i = 0; i < 40 && !wanted.test(await heading(page).innerText()); i++)
    for (const name of ["That is what it has", "It is so", "It is kept", "It went through", "Seen it"]) {
      if ((await page.getByRole("button", { name, exact: true }).count()) === 0) continue;
      if (name === "That is what it has") await page.getByLabel("It runs from a supply").check();
      await answerIfThere(page, name);
      break;
    }
  await expect(heading(page)).toHaveText(wanted);
}
async function read(page: Page, version: string) {
  const field = page.getByLabel(/^What main shows/);
  await field.fill(version);
  const before = await number(page);
  await press(page, "Record");
  await expect.poll(() => number(page)).not.toBe(before);
}

test("from Due to the first flash: gates, a file that is another, a plug that slips", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await openAwake(page, `${served.address}/due`);
  await page.getByLabel("Pick W-03").first().check();
  await press(page, "Line them up");
  await expect(page.getByText("1 radio lined up.")).toBeVisible();
  await page.getByRole("link", { name: "W-03", exact: true }).first().click();

  // In one look, before anything is done.
  await expect(heading(page)).toHaveText("Update main to 1.14");
  const look = page.locator("dl");
  await expect(look).toContainText("lead K-07");
  await expect(look).toContainText("main 1.10 and main 1.14, one after the other");
  await expect(look).toContainText("backed up before and written back after");
  // What it goes by is not offered as something else.
  await page.getByText("With something else").click();
  const others = await page.getByLabel("Reach it with").getByRole("option").allInnerTexts();
  expect(others.length).toBeGreaterThan(0);
  expect(others.map((text) => text.split(", ").sort())).not.toContainEqual([
    "Hedgewriter",
    "K-07",
    "Reed desk",
  ]);
  await page.getByText("With something else").click();
  await expectAccessible(page);
  await press(page, "Begin");
  await answer(page, "Seen it");
  // Once it is under way, it goes by what it began with.
  await expect(page.getByText("To another release")).toHaveCount(0);

  // Too little charge does not pass, whatever is pressed.
  await page.getByLabel(/^Charge in percent/).fill("49");
  await press(page, "That is what it has");
  await expect(page.getByText("That does not hold")).toBeVisible();
  await page.getByLabel(/^Charge in percent/).fill("80");
  await until(page, /^Read out/);
  await work(page);
  await until(page, /^The file is/);

  // Another file than the release names is refused, and there is no way past.
  await expect(page.getByText("Go on without it")).toHaveCount(0);
  await page.getByLabel("The file that is to be written").setInputFiles({
    name: "wicket-main-1.10.img",
    mimeType: "application/octet-stream",
    buffer: Buffer.from("no"),
  });
  await press(page, "Look at it");
  await expect(page.getByText("That does not hold")).toBeVisible();
  await expect(heading(page)).toHaveText(/^The file is/);

  await until(page, /^Flash main 1\.10/);
  await page.getByText("What is wrong with the simulated radio").click();
  await page.getByLabel("Set", { exact: true }).selectOption("loose-plug");
  await press(page, "Set it");
  await press(page, "Start it on the simulated radio");
  await expect(page.getByRole("alert")).toHaveText("It stopped half way.", { timeout: 30_000 });
  await expect(page.getByRole("heading", { name: "When it stopped half way" })).toBeVisible();
  await expectAccessible(page);
  await press(page, "It was this: The plug is not pressed home");
  // It is dead until it is in update mode again: that is where it goes on.
  await expect(heading(page)).toHaveText(/^Turn it off/);
  await until(page, /^Flash main 1\.10/);
  await work(page);
  await until(page, /^What does main show/);
});

test.describe("with a club of its own", () => {
  let own: Served;
  test.beforeAll(async () => {
    own = await serveFresh("demo");
  });
  test.afterAll(() => own.stop());

  // One evening in two parts, since it is long: the second goes on where the first has left the radio.
  test.describe.configure({ mode: "serial" });

  test("over a stepping stone; a reading that is odd is looked into", async ({ page }) => {
    await signIn(page, own.address, "juno");
    await openAwake(page, `${own.address}/units/W-03`);
    await press(page, "Update it");
    await expect(heading(page)).toHaveText("Update main to 1.14");
    await press(page, "Begin");
    await until(page, /^Read out/);
    await work(page);
    await until(page, /^Flash main 1\.10/);
    await work(page);
    await until(page, /^What does main show/);

    // It shows something else than it should: that is looked into before anything else is flashed.
    await read(page, "1.08");
    await expect(page.getByRole("alert")).toHaveText("It shows 1.08, and should show 1.10 now.");
    await page.getByText("It was something else").click();
    await page.getByLabel("Why it was").fill("read from the old note");
    await page.getByLabel("What helped").fill("read it again");
    await press(page, "It is well again");
    await read(page, "1.10");
    await until(page, /^Flash main 1\.14/);
  });

  test("to the last reading; what was erased is written back", async ({ page }) => {
    await signIn(page, own.address, "juno");
    await page.goto(`${own.address}/units/W-03`);
    await page
      .getByRole("link", { name: /Update main to 1\.14/ })
      .first()
      .click();
    await expect(page.locator("html[data-awake]")).toBeAttached();
    await expect(heading(page)).toHaveText(/^Flash main 1\.14/);
    await work(page);
    await until(page, /^What does main show/);
    await read(page, "main 1.14");
    await until(page, /^Write it back/);
    await work(page);
    await until(page, /^Read it out once more/);
    await work(page);
    await expect(heading(page)).toHaveText("What is in it now is what was written");
    await press(page, "It is the same");
    await until(page, /^Done/);

    await page.goto(`${own.address}/units/W-03`);
    await expect(heading(page)).toHaveText("Current");
    await expect(page.locator("#readings").getByRole("row").filter({ hasText: "from a flash" })).toHaveCount(
      3,
    );
    await page.getByText("Update main to 1.14").last().click();
    await expect(page.getByText(/something odd/).first()).toBeVisible();
    await page.goto(`${own.address}/codeplugs/files?unit=W-03`);
    // Two were there before.
    await expect(page.getByRole("row")).toHaveCount(4);
  });
});

test("a backup is taken without scripts, and passed by only by a keeper", async ({ browser }) => {
  const page = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-01`);
  await press(page, "Back it up");
  await expect(heading(page)).toHaveText("Back it up");
  await press(page, "Begin");
  for (const name of ["Seen it", "It is so", "Seen it", "Seen it"]) await press(page, name);
  await press(page, "Start it on the simulated radio");
  // Two minutes of a real radio are two seconds of this one.
  await expect(async () => {
    await press(page, "How far is it?");
    await expect(heading(page)).toHaveText(/^Choose the file/);
  }).toPass();
  for (const name of ["Seen it", "Seen it"]) await press(page, name);
  await expect(heading(page)).toHaveText("A sound backup of this radio is kept");
  await expect(page.getByText("Go on without it")).toHaveCount(0);
  await press(page, "It is kept");
  await press(page, "Seen it");
  await expect(heading(page)).toHaveText("Done");
  await page.context().close();
});

/** Larger than what is taken in at once: it goes to the disk as it comes. */
const LARGE = 4_500_000;

test("a file of nothing, one that is another radio's, and one nobody asked for are not taken for a backup", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/codeplugs/files`);
  const keep = async (tag: string, name: string, content: Buffer) => {
    if (!(await page.getByLabel("Read out of").isVisible())) await page.getByText("Keep a file").click();
    await page.getByLabel("Read out of").fill(tag);
    await page
      .getByLabel("The file, 64 MB at most")
      .setInputFiles({ name, mimeType: "application/octet-stream", buffer: content });
  };
  await keep("H-02", "none.plug", Buffer.alloc(0));
  await press(page, "Keep it");
  await expect(page.getByText("The file is empty")).toBeVisible();
  const bytes = Buffer.alloc(LARGE, 7);
  await keep("H-02", "h2.plug", bytes);
  await press(page, "Keep it");
  await expect(page.getByText("Kept: h2.plug, of H-02.")).toBeVisible();
  await keep("H-05", "h5.plug", bytes);
  await press(page, "Keep it");
  await expect(page.getByText("These are the very bytes of H-02")).toBeVisible();
  // Of what is refused nothing is left.
  await keep("H-99", "none.plug", Buffer.alloc(LARGE, 5));
  await press(page, "Keep it");
  await expect(page.getByText(/No radio has the tag|not in the cabinet/)).toBeVisible();
  const owner = new pg.Client({ connectionString: served.ownerUrl });
  await owner.connect();
  const left = await owner.query(
    "select p.sha256 from file_part p where not exists (select from file f where f.club_id = p.club_id and f.sha256 = p.sha256)",
  );
  await owner.end();
  expect(left.rows).toEqual([]);
  await keep("H-05", "h5.plug", bytes);
  await page.getByLabel("It is right all the same").check();
  await press(page, "Keep it");
  await expect(page.getByText("Kept: h5.plug, of H-05.")).toBeVisible();
  await expect(page.getByRole("row").filter({ hasText: "h5.plug" })).toContainText(
    "same bytes as one of H-02",
  );
  await expectAccessible(page);
  // What comes back is what was kept.
  const link = page
    .getByRole("row")
    .filter({ hasText: "h2.plug" })
    .getByRole("link", { name: "Take the file" });
  const got = await page.request.get(`${served.address}${await link.getAttribute("href")}`);
  expect(Buffer.compare(await got.body(), bytes)).toBe(0);
});

test("written back by hand: what is in it is kept first, and what was written is read once more and compared", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/codeplugs/files`);
  const bytes = Buffer.alloc(LARGE, 7);
  await page.getByRole("button", { name: "Write it back into H-02: h2.plug" }).click();
  await expect(heading(page)).toHaveText("Write a backup back");
  await answer(page, "Begin");
  await byHand(page, /^A sound backup/);
  const choose = (label: string, name: string, buffer: Buffer) =>
    page.getByLabel(label).setInputFiles({ name, mimeType: "application/octet-stream", buffer });
  await choose("The file that was read out of it", "before.plug", Buffer.alloc(LARGE, 9));
  await answer(page, "Keep it");
  await byHand(page, /^What is in it now is what was written/);
  await choose("The file that was read once more", "again.plug", Buffer.alloc(LARGE, 9));
  await press(page, "Compare it");
  await expect(page.getByText("That does not hold")).toBeVisible();
  await choose("The file that was read once more", "again.plug", bytes);
  await answer(page, "Compare it");
  await expect(heading(page)).toHaveText(/and a channel of it works/);
  await byHand(page, /^Done/);
});

test("a radio on hold is not begun without a word of the hold", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/S-07`);
  await press(page, "Update it");
  await expect(page.getByText(/It is on hold until .*the volunteer asked us/)).toBeVisible();
  await page.getByText("With something else").click();
  const chains = page.getByLabel("Reach it with").locator("option");
  expect(await chains.count()).toBeGreaterThan(0);
  const other = await chains.first().innerText();
  await press(page, "Take that");
  await expect(page.locator("dl")).toContainText(other.split(", ")[0] ?? "");
});

test("one lead is not given twice; a bench that was silent is relieved of it, by name", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/bench`);
  const take = async (tag: string) => {
    await page.goto(`${served.address}/bench`);
    await page.getByLabel("Take a radio to the bench").fill(tag);
    await page.getByLabel("for", { exact: true }).selectOption("backup");
    await press(page, "Take it");
    await expect(heading(page)).toHaveText("Back it up");
  };
  await take("W-04");
  await press(page, "Begin");
  await expect(page.getByText(/^Step 1 of/)).toBeVisible();
  await take("W-05");
  await expect(page.getByText(/is in use at the bench of Juno Reedholm, on W-04/).first()).toBeVisible();
  await press(page, "Begin");
  await expect(page.getByRole("status").filter({ hasText: "in use at the bench of" })).toBeVisible();
  await expect(page.getByLabel("Take it over")).toHaveCount(0);
  await page.goto(`${served.address}/bench`);
  await expect(page.getByRole("listitem").filter({ hasText: "W-05" })).toContainText("waits for");
});

test("while nothing answers it goes on on the device, and all of it is sent later, in order and once", async ({
  page,
  context,
}) => {
  await signIn(page, served.address, "juno");
  await openAwake(page, `${served.address}/units/W-11`);
  await page
    .getByRole("button", { name: "Go through it at the bench: Read the version in the menu" })
    .click();
  await press(page, "Begin");
  await expect(page.getByText("Step 1 of 3", { exact: true })).toBeVisible();
  await context.setOffline(true);
  await press(page, "Seen it");
  await expect(page.getByText("Step 2 of 3", { exact: true })).toBeVisible();
  await expect(page.getByText("1 answer kept on this device")).toBeVisible();
  await page.getByText("Something else").click();
  await page.getByLabel("What is there instead").fill("it beeps");
  await press(page, "Note it");
  await expect(page.getByRole("alert")).toHaveText("it beeps");
  await press(page, "It was this: The battery is low");
  await press(page, "Seen it");
  await expect(page.getByText("Step 3 of 3", { exact: true })).toBeVisible();
  await expect(page.getByText("4 answers kept on this device")).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText(/kept on this device/)).toHaveCount(0);
  await expect(page.getByText("Step 3 of 3", { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByText("Step 3 of 3", { exact: true })).toBeVisible();
  await press(page, "Seen it");
  await expect(heading(page)).toHaveText("Done");
  await expect(page.getByText("it beeps")).toBeVisible();
});

test("the server is stopped in the middle and started again: the run is where it was", async ({ page }) => {
  test.setTimeout(180_000);
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-06`);
  await page.getByRole("button", { name: "Go through it at the bench: Enter update mode" }).click();
  await press(page, "Begin");
  const { port } = new URL(served.address);
  for (const step of [1, 2, 3]) {
    await expect(page.getByText(`Step ${step} of 3`, { exact: true })).toBeVisible();
    await served.stop();
    served = { ...served, ...(await serveAgain(Number(port))) };
    await page.goto(page.url());
    await expect(page.getByText(`Step ${step} of 3`, { exact: true })).toBeVisible();
    await press(page, "Seen it");
  }
  await expect(heading(page)).toHaveText("Done");
});

test("it can be taken to another release than the one it needs, from its page and before the run is begun", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await openAwake(page, `${served.address}/units/W-02`);
  await page.getByText("Compare with another way").click();
  await page.locator("#compare").getByLabel("to", { exact: true }).selectOption({ label: "1.10, factory" });
  await press(page, "Compare");
  await press(page, "Bring it to 1.10");
  const look = page.locator("dl");
  await expect(heading(page)).toHaveText("Take main back to 1.10");
  await expect(look).toContainText("main 1.10");
  await page.getByText("To another release").click();
  // Community firmware is not for it, nor what was withdrawn.
  await expect(page.getByLabel("Go to").getByRole("option")).toHaveText(
    ["1.14", "1.08", "1.06", "1.02"].map((version) => `main ${version}, factory`),
  );
  await page.getByLabel("Go to").selectOption({ label: "main 1.08, factory" });
  await press(page, "Go there");
  await expect(heading(page)).toHaveText("Take main back to 1.08");
  await expect(look).toContainText("main 1.10 and main 1.08, one after the other");
  await page.getByText("To another release").click();
  await page.getByLabel("Go to").selectOption({ label: "main 1.14, factory" });
  await press(page, "Go there");
  await expect(page.getByText("W-02 needs no firmware for that.")).toBeVisible();
});

test("its power is measured at the bench, into a load that takes it; the number is a measurement of the radio", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await openAwake(page, `${served.address}/units/W-12`);
  await press(page, "Measure its power");
  await expect(page.locator("dl")).toContainText("DL-1");
  await press(page, "Begin");
  await answer(page, "Seen it");
  await expect(heading(page)).toHaveText("Measure its power, into the dummy load");
  await expect(page.getByText("It is rated for 5 W.")).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel("Watts, as the meter shows them").fill("much");
  await press(page, "Write it down");
  await expect(
    page.getByText("That is no number of watts: type what the meter shows, such as 4.6."),
  ).toBeVisible();
  await page.getByLabel("Watts, as the meter shows them").fill("4600");
  await press(page, "Write it down");
  await expect(page.getByText("Did the meter show milliwatts?")).toBeVisible();
  await expect(page.getByLabel("I am sure of that number")).not.toBeChecked();
  await page.getByLabel("Watts, as the meter shows them").fill("4,6");
  await expect(page.getByLabel("With", { exact: true })).toHaveValue("MW-1");
  await answer(page, "Write it down");
  await press(page, "Seen it");
  await expect(heading(page)).toHaveText("Done");
  await page.goto(`${served.address}/units/W-12/measured`);
  await expect(page.getByRole("row").nth(1)).toContainText("4.6 W");
  await expect(page.getByRole("row").nth(1)).toContainText("MW-1");
});

test.describe("where nothing else is in hand", () => {
  let own: Served;
  test.beforeAll(async () => {
    own = await serveFresh("demo");
  });
  test.afterAll(() => own.stop());

  test("which hardware it has is asked where nobody has noted it; it is noted, and not asked again", async ({
    page,
  }) => {
    const owner = new pg.Client({ connectionString: own.ownerUrl });
    await owner.connect();
    await owner.query("select set_config('mossy.club', (select id::text from club limit 1), false)");
    await owner.query(
      `insert into hardware_revision (club_id, model_id, name, how_to_tell)
     select club_id, id, 'round', 'a round knob' from model where name = 'Wicket'
     union all select club_id, id, 'square', '' from model where name = 'Wicket'`,
    );
    await owner.end();
    await signIn(page, own.address, "juno");
    await openAwake(page, `${own.address}/units/W-15`);
    await press(page, "Update it");
    await press(page, "Begin");
    await until(page, /^The release fits its hardware$/);
    const which = page.getByRole("group", { name: "Which hardware does it have?" });
    await expect(which.getByRole("radio")).toHaveCount(2);
    await expectAccessible(page);
    // Nothing is chosen for anybody: the press alone does nothing.
    await press(page, "It is that one");
    await expect(heading(page)).toHaveText("The release fits its hardware");
    await which.getByLabel(/^round/).check();
    await answer(page, "It is that one");
    await expect(heading(page)).not.toHaveText("The release fits its hardware");
    await page.goto(`${own.address}/units/W-15`);
    await expect(page.getByText(", hardware round.")).toBeVisible();
  });
});
