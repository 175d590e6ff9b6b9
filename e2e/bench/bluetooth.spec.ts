// Bluetooth: what has to be charged by when, pairing with the trap avoided, profiles that are not this radio's, the sheet for a field day.
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

/** Its scripts are awake. */
const awake = (page: Page) => expect(page.locator("html[data-awake]")).toBeAttached();
const heading = (page: Page) => page.getByRole("heading", { level: 1 });
const press = (page: Page, name: string | RegExp) => page.getByRole("button", { name }).first().click();

async function toDevice(page: Page, tag: string) {
  await page.goto(`${served.address}/kit/bluetooth`);
  await page.getByRole("link", { name: tag, exact: true }).click();
  await expect(heading(page)).toHaveText(tag);
  await awake(page);
}

test("before an event: what has to be plugged in by when, on which place, and what cannot be told", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/kit/bluetooth`);
  await awake(page);
  const row = (tag: string) =>
    page.getByRole("row").filter({ has: page.getByRole("link", { name: tag, exact: true }) });
  await expect(
    page
      .locator("header, main")
      .getByText(/of \d+ will be charged/)
      .first(),
  ).toBeVisible();
  await expect(row("B-03")).toContainText("nobody has noted how full it is");
  await expect(row("BT-3")).toContainText("swollen: out of use");
  await expect(row("V-1")).toContainText("no battery of its own");
  await expect(page.getByRole("heading", { name: "On CH-3, 2 places" })).toBeVisible();
  await expectAccessible(page);
  // A level is typed where it is seen; what cannot be is answered, and stays.
  const note = async (tag: string, percent: string) => {
    await row(tag)
      .getByLabel(/is full to/)
      .fill(percent);
    await row(tag).getByRole("button", { name: /^Note/ }).click();
  };
  await note("B-02", "101");
  await expect(page.getByText("A battery is from 0 to 100 percent full.")).toBeVisible();
  await note("B-02", "full");
  await expect(page.getByText("Type a number from 0 to 100.")).toBeVisible();
  await note("B-02", "96,8");
  await expect(row("B-02")).toContainText("97 %");
  await expect(row("B-02")).toContainText("ready: it will have");
  // With all that it takes, at a time that is too near.
  await page.getByLabel("With at least, percent").fill("100");
  await press(page, "Show what has to be done");
  await expect(row("B-02")).toContainText(/plug in by/);
  await page.goto(`${served.address}/kit/bluetooth?at=2020-01-01T10:00&need=80`);
  await expect(page.getByText("That time is past")).toBeVisible();
  await page.goto(`${served.address}/kit/bluetooth?at=tomorrow&need=wet`);
  await expect(page.getByText("That is no day and time")).toBeVisible();
  await expect(page.getByText("That is no number from 1 to 100")).toBeVisible();
  await expect(page.getByLabel("With at least, percent")).toHaveValue("wet");
});

test("a battery's story: dated back, on its charger, struck; asked of a simulated one, and of a real one nearby", async ({
  page,
}) => {
  // What a browser with Bluetooth offers, as much as is used of it.
  await page.addInitScript(() => {
    const level = { readValue: async () => new DataView(new Uint8Array([77]).buffer) };
    const gatt = {
      connect: async () => ({ getPrimaryService: async () => ({ getCharacteristic: async () => level }) }),
    };
    Object.defineProperty(navigator, "bluetooth", {
      value: { requestDevice: async () => ({ name: "THIMBLE 9", gatt }) },
    });
  });
  await signIn(page, served.address, "juno");
  await toDevice(page, "BT-2");
  await press(page, "Ask the simulated one");
  await expect(page.getByText(/^It says \d+ %\.$/)).toBeVisible();
  await expect(page.getByText(/read from it/)).toBeVisible();
  await press(page, "Ask one nearby");
  await expect(
    page.getByText("THIMBLE 9 says 77 %. The name that is noted is THIMBLE: is it the right one?"),
  ).toBeVisible();
  await expect(page.getByLabel("Percent", { exact: true })).toHaveValue("77");
  await press(page, "Note it");
  await expect(page.getByText("It has about 77 %")).toBeVisible();
  await page.getByLabel("What", { exact: true }).selectOption("unplugged");
  await press(page, "Note it");
  await expect(
    page.getByText("At that time it is on no charger, from which it could be taken."),
  ).toBeVisible();
  await page.getByLabel("What", { exact: true }).selectOption("plugged");
  await press(page, "Note it");
  await expect(page.getByText("on its charger", { exact: true }).first()).toBeVisible();
  await page.getByLabel("What", { exact: true }).selectOption("plugged");
  await press(page, "Note it");
  await expect(page.getByText("It is on its charger already, at that time.")).toBeVisible();
  await page.getByLabel("What", { exact: true }).selectOption("level");
  await page.getByLabel("Percent", { exact: true }).fill("40");
  await page.getByLabel("When (empty: now)").fill("2099-01-01T10:00");
  await press(page, "Note it");
  await expect(page.getByText("That time has not come yet")).toBeVisible();
  await expect(page.getByLabel("Percent", { exact: true })).toHaveValue("40");
  // The plug was noted by mistake: struck, it may be taken off no more.
  const noted = page.getByRole("list", { name: "What was noted of its battery" }).getByRole("listitem");
  const plugged = noted.filter({ hasText: "on its charger" }).first();
  await plugged.getByText("Strike it").click();
  await plugged.getByLabel("Why").fill("it was BT-1");
  await plugged.getByRole("button", { name: "Strike" }).click();
  await expect(page.getByText("struck: it was BT-1")).toBeVisible();
  await expectAccessible(page);
});

test("a pairing that was lost is made again at the bench, in the right menu, and the need is gone", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/due?do=pair`);
  await page.getByRole("link", { name: "H-03", exact: true }).click();
  await expect(page).toHaveURL(/\/units\/H-03$/);
  await expect(
    page.getByText("Pair it again; what it was paired with does not hold any more", { exact: true }),
  ).toBeVisible();
  await page.locator("#pairings").getByRole("link", { name: "BT-2" }).click();
  await expect(heading(page)).toHaveText("H-03 with BT-2");
  await expect(page.getByRole("region", { name: "The menu" })).toContainText("Audio > Talk button");
  await expect(page.getByRole("region", { name: "The menu" })).toContainText("Link > Devices");
  await expect(page.getByText("here: the marshal wears gloves")).toBeVisible();
  await expectAccessible(page);
  await press(page, "Pair H-03 with it, step by step");
  await expect(heading(page)).toHaveText("Pair it with BT-2");
  await press(page, "Begin");
  const step = async (name: string | RegExp) => expect(heading(page)).toHaveText(name);
  // The dummy load for the proof is got first.
  await step(/^Get .*DL-1/);
  await press(page, "Seen it");
  await step("BT-2 is charged to 10 % or more");
  // The answer is there before the page was asked for again: who is quicker than that is not told of somebody else.
  let goOn = () => {};
  const gone = new Promise<void>((done) => {
    goOn = done;
  });
  await page.route(/\/bench\/\d+\.data/, async (route) => {
    if (route.request().method() === "GET") await gone;
    await route.continue().catch(() => {});
  });
  await page.getByLabel(/^Charge in percent/).fill("5");
  await press(page, "That is what it has");
  await expect(page.getByText("That does not hold: the run stays here until it does.")).toBeVisible();
  await page.getByLabel(/^Charge in percent/).fill("64");
  await press(page, "That is what it has");
  goOn();
  await step("Make sure that the radio's Bluetooth is on: a reset leaves it off.");
  await press(page, "Seen it");
  await step("In the menu Audio > Talk button, not in Link > Devices");
  await expect(page.getByText("In the wrong one it says “paired” there too")).toBeVisible();
  // Both sides are simulated here: what the wrong menu does can be seen.
  const air = page.getByRole("region", { name: "Simulated Bluetooth" });
  await air.getByRole("button", { name: "Menu Link > Devices" }).click();
  await air.getByRole("button", { name: "Hold its button for 5 seconds" }).click();
  await air.getByRole("button", { name: "Search" }).click();
  await air.getByRole("button", { name: /^THIMBLE/ }).click();
  await expect(air.getByRole("status")).toHaveText("The radio says “paired”. Does it hold?");
  await air.getByRole("button", { name: /^Use it/ }).click();
  await expect(air.getByRole("status")).toContainText("that was the wrong menu");
  await expectAccessible(page);
  for (let i = 0; i < 12 && !/^Type the PIN/.test(await heading(page).innerText()); i++) {
    const before = await page.getByText(/^Step \d+ of/).innerText();
    await press(page, "Seen it");
    await expect(page.getByText(before)).toHaveCount(0);
  }
  await step("Type the PIN 0000 within 60 seconds");
  await press(page, "Seen it");
  await step("Does it hold with BT-2?");
  await expect(page.getByText("The screen shows a small thimble beside the battery mark.")).toBeVisible();
  await press(page, "Seen it");
  await step(/with BT-2, for a second, into the dummy load/);
  for (let i = 0; i < 8 && (await heading(page).innerText()) !== "Done"; i++) {
    const before = await heading(page).innerText();
    await press(page, "Seen it");
    await expect(heading(page)).not.toHaveText(before);
  }
  await page.goto(`${served.address}/units/H-03`);
  await expect(page.locator("#pairings")).toContainText("held when last looked at");
  await expect(page.getByText("Pair it again;")).toHaveCount(0);
  // The charge that the gate was passed with is a level now.
  await toDevice(page, "BT-2");
  await expect(page.getByText(/, with a run/)).toBeVisible();
});

