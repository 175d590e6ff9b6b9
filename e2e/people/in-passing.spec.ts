// What a field would pick and is not there yet is made in passing, by its name.
import { expect } from "@playwright/test";
import { expectAccessible } from "../accessible.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

test("a radio of a new model in a new place: what else is wrong keeps what was made, and makes nothing twice", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/units/new`);
  await page.getByLabel("Tag", { exact: true }).fill("W-03");
  await page.getByText("another model", { exact: true }).click();
  await page.getByLabel("Name of the new model").fill("Teasel 2");
  await page.getByText("another place", { exact: true }).click();
  await page.getByLabel("Name of the new place").fill("Loft");
  await expectAccessible(page);
  await page.getByRole("button", { name: "Put it in the cabinet" }).click();
  await expect(page.getByText("Another radio has this tag.")).toBeVisible();
  await expect(page.getByLabel("Model", { exact: true }).locator("option:checked")).toHaveText(/^Teasel 2/);
  await expect(page.getByLabel("Place", { exact: true }).locator("option:checked")).toHaveText("Loft");
  await page.getByLabel("Tag", { exact: true }).fill("Y-01");
  await page.getByRole("button", { name: "Put it in the cabinet" }).click();
  await expect(page.getByText("We have not read this radio yet.").first()).toBeVisible();
  await expect(page.getByText("Loft").first()).toBeVisible();
  // By another spelling of its name the one that is there is meant.
  await page.goto(`${served.address}/units/new`);
  await page.getByLabel("Tag", { exact: true }).fill("Y-02");
  await page.getByText("another model", { exact: true }).click();
  await page.getByLabel("Name of the new model").fill("teasel  2");
  await page.getByRole("button", { name: "Put it in the cabinet" }).click();
  await expect(page.getByText("We have not read this radio yet.").first()).toBeVisible();
  await page.goto(`${served.address}/models`);
  await expect(page.getByRole("link", { name: "Teasel 2" })).toHaveCount(1);
});

test("a bench hand makes no place, but lends to who is there; a keeper lends to somebody new", async ({
  page,
  browser,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/units/W-04`);
  await page.getByText("Lend it", { exact: true }).click();
  await page.getByText("another person", { exact: true }).click();
  await page.getByLabel("Name of the new person").fill("Sorrel Tamsin");
  await page.getByRole("button", { name: "Lend", exact: true }).click();
  await expect(page.getByText(/Lent to Sorrel Tamsin|Sorrel Tamsin may not/).first()).toBeVisible();
  const other = await browser.newPage();
  await signIn(other, served.address, "juno");
  await other.goto(`${served.address}/units/new`);
  await expect(other.getByText("another place")).toHaveCount(0);
  await other.close();
});

test("a computer's port that nobody knew is made in passing and added to the others; a slip in them is told", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/kit/computers/new`);
  await page.getByLabel("Name", { exact: true }).fill("Fen tablet");
  await page.getByLabel("Ports (parted by semicolons)").fill("USB-A; USB-Q");
  await page.getByText("another connector").click();
  await page.getByLabel("Name of the new connector").fill("thin round");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("We know no connector called “USB-Q”.")).toBeVisible();
  await expect(page.getByLabel("Ports (parted by semicolons)")).toHaveValue("USB-A; USB-Q; thin round");
  await page.getByLabel("Ports (parted by semicolons)").fill("USB-A; thin round");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.locator("#computers li").filter({ hasText: "Fen tablet" })).toContainText(
    "USB-A and thin round",
  );
  await expect(page.locator("#connectors li").filter({ hasText: "thin round" })).toHaveCount(1);
});

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });
  test("it is the same", async ({ page }) => {
    await signIn(page, served.address, "wren");
    await page.goto(`${served.address}/kit/leads/new`);
    await page.getByLabel("Tag", { exact: true }).fill("K-99");
    await page.getByText("another connector", { exact: true }).first().click();
    await page.getByLabel("Name of the new connector").first().fill("five-pin round");
    await page.getByLabel("At the computer", { exact: true }).selectOption({ index: 1 });
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page.getByText(/five-pin round to/).first()).toBeVisible();
  });
});
