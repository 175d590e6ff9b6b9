// Five hundred radios: counts agree, what is alike is one row, and the wall is seen from farther away.
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

test("400 radios more: the rail and Due say one number; alike needs are one row, picked whole or in part; the wall fits two screens", async ({
  page,
}) => {
  test.slow();
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/import`);
  const rows = Array.from({ length: 400 }, (_, i) => `V-${i + 1},Wicket,1.08,Shelf ${(i % 4) + 1}`);
  await page.getByLabel(/paste/i).fill(["tag,model,version,place", ...rows].join("\n"));
  await page.getByRole("button", { name: /Look/ }).click();
  await page.getByRole("button", { name: /Bring in 400 radios/ }).click();
  const rail = page.getByRole("navigation", { name: "Areas" }).getByRole("link", { name: /^Due/ });
  await expect(rail).toContainText(/4\d\d/, { timeout: 60_000 });

  await page.goto(`${served.address}/due`);
  const count = /\d+/.exec((await rail.textContent()) ?? "")?.[0];
  expect(Number(count)).toBeGreaterThan(400);
  await expect(
    page.getByRole("main").getByText(`${count} radios need something`, { exact: true }),
  ).toBeVisible();
  const alike = page
    .getByRole("listitem")
    .filter({ hasText: /\d+ Wicket/ })
    .first();
  await expect(alike).toContainText("1.08");
  await expect(alike).toContainText("install 1.14");
  await expect(alike).toContainText("K-07");
  await alike.locator("summary").click();
  await expect(alike.getByRole("checkbox", { name: "Pick V-400", exact: true })).toBeVisible();
  await alike.getByRole("checkbox", { name: /^Pick all/ }).check();
  await expect(alike.getByRole("checkbox", { name: "Pick V-7", exact: true })).toBeChecked();
  await alike.getByRole("checkbox", { name: "Pick V-7", exact: true }).uncheck();
  await page.getByLabel("leave alone until").fill("2999-01-01");
  await page.getByLabel("because").fill("after the fair");
  await page.getByRole("button", { name: "Put on hold" }).click();
  await expect(page.getByText(/\d{3} radios on hold\./)).toBeVisible();
  await expect(page.getByRole("link", { name: "V-7", exact: true }).first()).toBeVisible();
  await expectAccessible(page);

  await page.goto(`${served.address}/cabinet`);
  await expect(page.getByRole("link", { name: "Step nearer" })).toBeVisible();
  const height = await page.evaluate(() => document.documentElement.scrollHeight);
  expect(height).toBeLessThanOrEqual(1600);
  const board = page.locator("details.board").first();
  await board.locator("summary").click();
  await board.getByRole("link").first().click();
  await expect(page.getByRole("region", { name: /^Radio / })).toBeVisible();
  await expectAccessible(page);
});