test("a button that holds one radio is not paired with two, unless it forgets the other", async ({
  page,
}) => {
  await signIn(page, served.address, "bram");
  await page.goto(`${served.address}/units/H-01/pairing`);
  await page.getByLabel("With").selectOption({ label: "BT-1, Thimble button" });
  await press(page, "Show how");
  await expect(page.getByText("BT-1 holds one radio at a time: it forgets H-02.")).toBeVisible();
  await page.getByText("They are paired already").click();
  await press(page, "Note it");
  await expect(page.getByText("It holds one radio at a time, and is paired with H-02.")).toBeVisible();
  await page.getByLabel("It forgets what it holds no more beside this one").check();
  await press(page, "Note it");
  await expect(page.getByText(/nobody has looked whether it holds/)).toBeVisible();
  await page.getByLabel("When somebody looked, it").selectOption("dropped");
  await page.getByLabel("Note (may stay empty)").fill("after ten minutes");
  await press(page, "Note how it went");
  await expect(page.getByText("Noted: it dropped.")).toBeVisible();
  await page.getByText("Set otherwise in this pair").click();
  await page.getByLabel(/^A line each/).fill("no setting");
  await press(page, "Note its settings");
  await expect(page.getByText("“no setting” wants a name, a value and why")).toBeVisible();
  await expect(page.getByLabel(/^A line each/)).toHaveValue("no setting");
  await page.goto(`${served.address}/due?do=pair`);
  await expect(page.getByRole("link", { name: "H-01", exact: true })).toBeVisible();
  await page.goto(`${served.address}/units/H-02`);
  await expect(page.locator("#pairings").getByRole("link", { name: "BT-1" })).toHaveCount(0);
});

