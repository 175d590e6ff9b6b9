// Modes: the club's band plan, a model's modes, in which one a radio is and what that comes to; switched at the bench and proved.
import { readFile } from "node:fs/promises";
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
const press = (page: Page, name: string) => page.getByRole("button", { name, exact: true }).first().click();

test("a radio that transmits too far is switched at the bench, proves it, and needs it no more", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/due?do=switch`);
  await page.getByRole("link", { name: "W-15", exact: true }).click();
  const mode = page.locator("#mode");
  await expect(mode).toContainText("It transmits where the class of its group may not: 96 MHz in all");
  await expect(mode).toContainText("In the mode “as sold” it would not.");
  await expect(mode.getByRole("figure")).toContainText(
    "of that beyond what is allowed: 136 to 144, 146 to 174",
  );
  await expectAccessible(page);
  await mode.getByRole("button", { name: "At the bench" }).click();
  await expect(heading(page)).toHaveText("Switch it to as sold");
  await expect(page.locator("dl")).toContainText("on 1 test frequency, into a dummy load");
  await expect(page.locator("dl")).toContainText("DL-1");
  await press(page, "Begin");
  for (let i = 0; i < 8 && !/^Key up/.test(await heading(page).innerText()); i++) {
    const before = await page.getByText(/^Step \d+ of/).innerText();
    // Nobody has written down how one gets back out of it.
    if (/^Nobody has written/.test(await heading(page).innerText())) {
      await page.getByLabel(/^What was done/).fill("turn off\nhold talk + 5 + s1, turn on; screen SVC");
      await press(page, "Note it and go on");
    } else await press(page, "Seen it");
    await expect(page.getByText(before)).toHaveCount(0);
  }
  await expect(heading(page)).toHaveText(/^Key up on .* MHz, into the dummy load/);
  await expect(page.getByText("In this mode it should stay silent there.")).toBeVisible();
  await expect(page.getByText("Asked to, it does not transmit.")).toBeVisible();
  await expectAccessible(page);
  await press(page, "It transmits");
  await expect(page.getByRole("alert")).toHaveText("It transmits where this mode should not.");
  await expect(page.getByText("What was seen fits the mode open.")).toBeVisible();
  await page.getByText("It was something else").click();
  await page.getByLabel("Why it was").fill("the wrong radio keyed up");
  await page.getByLabel("What helped").fill("took the right one");
  await press(page, "It is well again");
  await press(page, "It does not");
  await press(page, "Seen it");
  await expect(heading(page)).toHaveText("Done");
  // What was noted becomes a draft of the dossier, with one press.
  await press(page, "Make a draft of the dossier of it");
  await expect(page.getByText("It stands in the dossier as a draft")).toBeVisible();
  await page.goto(`${served.address}/units/W-15`);
  await page.getByRole("link", { name: "Fenwright Wicket" }).click();
  await page.getByRole("link", { name: "As it was done with W-15" }).click();
  await expect(page.getByText("Change the mode").first()).toBeVisible();
  // It changes the mode, and is no harmless procedure.
  await expect(page.getByText(/changes the mode/).first()).toBeVisible();
  await expect(page.getByText(/talk.*5.*s1/i).first()).toBeAttached();
  await page.goto(`${served.address}/units/W-15`);
  await expect(mode).toContainText("Mode: as sold proved by Juno Reedholm");
  await expect(mode).toContainText("“as sold” fits: it transmits nowhere else than it may.");
  await page.goto(`${served.address}/due?do=switch`);
  await expect(page.getByRole("link", { name: "W-15", exact: true })).toHaveCount(0);
});

test("the band plan is written, corrected, taken out as a file and brought in; what is wrong is said where it stands", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/club`);
  await page.getByRole("link", { name: "Band plan" }).click();
  await expect(page.getByText("no one's law").first()).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("link", { name: "Add a line" }).click();
  await page.getByLabel("For which class or service").fill("sluice watch");
  await page.getByLabel("From, MHz").fill("146");
  await page.getByLabel("up to but not on, MHz").fill("144");
  await press(page, "Save");
  await expect(page.getByText("It ends above where it begins.")).toBeVisible();
  await page.getByLabel("From, MHz").fill("144");
  await page.getByLabel("up to but not on, MHz").fill("146");
  await press(page, "Save");
  await expect(page).toHaveURL(/band-plan$/);
  // The sluices' handheld may transmit there from now on; elsewhere it still may not.
  await page.goto(`${served.address}/units/H-11`);
  await expect(page.locator("#mode")).toContainText("10 MHz in all, 430 to 440 MHz");

  await page.goto(`${served.address}/club/band-plan`);
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Take it as a table" }).click(),
  ]);
  const table = await readFile(await file.path(), "utf8");
  expect(table.split("\r\n")[0]).toBe("\ufeffclass,from MHz,to MHz,watts,bandwidth kHz,since,until,note");
  await page.getByText("Bring one in").click();
  const bring = async (text: string) => {
    await page
      .getByLabel(/^A table or JSON/)
      .setInputFiles({ name: "plan.csv", mimeType: "text/csv", buffer: Buffer.from(text) });
    await press(page, "Bring it in");
  };
  await bring(table.replace("158.5,", "oops,"));
  await expect(page.getByText(/^Line \d+, from MHz: “oops” is no number/)).toBeVisible();
  await bring("a;b\r\n1;2\r\n");
  await expect(page.getByText("That is no band plan")).toBeVisible();
  await bring("class;from MHz;to MHz\r\nsluice watch;158,5;158,6\r\n");
  await expect(page.getByText("1 line of plan.csv stand now")).toBeVisible();
  await page.goto(`${served.address}/units/H-11`);
  await expect(page.locator("#mode")).toContainText("12 MHz in all");
});

