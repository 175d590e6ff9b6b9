// Accounts: links that a keeper hands over, one's own password and sessions, the shelf and the way back.
import { type Browser, expect, type Page } from "@playwright/test";
import { expectAccessible } from "../accessible.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

const elsewhere = async (browser: Browser) => (await browser.newContext()).newPage();

async function fillSignIn(page: Page, email: string, password: string): Promise<void> {
  await page.goto(`${served.address}/sign-in`);
  await page.getByLabel("E-mail", { exact: true }).fill(email);
  await page.getByLabel("Password").fill(password);
  await page.getByRole("button", { name: "Sign in" }).click();
}

async function makeLink(page: Page, before = ""): Promise<string> {
  await page.getByRole("button", { name: /^Make (a|another) link$/ }).click();
  await expect(page.getByLabel("Hand this link over")).not.toHaveValue(before);
  return page.getByLabel("Hand this link over").inputValue();
}

test("a new person gets a link, chooses a password by it, once, and is signed in", async ({
  page,
  browser,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/club/people/new`);
  await page.getByLabel("Name", { exact: true }).fill("Posy Lockhythe");
  await page.getByLabel("Role").selectOption("bench");
  await page.getByLabel("E-mail").fill("WREN@lanternfen.example");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("This address is taken.")).toBeVisible();
  await page.getByLabel("E-mail").fill("posy@lanternfen.example");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Posy Lockhythe" })).toBeVisible();
  const first = await makeLink(page);
  const link = await makeLink(page, first);
  await expectAccessible(page);

  const posy = await elsewhere(browser);
  await posy.goto(first);
  await expect(posy.getByRole("heading", { name: "This link is good no more" })).toBeVisible();
  await posy.goto(link);
  await expectAccessible(posy);
  for (const [password, says] of [
    ["short", "At least 12 characters"],
    ["password1234", "That would be guessed soon"],
    ["posylockhythe", "That would be guessed soon"],
  ] as const) {
    await posy.getByLabel("A password").fill(password);
    await posy.getByRole("button", { name: "Take it and sign in" }).click();
    await expect(posy.getByRole("alert").getByText(says)).toBeVisible();
  }
  await posy.getByLabel("A password").fill("seven herons under a bridge");
  await posy.getByRole("button", { name: "Take it and sign in" }).click();
  await expect(posy.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();
  const again = await elsewhere(browser);
  await again.goto(link);
  await expect(again.getByRole("heading", { name: "This link is good no more" })).toBeVisible();
  await fillSignIn(again, "POSY@LanternFen.example", "seven herons under a bridge");
  await expect(again.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();
});

test("one changes one's own password and sees where one is signed in; the others end", async ({
  page,
  browser,
}) => {
  const phone = await elsewhere(browser);
  for (const one of [page, phone]) {
    await fillSignIn(one, "tobin@lanternfen.example", "lantern on the causeway");
    await expect(one.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();
  }
  await page.goto(`${served.address}/me`);
  await expect(page.getByRole("button", { name: "End it" })).toHaveCount(1);
  await page.getByRole("button", { name: "End it" }).click();
  await expect(page.getByText("1 session ended.")).toBeVisible();
  await phone.goto(`${served.address}/cabinet`);
  await expect(phone.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await fillSignIn(phone, "tobin@lanternfen.example", "lantern on the causeway");
  await expect(phone.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();

  await page.getByLabel("The one you have").fill("not it at all");
  await page.getByLabel("The new one").fill("seven herons under a bridge");
  await page.getByRole("button", { name: "Change it" }).click();
  await expect(page.getByText("That is not your password.")).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel("The one you have").fill("lantern on the causeway");
  await page.getByLabel("The new one").fill("tobin tobin tobin");
  await page.getByRole("button", { name: "Change it" }).click();
  await expect(page.getByText("That would be guessed soon")).toBeVisible();
  await page.getByLabel("The one you have").fill("lantern on the causeway");
  await page.getByLabel("The new one").fill("seven herons under a bridge");
  await page.getByRole("button", { name: "Change it" }).click();
  await expect(page.getByText("Your password is changed")).toBeVisible();
  await phone.goto(`${served.address}/cabinet`);
  await expect(phone.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await page.goto(`${served.address}/cabinet`);
  await expect(page.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();
});

test("who is shelved is signed out and can come back; whose role changes signs in anew; the last keeper stays", async ({
  page,
  browser,
}) => {
  await signIn(page, served.address, "wren");
  const ida = await elsewhere(browser);
  await fillSignIn(ida, "ida@lanternfen.example", "lantern on the causeway");
  await expect(ida.getByRole("heading", { level: 1, name: /^(Cabinet|My radio)/ })).toBeVisible();
  const open = async (name: RegExp) => {
    await page.goto(`${served.address}/club`);
    await page.locator("table").getByRole("link", { name }).click();
    await expect(page.getByRole("heading", { level: 1, name })).toBeVisible();
  };
  await open(/^Ida/);
  await page.getByRole("button", { name: /on the shelf/ }).click();
  await expect(page).toHaveURL(/club$/);
  await ida.goto(`${served.address}/cabinet`);
  await expect(ida.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await page.locator("#shelf").getByRole("link", { name: /^Ida/ }).click();
  await page.getByRole("button", { name: /^Take Ida/ }).click();
  await expect(page.getByRole("button", { name: "Make a link" })).toBeVisible();
  await fillSignIn(ida, "ida@lanternfen.example", "lantern on the causeway");
  await expect(ida.getByRole("heading", { level: 1, name: /^(Cabinet|My radio)/ })).toBeVisible();
  await page.getByLabel("Role").selectOption("bench");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page).toHaveURL(/club$/);
  await ida.goto(`${served.address}/cabinet`);
  await expect(ida.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await open(/^Wren/);
  await page.getByLabel("Role").selectOption("member");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("The club needs a keeper who can sign in")).toBeVisible();
  await page.getByRole("button", { name: /on the shelf/ }).click();
  await expect(page.getByText("The club needs a keeper who can sign in")).toBeVisible();
});
