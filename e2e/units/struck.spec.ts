// What was wrong is put right without being lost: readings struck and dated back, tries struck, a sheet's doubts asked about.
import { expect } from "@playwright/test";
import pg from "pg";
import { expectAccessible } from "../accessible.ts";
import { openAwake } from "../awake.ts";
import { openThing } from "../kit/kit-page.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

test("a wrong reading is struck with a reason, stays crossed out, and what was read before counts again", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/units/W-03`);
  const heading = page.getByRole("heading", { level: 1 });
  const before = await heading.innerText();
  await page.getByLabel("What does W-03 show?").fill("99.99");
  await expect(page.getByText(/^main 99.99: /)).toBeVisible();
  await page.getByRole("button", { name: "Record" }).click();
  await expect(heading).not.toHaveText(before);
  const row = page.locator("#readings").getByRole("row").filter({ hasText: "99.99" });
  await row.getByText("Strike it").click();
  await row.getByRole("button", { name: "Strike" }).click();
  // Without a reason it is not done.
  await expect(row.locator("s")).toHaveCount(0);
  await row.getByLabel("Why the reading 99.99 is wrong").fill("that was the battery");
  await row.getByRole("button", { name: "Strike" }).click();
  await expect(row.locator("s")).toHaveText("99.99");
  await expect(row).toContainText("that was the battery");
  await expect(heading).toHaveText(before);
  await expectAccessible(page);
  await page.goto(`${served.address}/log`);
  await expect(page.getByText("that was the battery").first()).toBeVisible();
});

test("a reading is dated back, never ahead; an older one hides no newer one", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/units/W-04`);
  const heading = page.getByRole("heading", { level: 1 });
  const before = await heading.innerText();
  await page.getByText("It was on another day").click();
  const day = page.getByLabel("Read on");
  await page.getByLabel("What does W-04 show?").fill("1.02");
  await day.evaluate((field: HTMLInputElement) => field.removeAttribute("max"));
  await day.fill("2090-01-01");
  await page.getByRole("button", { name: "Record" }).click();
  await expect(page.getByText("it may lie behind, not ahead")).toBeVisible();
  await expect(page.getByLabel("What does W-04 show?")).toHaveValue("1.02");
  await day.fill("2019-03-02");
  await page.getByRole("button", { name: "Record" }).click();
  const row = page.locator("#readings").getByRole("row").filter({ hasText: "2019" });
  await expect(row).toContainText("1.02");
  await expect(heading).toHaveText(before);
});

test("a try that was none is struck, and the chain is as it was before it", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/P-04`);
  const tooling = page.locator("#tooling");
  await tooling.getByRole("button", { name: "It failed" }).first().click();
  await expect(page.getByRole("status").filter({ hasText: "Noted: it failed with" })).toBeVisible();
  await page.goto(`${served.address}/units/P-04`);
  await expect(tooling.getByText(/failed 1 of 1/).first()).toBeVisible();
  await openThing(page, served.address, "Moth phone");
  await page.getByText("Strike it").first().click();
  await page
    .getByLabel(/^Why this try counts no more/)
    .first()
    .fill("it was another radio");
  await page.getByRole("button", { name: "Strike", exact: true }).first().click();
  await expect(page.getByText(/struck: .*it was another radio/)).toBeVisible();
  await page.goto(`${served.address}/units/P-04`);
  await expect(tooling.getByText(/failed 1 of 1/)).toHaveCount(0);
});

test("a sheet's doubts are asked about: a near name, a missing day, words for nothing; the answers stay", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/import`);
  const text =
    "Radios of the circle\ntag,model,version,shade\nQ-01,Wiket,1.08,grey\nQ-02,Wicket,unread,green\nQ-03,Wicket,1.08,\n";
  await page
    .getByLabel("A file: CSV or TSV")
    .setInputFiles({ name: "q.csv", mimeType: "text/csv", buffer: Buffer.from(text) });
  await page.getByRole("button", { name: "Look at it" }).click();
  await expect(page.getByText("“shade” (2 cells)")).toBeVisible();
  await expect(page.getByText("“Radios of the circle” above the columns")).toBeVisible();
  const near = page.getByLabel("“Wiket” is nearly a model of ours");
  const wicket = near.locator("option").filter({ hasText: /it is the .*Wicket$/ });
  await near.selectOption(await wicket.first().getAttribute("value"));
  const nothing = page.getByLabel("Words that mean nothing");
  await nothing.fill(`${await nothing.inputValue()}, unread`);
  await page.getByRole("button", { name: "Look again" }).click();
  await expect(page.getByText("3 new, 0 changed")).toBeVisible();
  await expect(page.getByLabel("“wiket” is nearly a model of ours")).toHaveValue(/.+/);
  await expect(nothing).toHaveValue(/unread/);
  await expectAccessible(page);
  await page.getByRole("button", { name: "Bring in 3 radios" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();
  await page.goto(`${served.address}/units/Q-01`);
  await expect(page.getByText("day not known")).toBeVisible();
  await expect(page.getByText("nobody knows the day of this one").first()).toBeAttached();
  await page.goto(`${served.address}/units/Q-02`);
  await expect(page.getByText("We have not read this radio yet.").first()).toBeVisible();
});

