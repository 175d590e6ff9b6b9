// Kit at work: a radio that waits for a driver, a clone that is refused, leads told by what a device list says, tries that
// count, the inventory, and what to get.
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
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

const dueGroup = (page: Page, title: string) =>
  page.locator("section").filter({ has: page.getByRole("heading", { level: 2, name: title }) });

test("a radio without a chain says what is missing; the driver is added, and it stands ready", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/due`);
  await expect(dueGroup(page, "Ready now").getByRole("link", { name: "W-03", exact: true })).toBeVisible();
  await openThing(page, served.address, "Reed desk");
  const drivers = page.getByLabel(/Drivers on it/);
  const before = await drivers.inputValue();
  await drivers.fill("Teasel port driver 1.1");
  await saveThing(page);
  await page.goto(`${served.address}/due`);
  const waiting = dueGroup(page, "Waiting for kit").getByRole("listitem").filter({ hasText: "W-03" });
  // Quicker than the driver would be another tool elsewhere; the radio's page tells both.
  await expect(waiting).toContainText("update to Hedgewriter 1.8 or newer on Fen desk: 8 minutes");
  await page.goto(`${served.address}/units/W-03`);
  await expect(page.getByRole("list", { name: /The nearest chain/ }).first()).toBeVisible();
  await expect(
    page.getByText("Or install Bramble port driver 3.0 or newer on Reed desk: 10 minutes").first(),
  ).toBeVisible();
  await openThing(page, served.address, "Reed desk");
  await drivers.fill(before);
  await saveThing(page);
  await page.goto(`${served.address}/due`);
  await expect(dueGroup(page, "Ready now").getByRole("listitem").filter({ hasText: "W-03" })).toContainText(
    "proven: K-07, Reed desk, Hedgewriter",
  );
});

test("a clone chip is refused, with the reason and what would mend it", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await openThing(page, served.address, "K-02");
  await page.getByLabel("Condition").selectOption("lost");
  await saveThing(page);
  await page.goto(`${served.address}/units/S-05`);
  const chain = page.getByRole("list", { name: /The nearest chain: K-05/ });
  await expect(chain.getByRole("listitem").filter({ hasText: "driver 3.5" })).toContainText(
    "Bramble port driver 3.5 refuses this chip",
  );
  await expect(
    page.getByText("put Bramble port driver 2.0 or newer, not 3.4 or newer in place of 3.5 on Reed desk"),
  ).toBeVisible();
  await openThing(page, served.address, "K-02");
  await page.getByLabel("Condition").selectOption("sound");
  await page.getByRole("button", { name: "Save", exact: true }).click();
});

test("a pasted device list leads to the lead, its driver and its port; other text says so", async ({
  page,
}) => {
  await signIn(page, served.address, "ida");
  await page.goto(`${served.address}/kit/which-lead`);
  await page
    .getByLabel(/Paste what/)
    .fill(
      "usb 1-2: New USB device found, idVendor=f1c7, idProduct=3400\nusb 1-2: teasel converter now attached to ttyUSB0\nusb 1-1: New USB device found, idVendor=1d1d, idProduct=0002",
    );
  await page.getByLabel("Plugged into").selectOption({ label: "Reed desk" });
  await page.getByRole("button", { name: "Which is it?" }).click();
  const found = page.getByRole("region", { name: "Device f1c7:3400" });
  await expect(found).toContainText("Pick the port /dev/ttyUSB0.");
  await expect(found).toContainText("Teasel 340, genuine: needs Teasel port driver 1.2 or newer");
  await expect(found).toContainText("Teasel 340, clone: no driver serves this chip here");
  await expect(found.getByRole("listitem").filter({ hasText: "K-10" })).toContainText(
    "eight-pin, behind the panel; genuine",
  );
  await expect(page.getByRole("region", { name: /1d1d/ })).toHaveCount(0);
  await page.getByLabel(/Paste what/).fill("Dear keeper, the sluice sticks again.");
  await page.getByRole("button", { name: "Which is it?" }).click();
  await expect(page.getByText("No USB device is in this text.")).toBeVisible();
});

test("a megabyte of device list is answered", async ({ page }) => {
  await signIn(page, served.address, "ida");
  await page.goto(`${served.address}/kit/which-lead`);
  const line = "Bus 001 Device 004: ID 1d1d:0002 Root hub\n";
  const text = `${line.repeat(Math.ceil(1_000_000 / line.length))}Bus 001 Device 009: ID f1c7:5e01 Sedge X`;
  await page.getByLabel(/Paste what/).evaluate((field: HTMLTextAreaElement, value) => {
    field.value = value;
  }, text);
  await page.getByRole("button", { name: "Which is it?" }).click();
  await expect(page.getByRole("region", { name: "Device f1c7:5e01" })).toContainText("Sedge X");
});

test("a serial port that the browser asks for tells its lead", async ({ page }) => {
  await page.addInitScript(() => {
    const port = { getInfo: () => ({ usbVendorId: 0xf1c7, usbProductId: 0x5e01 }) };
    Object.defineProperty(navigator, "serial", {
      value: { requestPort: async () => port },
      configurable: true,
    });
  });
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/kit/which-lead`);
  await page.getByLabel("Plugged into").selectOption({ label: "Fen desk" });
  await page.getByRole("button", { name: "Ask the browser for a port" }).click();
  const found = page.getByRole("region", { name: "Device f1c7:5e01" });
  await expect(found).toContainText("Sedge X, genuine: no driver serves this chip here");
  await expect(found).toContainText("K-08 six-pin, screwed; genuine; with this chip; worn");
});

