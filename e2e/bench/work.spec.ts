// A change that touches thousands: the page says what is being worked out, and that line goes by itself when it is done.
import { expect } from "@playwright/test";
import { announce } from "#db/live.ts";
import { closePool, withClub } from "#db/pool.ts";
import { doWork } from "#jobs/needs.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;

test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(async () => {
  await served.stop();
  await closePool();
});

test("work under way is shown with how far it is, and its line goes when it is done", async ({ page }) => {
  const actor = { club: "1", person: "1" };
  const job = await withClub(actor, async (tx) => {
    const { rows } = await tx.query<{ id: string }>(
      "insert into work (club_id, scope, why, total, started_by) values (current_club(), '{\"of\":\"club\"}', 'main 9.9', 64, 1) returning id",
    );
    return { ...actor, work: rows[0]?.id ?? "" };
  });
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/due`);
  const line = page.getByText("Working out what 64 radios need after a change to main 9.9; 0 done");
  await expect(line).toBeVisible();
  await expect(page.getByRole("progressbar")).toHaveAttribute("max", "64");
  await doWork(job, 10);
  await expect(line).toBeHidden();
  await expect(page.getByRole("heading", { level: 1, name: "Due" })).toBeVisible();
});

test("while the page asks again and again, a form keeps what is typed, and still knows what it was drawn from", async ({
  page,
  browser,
}) => {
  await withClub({ club: "1", person: "1" }, (tx) =>
    tx.query(
      "insert into work (club_id, scope, why, total, started_by) values (current_club(), '{\"of\":\"club\"}', 'main 9.9', 64, 1)",
    ),
  );
  const other = await (await browser.newContext()).newPage();
  for (const one of [page, other]) await signIn(one, served.address, "wren");
  const saved = async (path: string, fill: (on: typeof page) => Promise<void>) => {
    await other.goto(served.address + path);
    await fill(other);
    await other.getByRole("button", { name: "Save", exact: true }).click();
    await expect(other).not.toHaveURL(served.address + path);
    // The page is asked for again, and knows of it.
    for (let i = 0; i < 2; i++) {
      const again = page.waitForResponse((answer) => answer.url().includes(".data"));
      await withClub({ club: "1", person: "1" }, (tx) => announce(tx, ["work"]));
      await again;
    }
  };

  await page.goto(`${served.address}/units/W-04/edit`);
  await expect(page.locator("html[data-live]")).toBeAttached();
  await page.getByLabel("Note").fill("mine");
  await saved("/units/W-04/edit", (on) => on.getByLabel("Serial number").fill("FW-77"));
  await expect(page.getByLabel("Note")).toHaveValue("mine");
  await expect(page.getByLabel("Serial number")).not.toHaveValue("FW-77");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page).toHaveURL(/units\/W-04$/);
  await page.goto(`${served.address}/units/W-04/edit`);
  await expect(page.getByLabel("Note")).toHaveValue("mine");
  await expect(page.getByLabel("Serial number")).toHaveValue("FW-77");

  await page.goto(`${served.address}/models/1/releases/1`);
  await expect(page.locator("html[data-live]")).toBeAttached();
  await page.getByLabel("Notes").fill("mine");
  await saved("/models/1/releases/1", (on) => on.getByLabel("Notes").fill("theirs"));
  await expect(page.getByLabel("Notes")).toHaveValue("mine");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Somebody has made this “theirs” meanwhile.")).toBeVisible();
  await expect(page.getByLabel("Notes")).toHaveValue("mine");
});