test("whoever is not in the club comes in with the sheet, if that is wanted; a cell is corrected where it stands", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await openAwake(page, `${served.address}/import`);
  await page
    .getByLabel(/paste/i)
    .fill(
      "tag,model,with\nR-81,Wicket,Isa Quillfold\nR-82,Wicket,Juno\nR-83,Wicket,isa quillfold\nR/84,Wicket,\nR-85,Wicket,to",
    );
  await page.getByRole("button", { name: "Look at it" }).click();
  await expect(page.getByText("4 rows with a problem")).toBeVisible();
  // By the name that she has here.
  await expect(page.getByText("lent to Juno Reedholm")).toBeVisible();
  await page.getByLabel("Add Isa Quillfold to the club").check();
  const row = (name: RegExp) => page.getByRole("row").filter({ hasText: name });
  await row(/R\/84/).getByText("Correct it here").click();
  await row(/R\/84/).getByLabel("tag", { exact: true }).fill("R-84");
  await row(/R-85/).getByText("Correct it here").click();
  await row(/R-85/).getByLabel("with", { exact: true }).fill("");
  await expectAccessible(page);
  await row(/R-85/).getByRole("button", { name: "Look again" }).click();
  await expect(page.getByText("5 new, 0 changed, 0 the same")).toBeVisible();
  await expect(page.getByLabel("Add Isa Quillfold to the club")).toBeChecked();
  await page.getByRole("button", { name: "Bring in 5 radios" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();
  await page.goto(`${served.address}/club/people`);
  await expect(page.getByText("Isa Quillfold")).toHaveCount(1);
  for (const [tag, holder] of [
    ["R-81", "Isa Quillfold"],
    ["R-83", "Isa Quillfold"],
    ["R-82", "Juno Reedholm"],
  ]) {
    await page.goto(`${served.address}/units/${tag}`);
    await expect(page.getByText(`With ${holder} since`)).toBeVisible();
  }
  await page.goto(`${served.address}/units/R-84`);
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("We have not read this radio yet");
});

test("a log that tells of a day to come is said on every page, until that day is past", async ({ page }) => {
  await signIn(page, served.address, "ida");
  await page.goto(`${served.address}/cabinet`);
  const alarm = page.getByRole("alert").filter({ hasText: "The server's clock is wrong, or was" });
  await expect(alarm).toHaveCount(0);
  const owner = new pg.Client({ connectionString: served.ownerUrl });
  await owner.connect();
  const { rows } = await owner.query(
    "insert into log (club_id, kind, detail, at) select id, 'club-founded', '{}', now() + interval '400 days' from club returning id, extract(year from at)::text as year",
  );
  await page.goto(`${served.address}/due`);
  await expect(alarm).toContainText(rows[0].year);
  await expectAccessible(page);
  await owner.query("alter table log disable trigger user");
  await owner.query("update log set at = now() where id = $1", [rows[0].id]);
  await owner.query("alter table log enable trigger user");
  await owner.end();
  await page.goto(`${served.address}/cabinet`);
  await expect(alarm).toHaveCount(0);
});