test("an id gets its chip's name, and ids that are none are answered", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/kit/which-lead`);
  const form = page.getByRole("form", { name: "Name an id" });
  await form.getByLabel(/^Ids/).fill("f1c7");
  await form.getByRole("button", { name: "Note it" }).click();
  await expect(page.getByText("two times four hexadecimal digits")).toBeVisible();
  await form.getByLabel(/^Ids/).fill("f1c7:0c0a");
  await form.getByLabel(/^Chip/).fill("Sedge X");
  await form.getByRole("button", { name: "Note it" }).click();
  await expect(page.getByText("Noted: f1c7:0c0a is Sedge X.")).toBeVisible();
});

test("tries are noted in one press, and the record changes the verdict", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/P-04`);
  const tooling = page.locator("#tooling");
  for (let i = 1; i <= 4; i++) {
    await tooling.getByRole("button", { name: "It worked" }).first().click();
    await expect(
      page.getByRole("status").filter({ hasText: "Noted: it worked with straight in, Moth phone" }),
    ).toBeVisible();
    await page.goto(`${served.address}/units/P-04`);
    await expect(
      tooling
        .getByText(i < 4 ? `${i} of ${i === 1 ? "1 try" : `${i} tries`} worked` : "4 of 4 tries worked")
        .first(),
    ).toBeVisible();
  }
  await expect(tooling.getByText("proven").first()).toBeVisible();
  await tooling.getByLabel("What was seen when it failed").first().fill("the phone slept");
  await tooling.getByRole("button", { name: "It failed" }).first().click();
  await expect(
    page.getByText("it failed with straight in, Moth phone, Reed app: the phone slept"),
  ).toBeVisible();
});

test("a settled matter is known bad at once, and another chain comes first", async ({ page }) => {
  await signIn(page, served.address, "tobin");
  await page.goto(`${served.address}/units/W-08`);
  const tooling = page.locator("#tooling");
  const best = tooling.getByRole("list", { name: /The best chain/ });
  await expect(best).toHaveAccessibleName("The best chain: K-07, Reed desk, Hedgewriter");
  await tooling.getByLabel("and never will: that is settled").first().check();
  await tooling.getByRole("button", { name: "It failed" }).first().click();
  await expect(best).toHaveAccessibleName("The best chain: K-01, Reed desk, Hedgewriter");
  await tooling.getByText(/more chains? hold/).click();
  const bad = tooling.getByRole("listitem").filter({ hasText: "K-07, Reed desk" });
  await expect(bad).toContainText("settled: it never works together");
  await expect(bad).toContainText("known bad");
});

