// Two models that are one: shown before it is done, refused of itself; the old address leads on.
import { expect } from "@playwright/test";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

test("a model entered twice is merged: what would be gained is shown, its radio goes along, its address leads on", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/models/new`);
  await page.getByLabel("Name", { exact: true }).fill("Wicket Mark One");
  await page.getByLabel("Endings its versions carry").fill("-zz");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Wicket Mark One");
  const gone = new URL(page.url()).pathname;
  await page.goto(`${served.address}/units/new`);
  await page.getByLabel("Tag", { exact: true }).fill("Z-41");
  await page.getByLabel("Model", { exact: true }).selectOption("Wicket Mark One (maker unknown)");
  await page.getByRole("button", { name: "Put it in the cabinet" }).click();
  await expect(page).toHaveURL(/Z-41/);

  await page.goto(`${served.address}${gone}/edit`);
  await page.getByRole("link", { name: "the same as another model" }).click();
  await page.goto(`${served.address}${gone}/merge?into=${gone.split("/").at(-1)}`);
  await expect(page.getByText("That is Wicket Mark One itself")).toBeVisible();
  await page.getByLabel("The one that stays").selectOption("Wicket");
  await page.getByRole("button", { name: "Show what that would do" }).click();
  await expect(page.getByText("1 radio of Wicket Mark One become")).toBeVisible();
  await expect(page.getByRole("heading", { name: "Wicket would gain" })).toBeVisible();
  await expect(page.getByRole("checkbox", { name: /what it is/ })).toBeChecked();
  await page.getByRole("button", { name: "Merge Wicket Mark One into Wicket" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Wicket");
  await expect(page.getByText("Wicket Mark One")).toBeVisible();
  await page.goto(`${served.address}${gone}`);
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Wicket");
  await page.goto(`${served.address}/units/Z-41`);
  await expect(page.getByRole("main")).toContainText("Wicket");
  await page.goto(`${served.address}/log`);
  await expect(page.getByText("merged the model Wicket Mark One into Wicket: 1 unit")).toBeVisible();
});