test("a mode is written down for a model, a group's rule is chosen, and whoever has a radio says in which it is", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/units/W-01`);
  await page.getByRole("link", { name: "Fenwright Wicket" }).click();
  const modes = page.locator("#modes");
  await expect(modes).toContainText("erases its settings");
  await modes.getByRole("link", { name: "Add one" }).click();
  await page.getByLabel("What it is called").fill("As Sold");
  await page.getByLabel("1: from").first().fill("144");
  await page.getByLabel("to", { exact: true }).first().fill("a lot");
  await press(page, "Save");
  await expect(page.getByText("In megahertz, such as 146.")).toBeVisible();
  await page.getByLabel("to", { exact: true }).first().fill("144,8");
  await press(page, "Save");
  await expect(page.getByText("This model has a mode of that name already.")).toBeVisible();
  await page.getByLabel("What it is called").fill("low only");
  await expectAccessible(page);
  await press(page, "Save");
  await expect(modes).toContainText("low only");

  await page.goto(`${served.address}/units/W-01`);
  await page.getByText("Note its mode").click();
  await page.locator("#mode").getByLabel("It is in").selectOption({ label: "low only" });
  await page.locator("#mode").getByLabel("Reason, if there is one").fill("tried it");
  await press(page, "Note it");
  await expect(page.locator("#mode")).toContainText("Mode: low only as noted by Wren Oldacre");
  await expect(page.locator("#mode")).toContainText("It cannot use");

  // A rule that says nothing, and one that saying nothing else does not lose.
  await page.goto(`${served.address}/club`);
  await page.getByRole("link", { name: "Old hands" }).click();
  await expect(page.getByLabel("1: from")).toHaveValue("77");
  await page.getByLabel("What they are for").fill("work, so leave them alone");
  await press(page, "Save");
  await expect(page).toHaveURL(/\/club$/);
  await page.goto(`${served.address}/units/T-03`);
  await expect(page.locator("#mode")).toContainText("It transmits where it was not approved to");
  await page.goto(`${served.address}/club`);
  await page.getByRole("link", { name: "Old hands" }).click();
  await page.getByLabel("Where its radios transmit").selectOption("as it is");
  await press(page, "Save");
  await expect(page).toHaveURL(/\/club$/);
  await page.goto(`${served.address}/units/T-03`);
  await expect(page.locator("#mode")).toContainText("takes modes as they are");
});

test("what a meter said is written down with what it may be off by; getting weaker is said only when it is", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/M-03`);
  await page.getByRole("link", { name: "What was measured" }).click();
  await expect(heading(page)).toHaveText(/^Getting weaker: about \d+\.\d W a year/);
  await expect(page.getByRole("row").filter({ hasText: "15 W" })).toContainText("0.0 to 35.0 W");
  await expectAccessible(page);
  const note = page.locator("section").filter({ hasText: "Write one down" });
  await note.getByLabel("What the meter shows").fill("a lot");
  await note.getByLabel("Note: attenuation, load").fill("into DL-1");
  await press(page, "Write it down");
  await expect(note.getByRole("alert")).toHaveText("Type what the meter shows, as a number.");
  await expect(note.getByLabel("Note: attenuation, load")).toHaveValue("into DL-1");
  await note.getByLabel("What the meter shows").fill("39,5");
  await note
    .getByLabel("With", { exact: true })
    .selectOption({ label: "MW-1, power meter (10 % of full scale)" });
  await note.getByLabel("On, MHz (may stay empty)").fill("145,5");
  await press(page, "Write it down");
  await expect(page.getByText("Written down.")).toBeVisible();
  await expect(heading(page)).toHaveText("As strong as it was");
  const row = page.getByRole("row").filter({ hasText: "39.5 W" });
  await expect(row).toContainText("19.5 to 59.5 W");
  await expect(row).toContainText("cannot tell");
  await row.getByText("Strike it").click();
  await row.getByLabel("Why").fill("another radio");
  await press(page, "Strike");
  await expect(heading(page)).toHaveText(/^Getting weaker/);
});

test("whoever may less is asked about before the radio goes out; the board says before an event which transmit too far", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/S-02`);
  await page.getByText("Lend it", { exact: true }).first().click();
  await page.getByLabel("To", { exact: true }).selectOption({ label: "Perrin Alderby" });
  await page.getByRole("button", { name: "Lend", exact: true }).click();
  await expect(
    page.getByText(
      /In its mode “free” it transmits where Perrin .* may not: 22 MHz in all\. Switched to “plain” it would fit\./,
    ),
  ).toBeVisible();
  await expect(page.getByLabel("To", { exact: true })).toHaveValue(/./);
  await page.getByLabel("Lend it all the same").check();
  await page.getByRole("button", { name: "Lend", exact: true }).click();
  await expect(page.getByText("Lent to Perrin Alderby.")).toBeVisible();
  await page.goto(`${served.address}/cabinet/modes`);
  const first = page.getByRole("main").getByRole("table").first();
  await expect(page.getByRole("heading", { name: /^Transmits too far/ })).toBeVisible();
  await expect(first).toContainText("H-07");
  await page.getByLabel("Only of one group, as before an event").selectOption({ label: "Loan pool" });
  await page.getByRole("button", { name: "Show" }).click();
  await expect(first).toContainText("S-02");
  await expect(first).not.toContainText("H-07");
  await expectAccessible(page);
});
