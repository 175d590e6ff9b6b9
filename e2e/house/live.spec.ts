// Pages follow what changes elsewhere: a wall that is open in one browser shows what is recorded in another.
import { expect, type Page } from "@playwright/test";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

const listens = (page: Page) => expect(page.locator("html[data-live]")).toBeAttached();

async function record(page: Page, tag: string, version: string): Promise<void> {
  await page.goto(`${served.address}/units/${tag}`);
  await page.getByLabel(`What does ${tag} show?`).fill(version);
  await page.getByRole("button", { name: "Record", exact: true }).click();
  await expect(page.getByText("Recorded", { exact: false }).first()).toBeVisible();
}

test("a reading recorded in one browser appears on the wall, in Due and on the unit's page of others", async ({
  page,
  browser,
}) => {
  const others = await Promise.all([1, 2].map(async () => (await browser.newContext()).newPage()));
  const [due, unit] = others as [Page, Page];
  for (const one of [page, ...others]) await signIn(one, served.address, "wren");
  const bench = await (await browser.newContext()).newPage();
  await signIn(bench, served.address, "juno");
  await page.goto(`${served.address}/cabinet?lens=firmware`);
  await due.goto(`${served.address}/due?do=install`);
  await unit.goto(`${served.address}/units/W-03`);
  for (const one of [page, due, unit]) await listens(one);
  const asked: string[] = [];
  page.on("request", (request) => asked.push(request.url()));
  const wall = page.getByRole("link", { name: /^W-03/ });
  const before = await wall.innerText();
  const inDue = due.getByRole("link", { name: "W-03", exact: true });
  await expect(inDue).toBeVisible();

  await record(bench, "W-03", "1.14");
  await expect(unit.getByText("1.14", { exact: true }).first()).toBeVisible();
  await expect(wall).not.toHaveText(before);
  await expect(inDue).toBeHidden();
  // It asked for the page once for the change, not again and again.
  expect(asked.filter((url) => url.includes("/cabinet.data")).length).toBeLessThanOrEqual(2);
  // It did not ask for anything else.
  expect(asked.filter((url) => !url.includes("/cabinet.data"))).toEqual([]);
});

test("a page that was away for a while is told what it missed; one whose session ends hears nothing more", async ({
  page,
  browser,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/units/W-04`);
  await listens(page);
  const bench = await (await browser.newContext()).newPage();
  await signIn(bench, served.address, "juno");

  await page.context().setOffline(true);
  await record(bench, "W-04", "0.8");
  await page.context().setOffline(false);
  await expect(page.getByText("0.8", { exact: true }).first()).toBeVisible();

  const cookies = await page.context().cookies();
  const cookie = cookies.map(({ name, value }) => `${name}=${value}`).join("; ");
  const stream = await fetch(`${served.address}/live`, { headers: { cookie } });
  expect(stream.headers.get("content-type")).toContain("text/event-stream");
  expect(stream.headers.get("content-encoding")).toBeNull();
  const rest = stream.text();
  await page.getByRole("link", { name: /Wren/ }).first().click();
  await page.getByRole("button", { name: "Sign out", exact: true }).click();
  await expect(page.getByLabel("Password")).toBeVisible();
  // It ends with the session; before that it said no more than its first number.
  expect(await rest).toMatch(/^retry: 2000\n\nid: \w+-\d+\ndata: \[\]\n\n(: \n\n)*$/);
  expect((await fetch(`${served.address}/live`, { headers: { cookie } })).status).toBe(401);
  expect((await fetch(`${served.address}/live`)).status).toBe(401);
});
