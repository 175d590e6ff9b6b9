// From an empty cabinet to the first verdict, as somebody new would go; and what is offered on the way.
import { expect, type Page } from "@playwright/test";
import { expectAccessible } from "../accessible.ts";
import { type Served, serveFresh } from "../serve.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("empty");
});
test.afterAll(() => served.stop());

async function found(page: Page) {
  await page.goto(served.address);
  await page.getByLabel("Name of the club").fill("Alder Ford Radio");
  await page.getByLabel("Your name").fill("Ash Holloway");
  await page.getByLabel("Your e-mail").fill("ash@alderford.example");
  await page.getByLabel("A password").fill("seven herons under a bridge");
  await page.getByRole("button", { name: "Found the club" }).click();
  await expect(page.getByRole("heading", { name: "The cabinet is empty" })).toBeVisible();
}

test("from an empty cabinet to the first verdict in under fifteen acts", async ({ page }) => {
  await found(page);
  await expect(page.getByText("Every radio is as it should be")).toHaveCount(0);
  await expectAccessible(page);
  let acts = 0;
  const press = async (role: "link" | "button", name: string | RegExp) => {
    acts++;
    await page.getByRole(role, { name }).first().click();
  };
  const fill = async (label: string | RegExp, text: string) => {
    acts++;
    await page.getByLabel(label, { exact: true }).fill(text);
  };
  await press("link", /^Type one radio/);
  await fill("Tag", "AF-1");
  await fill("Model", "Sedge 5");
  await press("button", "Put it in the cabinet");
  await expect(page.getByText("We have not read this radio yet.").first()).toBeVisible();
  await fill("What does AF-1 show?", "1.08");
  await press("button", "Record");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/no release|nothing to compare/i);
  await press("link", "Cabinet");
  await expect(page.getByText("AF-1: not in our list of releases.")).toBeVisible();
  await press("link", "Add a release of Sedge 5");
  await fill("Version", "1.14");
  await fill("Released on", "2026-05-02");
  await press("button", "Add it");
  await expect(page.getByRole("heading", { level: 1, name: "Sedge 5" })).toBeVisible();
  await press("link", "Cabinet");
  await expect(page.getByText(/1 radio: 0 as they should be, 1 need something/)).toBeVisible();
  expect(acts).toBeLessThan(15);
  // The README tells this number.
  expect(acts).toBe(12);
});

test("a step that is not wanted is gone, and stays gone; the others go as they are done", async ({
  page,
}) => {
  await page.goto(`${served.address}/sign-in`);
  await page.getByLabel("E-mail").fill("ash@alderford.example");
  await page.getByLabel("Password").fill("seven herons under a bridge");
  await page.getByRole("button", { name: "Sign in" }).click();
  const steps = page.getByRole("region", { name: "What comes next" });
  await expect(steps.getByRole("heading", { level: 3 })).toHaveText([
    "The radios done",
    "The releases of their models done",
    "What the radios run done",
    "Connectors, leads and computers next",
    "The people later",
  ]);
  await steps.getByRole("button", { name: "Not wanted: The people" }).click();
  await expect(steps.getByText("The people")).toHaveCount(0);
  await page.reload();
  await expect(steps.getByText("The people")).toHaveCount(0);
  await steps.getByRole("link", { name: "Add a lead" }).click();
  await page.getByLabel("Tag", { exact: true }).fill("K-1");
  await page.getByLabel("At the radio", { exact: true }).fill("side plug");
  await page.getByLabel("At the computer", { exact: true }).fill("Side  Plug");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("side plug to side plug")).toBeVisible();
  await page.goto(`${served.address}/kit/computers/new`);
  await page.getByLabel("Name", { exact: true }).fill("bench laptop");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("bench laptop").first()).toBeVisible();
  await page.goto(`${served.address}/cabinet`);
  await expect(page.getByRole("heading", { level: 2, name: "What the cabinet needs" })).toBeVisible();
  await expect(steps).toHaveCount(0);
});

test("2.9 against 2.10: the page asks how the model counts, with both orders; one press, and there is a verdict", async ({
  page,
}) => {
  await page.goto(`${served.address}/sign-in`);
  await page.getByLabel("E-mail").fill("ash@alderford.example");
  await page.getByLabel("Password").fill("seven herons under a bridge");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();
  await page.goto(`${served.address}/models/new`);
  await page.getByLabel("Name", { exact: true }).fill("Reed 9");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page).toHaveURL(/models\/\d+$/);
  const model = page.url();
  await page.goto(`${served.address}/units/new`);
  await page.getByLabel("Tag", { exact: true }).fill("AF-9");
  const field = page.getByLabel("Model", { exact: true });
  await field.selectOption(
    (await field.locator("option", { hasText: "Reed 9" }).getAttribute("value")) ?? "",
  );
  await page.getByRole("button", { name: "Put it in the cabinet" }).click();
  await expect(page.getByText("We have not read this radio yet.").first()).toBeVisible();
  await page.getByLabel("What does AF-9 show?").fill("2.9");
  await page.getByRole("button", { name: "Record" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/nothing to compare|no release/i);
  await page.goto(`${model}/releases/new`);
  await page.getByLabel("Version", { exact: true }).fill("2.10");
  await page.getByLabel("Released on").fill("2026-05-02");
  await page.getByRole("button", { name: "Add it" }).click();
  await expect(page).toHaveURL(model);
  await page.goto(`${served.address}/due`);
  await page.getByRole("link", { name: "AF-9" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(
    /how does this model number its releases\?$/,
  );
  const ways = page.getByRole("list", { name: "How do they count?" }).getByRole("listitem");
  await expect(ways).toHaveCount(2);
  await expect(ways.filter({ hasText: "number by number" })).toHaveText(/then it is older than 2\.10/);
  await expect(ways.filter({ hasText: "decimal fraction" })).toHaveText(/then it is newer than 2\.10/);
  await expectAccessible(page);
  // In Due it is the same press.
  await page.goto(`${served.address}/due`);
  await expect(ways).toHaveCount(2);
  await expectAccessible(page);
  await ways.filter({ hasText: "older than" }).getByRole("button").click();
  await expect(page.getByText(/^Confirmed: main counts number by number/)).toBeVisible();
  await page.goto(`${served.address}/units/AF-9`);
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/1 release behind/);
});