test("a profile that was not read from this radio is stopped: of another model always, of the same until somebody says why", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/kit/own#leads`);
  await page.getByRole("link", { name: "B-01", exact: true }).first().click();
  await expect(page).toHaveURL(/\/kit\/leads\/\d+$/);
  await awake(page);
  const profile = page.locator("#profiles li").filter({ hasText: "Lanterns, marshals" });
  await expect(profile).toContainText("read from W-04, a Wicket");
  const write = async (tag: string) => {
    await profile.getByLabel("Write it into the radio").fill(tag);
    await profile.getByRole("button", { name: /^Take it to the bench/ }).click();
  };
  await write("T-02");
  await expect(
    page.getByText(
      "That profile was read from W-04, a Wicket: it is no codeplug for T-02, and is not written into it.",
    ),
  ).toBeVisible();
  await expect(profile.getByLabel("Write it into the radio")).toHaveValue("T-02");
  await write("Z-99");
  await expect(page.getByText("No radio has the tag Z-99.")).toBeVisible();
  await write("W-05");
  await expect(heading(page)).toHaveText("Write the profile Lanterns, marshals");
  await press(page, "Begin");
  await press(page, "Seen it");
  await expect(heading(page)).toHaveText("What is written is meant for this radio");
  await expect(page.getByText("This would replace what is in it.")).toBeVisible();
  await expect(page.getByText("Lanterns, marshals was read from W-04, not from this radio")).toBeVisible();
  await expectAccessible(page);
  await page.locator("summary").filter({ hasText: "Go on without it" }).click();
  await page.getByLabel("Why").first().fill("all marshals carry the same");
  await page.getByRole("button", { name: "Go on without it" }).click();
  // What is in it is read and kept before anything is written.
  await expect(heading(page)).toHaveText("Charged to half or more, or on a supply");
  // Every step as it is listed beside, folded or not.
  const all = (await page.locator("body").textContent()) ?? "";
  expect(all).toMatch(/Back up[\s\S]*Write it in[\s\S]*Does it work\?/);
});

