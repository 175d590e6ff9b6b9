// The kit, entered in the order in which one has things in the hand: a plug, a lead, a computer; and another like it.
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

const put = (page: Page) => page.getByRole("button", { name: "Put it in the kit" }).click();
const tag = (page: Page) => page.getByLabel("Tag", { exact: true });

test("a plug, a lead and a computer nobody knew, its chip by its ids; then another like it by its tag alone", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/kit/own`);
  await page.getByRole("link", { name: "Enter what you have in the hand" }).click();
  await expect(page.getByRole("button", { name: "Put it in the kit" })).toBeVisible();
  await page.getByText("another connector").first().click();
  await page.getByLabel("Name of the new connector").first().fill("six-pin round");
  await page.getByLabel("At the computer", { exact: true }).selectOption({ label: "USB-A" });
  await page
    .getByLabel("What the device list says of it")
    .fill("Bus 001 Device 004: ID f1c7:3400 a bridge\nBus 001 Device 001: ID 1d1d:0002 root hub");
  await page.getByText("another computer").click();
  await page.getByLabel("Its name").fill("Weir laptop");
  await page.getByLabel("System version").fill("Linux 6.1, 32-bit");
  await put(page);
  // What is wrong is told of all of it before anything is kept.
  await expect(page.getByText("A lead has a tag, on the lead itself.")).toBeVisible();
  await expect(page.getByLabel("Its name")).toHaveValue("Weir laptop");
  await expectAccessible(page);
  await tag(page).fill("k-07");
  await put(page);
  await expect(page.getByText("There is another with this tag already.")).toBeVisible();
  // The computer stands by now: sent again, its name is the same computer.
  await tag(page).fill("K-71");
  await put(page);
  await expect(page.getByText("K-71 is in the kit. Another like this one: its tag is enough.")).toBeVisible();
  await expect(page.getByLabel("At the radio", { exact: true }).locator("option:checked")).toHaveText(
    "six-pin round",
  );
  await expect(page.getByLabel("Its chip")).toHaveValue("Teasel 340");
  await expect(page.getByLabel("Computer", { exact: true }).locator("option:checked")).toHaveText(
    "Weir laptop",
  );
  await expect(tag(page)).toBeFocused();
  await tag(page).fill("K-72");
  await put(page);
  await expect(page.getByText("K-72 is in the kit.")).toBeVisible();
  await page.goto(`${served.address}/kit/own`);
  for (const name of ["K-71", "K-72"])
    await expect(page.locator("#leads li").filter({ hasText: name })).toContainText(
      "six-pin round to USB-A; Teasel 340",
    );
  const computer = page.locator("#computers li").filter({ hasText: "Weir laptop" });
  await expect(computer).toHaveCount(1);
  await expect(computer).toContainText("Linux 6.1, 32 bit; USB-A");
  // Ids that a lead was noted with are known when they are pasted, with its chip.
  await page.goto(`${served.address}/kit/which-lead`);
  await page.getByLabel(/Paste what/).fill("f1c7:3400");
  await page.getByRole("button", { name: "Which is it?" }).click();
  await expect(page.getByRole("region", { name: "Device f1c7:3400" })).toContainText("K-71");
});

test("a computer that is there gets the port that the lead goes into", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/kit/in-hand`);
  await page.getByLabel("At the radio", { exact: true }).selectOption({ index: 1 });
  await tag(page).fill("K-75");
  await page.getByText("another connector").nth(1).click();
  await page.getByLabel("Name of the new connector").nth(1).fill("thin plug");
  await page.getByLabel("Computer", { exact: true }).selectOption({ label: "Reed desk" });
  await put(page);
  await expect(page.getByText("K-75 is in the kit.")).toBeVisible();
  await page.goto(`${served.address}/kit/own`);
  const desk = page.locator("#computers li").filter({ hasText: "Reed desk" });
  await expect(desk).toContainText("thin plug");
  await expect(desk).toContainText("Hedgewriter");
  const before = await desk.textContent();
  // A second one of the kind changes nothing more of it.
  await page.goto(`${served.address}/kit/in-hand`);
  await page.getByLabel("At the radio", { exact: true }).selectOption({ index: 1 });
  await tag(page).fill("K-76");
  await page.getByLabel("At the computer", { exact: true }).selectOption({ label: "thin plug" });
  await page.getByLabel("Computer", { exact: true }).selectOption({ label: "Reed desk" });
  await put(page);
  await expect(page.getByText("K-76 is in the kit.")).toBeVisible();
  await page.goto(`${served.address}/kit/own`);
  await expect(desk).toHaveText(before ?? "");
});

test("ids that nobody named: the chip noted on a lead with them is known from then on; several devices are asked about", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/kit/in-hand`);
  await tag(page).fill("K-81");
  await page.getByLabel("At the radio", { exact: true }).selectOption({ index: 1 });
  await page.getByLabel("At the computer", { exact: true }).selectOption({ label: "USB-A" });
  await page
    .getByLabel("What the device list says of it")
    .fill("Bus 001 Device 009: ID 0bad:0001 one\nBus 001 Device 008: ID 0bad:0002 other");
  await put(page);
  await expect(page.getByText("Several devices are in this")).toBeVisible();
  await page.getByLabel("What the device list says of it").fill("no ids at all");
  await put(page);
  await expect(page.getByText("No USB ids are in this")).toBeVisible();
  await page.getByLabel("What the device list says of it").fill("0bad:0001");
  await page.getByLabel("Its chip").fill("Rushlight 9");
  await put(page);
  await expect(page.getByText("K-81 is in the kit.")).toBeVisible();
  await page.goto(`${served.address}/kit/which-lead`);
  await page.getByLabel(/Paste what/).fill("Bus 001 Device 009: ID 0bad:0001 something");
  await page.getByRole("button", { name: "Which is it?" }).click();
  const found = page.getByRole("region", { name: "Device 0bad:0001" });
  await expect(found.getByRole("heading", { level: 2 })).toContainText("Rushlight 9");
  await expect(found).toContainText("as noted on K-81");
});

test("what could be bought and is owned says so", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/kit/offers/new`);
  await page.getByLabel("What", { exact: true }).fill("a lead as K-81");
  await page.getByLabel("Price").fill("9.00");
  await page.getByLabel("At the radio", { exact: true }).selectOption({ index: 1 });
  await page.getByLabel("At the computer", { exact: true }).selectOption({ label: "USB-A" });
  await page.getByLabel(/^Chip/).fill("Rushlight 9");
  await page.getByLabel("It is", { exact: true }).selectOption("unknown");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.locator("#offers li").filter({ hasText: "a lead as K-81" })).toContainText(
    "we have it: K-81",
  );
});

test("a member enters nothing", async ({ page }) => {
  await signIn(page, served.address, "ida");
  await page.goto(`${served.address}/kit/own`);
  await expect(page.getByRole("link", { name: "Enter what you have in the hand" })).toHaveCount(0);
  expect((await page.goto(`${served.address}/kit/in-hand`))?.status()).toBe(403);
});

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });
  test("it goes in the same", async ({ page }) => {
    await signIn(page, served.address, "juno");
    await page.goto(`${served.address}/kit/in-hand`);
    await page.getByLabel("At the radio", { exact: true }).selectOption({ index: 1 });
    await tag(page).fill("K-91");
    await put(page);
    await expect(page.getByText("Only a Bluetooth programmer has no plug at the computer.")).toBeVisible();
    await page.getByLabel("At the computer", { exact: true }).selectOption({ label: "USB-A" });
    await put(page);
    await expect(page.getByText("K-91 is in the kit.")).toBeVisible();
  });
});
