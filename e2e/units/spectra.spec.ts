// Harmonics: a meter's table comes in, what is found in it is shown before it is kept; each is held against the club's own limit.
import { expect, type Page } from "@playwright/test";
import { expectAccessible } from "../accessible.ts";
import { openAwake } from "../awake.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

const press = (page: Page, name: string) => page.getByRole("button", { name, exact: true }).first().click();
/** The row of a harmonic in the newest spectrum. */
const row = (page: Page, harmonic: number) =>
  page
    .getByRole("table")
    .first()
    .getByRole("row")
    .filter({ has: page.getByRole("rowheader", { name: new RegExp(`^${harmonic}\\. `) }) });

test("what keeps to the limit, what does not, and what cannot be told", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/M-03`);
  await page.getByRole("link", { name: "its harmonics" }).click();
  await expect(page.getByRole("heading", { level: 2 }).first()).toContainText(
    "Circle's own mark: cannot be told",
  );
  await expect(row(page, 2)).toContainText("-17.5 to -13.5");
  await expect(row(page, 2)).toContainText("cannot tell: the limit lies within what the meter may be off by");
  await expectAccessible(page);
  await page.goto(`${served.address}/units/W-15/spectrum`);
  await expect(row(page, 2)).toContainText("fails");
  await page.goto(`${served.address}/units/W-13/spectrum`);
  await expect(page.getByRole("heading", { level: 2 }).first()).toContainText("keeps to it");
});

test("a table of a meter is looked at, its columns corrected, and kept; what was typed stays", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-01/spectrum`);
  await press(page, "Look at it");
  await expect(page.getByText("Choose the meter's table, or type its lines.")).toBeVisible();
  const sweep = Array.from({ length: 60 }, (_, i) => {
    const mhz = (i + 1) * 14.55;
    const dbm = { 10: -3, 20: -66.5, 30: -85 }[i + 1] ?? -90;
    return `${mhz.toFixed(3).replace(".", ",")};${String(dbm - 20).replace(".", ",")};${String(dbm).replace(".", ",")}`;
  });
  await page.getByLabel("The meter's table, as CSV").setInputFiles({
    name: "sweep.csv",
    mimeType: "text/csv",
    buffer: Buffer.from(["Sweep of the evening", "MHz;Trace A dBm;Trace B dBm", ...sweep].join("\r\n")),
  });
  await page.getByLabel("Note").fill("first try");
  await press(page, "Look at it");
  await expect(page.getByText("The carrier on 145.500 MHz, -23 dBm at the meter")).toBeVisible();
  await expect(page.getByLabel("Note")).toHaveValue("first try");
  await page.getByLabel("Level is in").selectOption({ label: "Trace B dBm" });
  await press(page, "Look again");
  await expect(page.getByText("The carrier on 145.500 MHz, -3 dBm at the meter")).toBeVisible();
  await expectAccessible(page);
  await page
    .getByLabel("With", { exact: true })
    .selectOption({ label: "MS-1, pocket spectrum meter (2 dB)" });
  await page.getByLabel("Its own noise, dBm (may stay empty)").fill("-84");
  await page.getByLabel("On which day (empty: today)").fill("2199-01-01");
  await press(page, "Keep it");
  await expect(page.getByText("That day has not come yet")).toBeVisible();
  await page.getByLabel("On which day (empty: today)").fill("");
  await press(page, "Keep it");
  await expect(page.getByText("Written down.")).toBeVisible();
  await expect(row(page, 2)).toContainText("passes");
  await expect(row(page, 3)).toContainText("or less");
});

test("typed lines: a harmonic above its carrier is asked about; without the meter's error nothing is judged", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-02/spectrum`);
  const lines = page.getByLabel("Or its lines: megahertz and dBm, one pair a line");
  await lines.fill("145.5 -3\n291 2");
  await press(page, "Look at it");
  await expect(page.getByText("No column of it could be levels")).toBeVisible();
  await lines.fill("145.5; -3\n291; 2\n436.5; over");
  await page.getByLabel("Carrier, MHz (empty: the highest line)").fill("145500");
  await press(page, "Look at it");
  await expect(page.getByText("If it was meant in kilohertz, write 145.5.")).toBeVisible();
  await page.getByLabel("Carrier, MHz (empty: the highest line)").fill("145.5");
  await press(page, "Look at it");
  await expect(page.getByText("Row 3: “over” is no number")).toBeVisible();
  await press(page, "Keep it");
  await expect(page.getByText("291.000 MHz is stronger than what is called the carrier")).toBeVisible();
  await lines.fill("145.5; -3\n291; -80");
  await press(page, "Keep it");
  await expect(page.getByText("Written down.")).toBeVisible();
  await expect(row(page, 2)).toContainText("cannot tell: nobody knows by how many decibels the meter is off");
  await page.getByText("Strike it").first().click();
  await page.getByLabel("Why").fill("the wrong radio");
  await press(page, "Strike");
  await expect(page.getByRole("heading", { name: /^Struck/ })).toBeVisible();
});

test("limits are the club's own: written with their source, corrected, shelved", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/club`);
  await page.getByRole("link", { name: "limits for harmonics" }).click();
  await expect(
    page.getByText("60 dB below the carrier at least, -16 dBm at most; the laxer one counts"),
  ).toBeVisible();
  await page.getByRole("link", { name: "Add one" }).click();
  await press(page, "Save");
  await expect(page.getByText("Say how far below the carrier, or how much at most, or both.")).toBeVisible();
  await page.getByLabel("What it is called").fill("circle's OWN mark");
  await page.getByLabel("No more than, dBm").fill("-30");
  await page.getByLabel("Where it is from").fill("the bench");
  await press(page, "Save");
  await expect(page.getByText("There is a limit of that name already.")).toBeVisible();
  await page.getByLabel("What it is called").fill("Bench mark");
  await expectAccessible(page);
  await press(page, "Save");
  await page.getByRole("link", { name: "Correct Bench mark" }).click();
  await press(page, "Shelve it");
  await expect(page.getByText("Bench mark")).toHaveCount(0);
});

test("a frequency error is noted in hertz and told in parts per million; without its frequency it is asked for", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await openAwake(page, `${served.address}/units/W-04/measured`);
  await page.getByLabel("What", { exact: true }).selectOption("frequency error");
  await page.getByLabel("What the meter shows").fill("-290 Hz");
  await page
    .getByLabel("With", { exact: true })
    .selectOption({ label: "MF-1, frequency counter (2 parts in a million)" });
  await page.getByRole("button", { name: "Write it down" }).click();
  await expect(page.getByRole("alert")).toContainText("Say on which frequency");
  await expect(page.getByLabel("What the meter shows")).toHaveValue("-290 Hz");
  await page.getByLabel(/^On, MHz/).fill("145");
  await page.getByRole("button", { name: "Write it down" }).click();
  const row = page.getByRole("row", { name: /-290 Hz/ });
  await expect(row).toContainText("-2 ppm");
  await expect(row).toContainText("-580.0 to 0.0 Hz");
  await expect(row).toContainText("cannot tell");
});