test("the sheet for a field day: who serves which radios until the charge runs out; ways compared", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/kit/field-day`);
  const sheet = (tag: string) =>
    page.locator("section").filter({ has: page.getByRole("heading", { name: new RegExp(`^${tag} `) }) });
  await expect(sheet("B-01").getByRole("listitem")).toHaveCount(10);
  await expect(sheet("B-01")).toContainText("pick Hedge W");
  await expect(sheet("B-03")).toContainText("Note how full it is, and it is counted on.");
  await expect(page.getByText(/^The charge does not last for .*W-15/)).toBeVisible();
  await expect(page.getByText(/^No programmer of ours serves .*H-01/)).toBeVisible();
  await expectAccessible(page);
  await page.goto(`${served.address}/kit/bluetooth`);
  await awake(page);
  const row = page.getByRole("row").filter({ has: page.getByRole("link", { name: "B-03", exact: true }) });
  await row.getByLabel(/is full to/).fill("40");
  await row.getByRole("button", { name: /^Note/ }).click();
  await expect(row).toContainText("40 %");
  await page.goto(`${served.address}/kit/field-day`);
  await expect(sheet("B-03").getByRole("listitem")).toHaveCount(5);
  await page.getByLabel("All programmers are full by then").check();
  await press(page, "Show");
  await expect(page.getByText("with all programmers full")).toBeVisible();
  await expect(sheet("B-02").getByRole("listitem").first()).toBeVisible();
  // On paper there is the sheet and nothing else.
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("link", { name: "Ways compared" })).toBeHidden();
  await expect(sheet("B-01")).toBeVisible();
  await page.emulateMedia({ media: "screen" });
  await page.getByRole("link", { name: "Ways compared" }).click();
  await expect(page.getByRole("row").nth(1)).toContainText("with a cable");
  await expect(page.getByText(/is quicker than its keys from \d+ radio/).first()).toBeVisible();
  await page.getByLabel(/^Radios/).fill("200");
  await press(page, "Compare");
  await expect(page.getByText(/the charge lasts for \d+ of 200/)).toBeVisible();
  await page.getByLabel(/^Radios/).fill("a few");
  await press(page, "Compare");
  await expect(page.getByText("That is no number of radios that can be compared")).toBeVisible();
  await expect(page.getByLabel(/^Radios/)).toHaveValue("a few");
  await expectAccessible(page);
});

test("pairing is tried where nothing can break: pressed too late, a PIN that expires, then without a mistake", async ({
  page,
}) => {
  await signIn(page, served.address, "ida");
  // Who only looks is told what it is, too.
  await page.goto(`${served.address}/units/B-01`);
  await expect(page.locator("#pairings")).toHaveText("It is the programmer B-01");
  await page.goto(`${served.address}/bench/pairing`);
  await awake(page);
  await page.getByLabel("With").selectOption({ label: "Thimble button, with a Heron" });
  await press(page, "Try it");
  const air = page.getByRole("region", { name: "Simulated Bluetooth" });
  const on = (name: string | RegExp) => air.getByRole("button", { name }).click();
  const says = (text: string | RegExp) => expect(air.getByRole("status")).toHaveText(text);
  await on("Menu Audio > Talk button");
  await on("Search");
  await says("The radio has found 2.");
  await on("Hold its button for 5 seconds");
  await on("Let half a minute pass");
  await on("Search");
  await says("The radio has found 2.");
  await on("Hold its button for 5 seconds");
  await on("Search");
  await on(/^THIMBLE BUTTON/);
  await says("The radio asks for the PIN.");
  await on("Let half a minute pass");
  await on("Let half a minute pass");
  await on("Let half a minute pass");
  await air.getByLabel("PIN", { exact: true }).fill("0000");
  await on("Type the PIN");
  await says(/it has expired/);
  await on("Hold its button for 5 seconds");
  await on("Search");
  await on(/^THIMBLE BUTTON/);
  await air.getByLabel("PIN", { exact: true }).fill("0000");
  await on("Type the PIN");
  await on(/^Use it/);
  await says("The radio answers: it holds.");
  await expect(page.getByText("It holds, after 1 mistake.")).toBeVisible();
  await expectAccessible(page);
});

test("two devices have not one address, and a device that is written down wrongly is answered where it stands", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/kit/devices/new`);
  await awake(page);
  await page.getByLabel("Tag").fill("BT-9");
  await page.getByLabel(/^Address/).fill("02-00-5e-10-00");
  await press(page, "Save");
  await expect(page.getByText("Twelve hexadecimal digits, such as 02:00:5E:10:00:01.")).toBeVisible();
  await page.getByLabel(/^Address/).fill("0200.5e10.0011");
  await page.getByLabel("Loses by itself, percent a day").fill("101");
  await press(page, "Save");
  await expect(page.getByText("A number from 0 to 100, such as 1.5.")).toBeVisible();
  await page.getByLabel("Loses by itself, percent a day").fill("1");
  await press(page, "Save");
  await expect(page.getByText("Another device has this address already.")).toBeVisible();
  await expect(page.getByLabel("Tag")).toHaveValue("BT-9");
  await page.getByLabel(/^Address/).fill("0200.5e10.00ff");
  await press(page, "Save");
  await expect(page.locator("#devices")).toContainText("BT-9");
});