test("the table of ids is filled from the system's public list, where there is one", async ({ page }) => {
  await signIn(page, served.address, "wren");
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), "mossy-ids-"));
  process.env.MOSSY_USB_IDS = path.join(folder, "usb.ids");
  fs.writeFileSync(
    process.env.MOSSY_USB_IDS,
    "# made up\nf1c8  Nobody\n\t0001  Serial bridge\n\t0002  Mouse\n",
  );
  await page.goto(`${served.address}/kit/which-lead`);
  await page.getByRole("button", { name: "Fill it from this system's list" }).click();
  await expect(page.getByText("1 id of serial bridges came in")).toBeVisible();
  await expect(page.getByRole("listitem").filter({ hasText: "f1c8:0001" })).toContainText(
    "Nobody Serial bridge",
  );
  delete process.env.MOSSY_USB_IDS;
  fs.rmSync(folder, { recursive: true });
});

test("prices are told in the club's currency; the finder reaches leads and computers", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/kit/own`);
  await page.getByLabel("Prices are in").fill("zzz");
  await page.getByRole("button", { name: "Change" }).click();
  await expect(page.getByText("Write the currency as its three letters")).toBeVisible();
  await page.getByLabel("Prices are in").fill("gbp");
  await page.getByRole("button", { name: "Change" }).click();
  await expect(page.getByText("Prices are in GBP from now on")).toBeVisible();
  await page.goto(`${served.address}/kit/get`);
  await expect(page.getByText("(£12.00)").first()).toBeVisible();
  await page.goto(`${served.address}/kit/own`);
  await page.getByLabel("Prices are in").fill("EUR");
  await page.getByRole("button", { name: "Change" }).click();
  await expect(page.getByText("Prices are in EUR from now on")).toBeVisible();
  await page.goto(`${served.address}/find?q=k-0`);
  await expect(page.getByRole("link", { name: "K-07" })).toHaveAttribute("href", /kit\/own#leads-/);
  await page.goto(`${served.address}/find?q=reed`);
  await expect(page.getByText("Windows 11")).toBeVisible();
});

test("a member sees chains but is offered no press and no form", async ({ page }) => {
  await signIn(page, served.address, "ida");
  await page.goto(`${served.address}/units/W-03`);
  await expect(page.getByRole("list", { name: /The best chain/ })).toBeVisible();
  await expect(page.getByRole("button", { name: "It worked" })).toHaveCount(0);
  await page.goto(`${served.address}/kit/own`);
  await expect(page.getByRole("form", { name: /Add a/ })).toHaveCount(0);
  const refused = await page.goto(`${served.address}/kit/leads/new`);
  expect(refused?.status()).toBe(403);
});

test("quick entry: lead after lead, a tag that is taken, a price of nothing, a range that no version meets", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await openAwake(page, `${served.address}/kit/own`);
  const quick = page.getByRole("form", { name: "Add a lead" });
  await quick.getByLabel("Tag").fill("K-20");
  await quick.getByLabel("At the radio").selectOption({ label: "two-pin, straight" });
  await quick.getByLabel("At the computer").selectOption({ label: "USB-A" });
  await quick.getByLabel(/^Chip/).fill("Sedge X");
  // What is typed while the answer is on its way goes into no tag.
  let answer = () => {};
  const held = new Promise<void>((resolve) => {
    answer = resolve;
  });
  await page.route("**/kit/leads/new*", async (route) => {
    await held;
    await route.continue();
  });
  const sent = page.waitForRequest((request) => request.method() === "POST");
  await quick.getByLabel("Tag").press("Enter");
  await sent;
  await page.keyboard.type("BT-1");
  await expect(quick.getByLabel("Tag")).toHaveValue("K-20");
  answer();
  await expect(page.getByRole("listitem").filter({ hasText: "K-20" })).toContainText(
    "two-pin, straight to USB-A; Sedge X, genuine",
  );
  await page.unroute("**/kit/leads/new*");
  await expect(quick.getByLabel("Tag")).toBeFocused();
  await page.keyboard.type("k-20");
  await quick.getByLabel("At the radio").selectOption({ label: "two-pin, straight" });
  await quick.getByLabel("At the computer").selectOption({ label: "USB-A" });
  await quick.getByRole("button", { name: "Add" }).click();
  await expect(page.getByText("There is another lead of this tag already.")).toBeVisible();
  await expect(page.getByLabel("Tag")).toHaveValue("k-20");
  await openAwake(page, `${served.address}/kit/offers/new`);
  await page.getByLabel("What", { exact: true }).fill("A gift");
  for (const [price, trouble] of [
    ["0", "A price is more than nothing."],
    ["-4", "A price is more than nothing."],
    ["much", "A price, such as 14.50."],
  ] as const) {
    await page.getByLabel("Price").fill(price);
    // Two of the answers are alike: the one to this price must have come before the next is typed.
    await Promise.all([
      page.waitForResponse((answer) => answer.request().method() === "POST"),
      page.getByRole("button", { name: "Save", exact: true }).click(),
    ]);
    await expect(page.getByText(trouble)).toBeVisible();
    await expect(page.getByLabel("Price")).toHaveValue(price);
  }
  await openAwake(page, `${served.address}/kit/advice/new`);
  await page.getByLabel("Chip").fill("Sedge X");
  await page.getByLabel("Says").selectOption("needs");
  await page.getByLabel("Driver", { exact: true }).selectOption({ label: "Teasel port driver" });
  await page.getByLabel("in versions").fill(">= 3, < 2");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("“>= 3, < 2” is a range that no version meets.")).toBeVisible();
});

test("what to get: the best for the money, its curve, the list on paper and as CSV", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await openAwake(page, `${served.address}/kit/get`);
  await page.getByLabel(/Money there is/).fill("lots");
  await page.getByRole("button", { name: "Work it out" }).click();
  await expect(page.getByText("A sum of money, such as 60")).toBeVisible();
  await page.getByLabel(/Money there is/).fill("12.50");
  await page.getByRole("button", { name: "Work it out" }).click();
  const list = page.getByRole("region", { name: "Shopping list" });
  await expect(list.getByRole("heading")).toHaveText("€12.00 frees 2 radios");
  await expect(list.getByRole("row").filter({ hasText: "Box from round" })).toContainText("T-04 and T-05");
  await page.getByLabel(/Money there is/).fill("");
  await page.getByRole("button", { name: "Work it out" }).click();
  await expect(list.getByRole("heading")).toHaveText("€20.50 frees 3 radios");
  await page.getByText("As a table").click();
  const rows = page.locator("figure").getByRole("row");
  await expect(rows).toHaveText([
    "MoneySafetyA fixRoutineRadios",
    "€0.000000",
    "€8.500101",
    "€12.000202",
    "€20.500303",
  ]);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    list.getByRole("link", { name: "As CSV" }).click(),
  ]);
  const chunks: Buffer[] = [];
  for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer);
  const csv = Buffer.concat(chunks).toString("utf8").replace("\ufeff", "").split("\r\n");
  expect(csv[0]).toBe("item,seller,price,currency,frees");
  expect(csv).toContain('"Card reader, USB-A",the ironmonger,8.50,EUR,L-02');
  await page.emulateMedia({ media: "print" });
  await expect(list).toBeVisible();
  await expect(page.getByRole("button", { name: "Work it out" })).toBeHidden();
});

test("the search for what to get can be ended, and begun again", async ({ page }) => {
  await signIn(page, served.address, "wren");
  // The solver never arrives: as long as that takes, the search goes on.
  await page.context().route("**/*.wasm", () => {});
  await openAwake(page, `${served.address}/kit/get`);
  await page.getByRole("button", { name: "Work it out" }).click();
  await expect(page.getByText("working it out")).toBeVisible();
  await page.getByRole("button", { name: "Enough" }).click();
  await expect(page.getByText("ended; what was found stands")).toBeVisible();
  await page.context().unroute("**/*.wasm");
  await page.getByRole("button", { name: "Work it out" }).click();
  await expect(page.getByRole("region", { name: "Shopping list" }).getByRole("heading")).toContainText(
    "frees",
  );
});

test("a connector that leads still have is not shelved", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await openThing(page, served.address, "six-pin, screwed");
  await page.getByRole("button", { name: "Shelve it" }).click();
  await expect(page.getByText("It cannot be shelved: B-02, K-08 and K-15 still have it.")).toBeVisible();
});

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });
  test("a lead is added, a device list read, a try noted", async ({ page }) => {
    await signIn(page, served.address, "juno");
    await page.goto(`${served.address}/kit/leads/new`);
    await page.getByLabel("Tag").fill("K-30");
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page.getByText("Choose the plug at the radio.")).toBeVisible();
    await expect(page.getByLabel("Tag")).toHaveValue("K-30");
    await page.getByLabel("At the radio").selectOption({ label: "round, four contacts" });
    await page.getByLabel("At the computer").selectOption({ label: "USB-A" });
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page.getByRole("listitem").filter({ hasText: "K-30" })).toContainText(
      "round, four contacts to USB-A",
    );
    await page.goto(`${served.address}/kit/which-lead`);
    await page.getByLabel(/Paste what/).fill("Bus 001 Device 004: ID f1c7:2001 Bramble");
    await page.getByRole("button", { name: "Which is it?" }).click();
    await expect(page.getByRole("region", { name: "Device f1c7:2001" })).toContainText("K-07");
    await page.goto(`${served.address}/units/W-03`);
    const best = await page.getByRole("list", { name: /The best chain/ }).getAttribute("aria-label");
    const lead = /K-\d+/.exec(best ?? "")?.[0] ?? "no lead";
    await page.getByRole("button", { name: "It worked" }).first().click();
    await expect(page.getByText(`Noted: it worked with ${lead}, Reed desk, Hedgewriter.`)).toBeVisible();
    await page.goto(`${served.address}/kit`);
    await expect(page.getByRole("row").filter({ hasText: "Wicket II" })).toContainText(lead);
  });
});

test("an empty cell says why and what would help; it opens the chain; a lead's page says first what it means", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/kit`);
  const board = page.getByRole("table").first();
  await expect(board).not.toContainText("·");
  const none = board
    .getByRole("cell")
    .getByRole("link")
    .filter({ hasText: /[a-z]{4}/ })
    .first();
  const says = (await none.textContent()) ?? "";
  await none.click();
  await expect(page).toHaveURL(/computer=/);
  const chains = page.getByRole("region", { name: /^Chains of .+ at / });
  await expect(chains).toBeVisible();
  expect(says.length).toBeGreaterThan(10);

  await page.goto(`${served.address}/kit/own`);
  await page.getByRole("link", { name: "K-07", exact: true }).first().click();
  const means = page.getByRole("region", { name: "What K-07 means" });
  await expect(means.getByRole("heading")).toHaveText(/It reaches \d+ model/);
  await expect(means.getByRole("link", { name: "Wicket", exact: true })).toBeVisible();
  await expect(means).toContainText(/Tried: \d+ of \d+ worked/);
  await expect(means).toContainText("Without it:");
  await page.getByRole("link", { name: "Another like this one" }).click();
  await expect(page.getByText("As K-07, but for its tag.")).toBeVisible();
  await expect(page.getByLabel("Tag", { exact: true })).toHaveValue("");
});
