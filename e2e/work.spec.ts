// A change that touches thousands: the page says what is being worked out, and that line goes by itself when it is done.
import { expect, test } from "@playwright/test";
import { closePool, withClub } from "#db/pool.ts";
import { doWork } from "#db/work.ts";
import { type Served, serveFresh } from "./serve.ts";
import { signIn } from "./sign-in.ts";

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
