// What one page says of a radio, the next one says too.
import { expect } from "@playwright/test";
import { openAwake } from "../awake.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

test("an update takes as long on its radio's page as at the bench; what is at the bench is not called ready for it", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/cabinet`);
  const ready = page.getByRole("heading", { name: /radios can be updated now$/ });
  const before = Number(/\d+/.exec((await ready.textContent()) ?? "")?.[0]);
  await openAwake(page, `${served.address}/units/W-03`);
  const way = page.getByRole("heading", { name: /Way to 1\.14/ });
  await expect(way).toContainText(
    /^Way to 1\.14 2 installs, about \d+ minutes at the bench, 9 of them installing/,
  );
  const told = /about (.+?) at the bench/.exec((await way.textContent()) ?? "")?.[1] ?? "";
  await page.getByRole("button", { name: "Update it" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Update main to 1.14");
  await expect(page.getByText(`on W-03, about ${told}.`)).toBeVisible();
  await page.goto(`${served.address}/cabinet`);
  await expect(page.getByRole("heading", { name: `${before - 1} radios can be updated now` })).toBeVisible();
  const bench = page.getByRole("listitem").filter({ hasText: "at the bench already" });
  await expect(bench).toContainText("W-03");
});

test("where nothing of ours reaches in, its page offers what is missing, and no update", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/cabinet`);
  const waits = page.getByRole("listitem").filter({ hasText: /wait(s)? for kit/ });
  const [tag = ""] = /[A-Z]-\d\d/.exec((await waits.textContent()) ?? "") ?? [];
  await page.goto(`${served.address}/units/${tag}`);
  await expect(page.getByRole("button", { name: "Update it" })).toHaveCount(0);
  await page.getByRole("link", { name: "See what is missing" }).first().click();
  await expect(page).toHaveURL(/\/kit\?unit=/);
});

test("what is picked in Due is lined up for what it needs: to be read where it is to be read", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await openAwake(page, `${served.address}/due?do=read`);
  await page.getByRole("checkbox", { name: "Pick H-10" }).first().check();
  await page.getByRole("button", { name: "Line them up", exact: true }).click();
  await expect(page.getByText("1 radio lined up.")).toBeVisible();
  await page.getByRole("link", { name: "H-10", exact: true }).first().click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("How main shows its version");
  // What is due for it and is nothing for the bench is said.
  await openAwake(page, `${served.address}/due?do=ask-for`);
  const first = page.getByRole("checkbox", { name: /^Pick / }).first();
  const tag = ((await first.getAttribute("aria-label")) ?? "").replace("Pick ", "");
  await first.check();
  await page.getByRole("button", { name: "Line them up", exact: true }).click();
  await expect(
    page.getByText(new RegExp(`${tag} needs nothing that is done at the bench|1 radio lined up`)),
  ).toBeVisible();
});
