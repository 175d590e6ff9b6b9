// A sheet from upload to cabinet, and what goes out again.
import { expect } from "@playwright/test";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

const sheet = (name: string, text: string | Buffer) => ({
  name,
  mimeType: "text/csv",
  buffer: Buffer.from(text),
});

test("upload, match, mend, bring in; the same file again changes nothing", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/import`);
  const csv =
    "Radio;Model;Location;FW version;Checked\nZ-01;Wicket;Shelf 5;1,08;3.11.2026\nZ-02;Gorsebush;Loft;1,10;31.12.2030\nZ-01;Wicket;;;\n";
  await page.getByLabel("A file: CSV or TSV").setInputFiles(sheet("stock.csv", csv));
  await page.getByRole("button", { name: "Look at it" }).click();
  await expect(page.getByText("Found: UTF-8, parted by semicolon.")).toBeVisible();
  await expect(page.getByLabel("Decimal sign")).toHaveValue(",");
  await expect(page.getByText("the same tag stands in row 2")).toBeVisible();
  await expect(page.getByText("2030-12-31 lies ahead")).toBeVisible();
  await page.getByRole("button", { name: /Bring in 1 radio/ }).click();
  await expect(page.getByText("Some rows have problems.")).toBeVisible();
  await page.getByLabel("leave those out").check();
  await page.getByRole("button", { name: /Bring in 1 radio/ }).click();
  // What was left out is listed, with why.
  const left = page.getByRole("status").filter({ hasText: "1 radio brought in, 2 rows left out" });
  await expect(left.getByRole("listitem").filter({ hasText: "Z-02" })).toContainText("2030-12-31 lies ahead");
  await left.getByRole("link", { name: "To the Cabinet" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();
  await page.goto(`${served.address}/units/Z-01`);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("2 releases behind");
  await page.goto(`${served.address}/import`);
  await page
    .getByLabel("Or paste the rows here")
    .fill("tag\tmodel\tplace\tversion\nZ-01\tWicket\tShelf 5\t1.08");
  await page.getByRole("button", { name: "Look at it" }).click();
  await expect(page.getByRole("button", { name: "Nothing would change" })).toBeVisible();
});

test("versions of several parts: a column for each, a row for each, and our own file as it went out", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  const look = async (text: string) => {
    await page.goto(`${served.address}/import`);
    await page.getByLabel("A file: CSV or TSV").setInputFiles(sheet("parts.csv", text));
    await page.getByRole("button", { name: "Look at it" }).click();
  };
  await look("tag;model;main version;Bluetooth FW;voice\nY-01;Gorsebush II;1.2;7;v3\n");
  await expect(page.getByRole("combobox", { name: "Bluetooth FW" })).toHaveValue("reading:bluetooth");
  // A part that the club has no name for is called as its column is.
  await page.getByRole("combobox", { name: "voice" }).selectOption("version of voice");
  await page.getByRole("button", { name: "Look again" }).click();
  await expect(page.getByText("parts main, bluetooth and voice")).toBeVisible();
  await page.getByRole("button", { name: "Bring in 1 radio" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();
  await page.goto(`${served.address}/units/Y-01`);
  for (const version of ["1.2", "7", "v3"]) {
    await expect(page.getByText(version, { exact: true }).first()).toBeVisible();
  }
  await look("tag,part,version\nY-01,bluetooth,8\nY-01,main,1.2\nY-01,panel,1\n");
  await expect(page.getByText("the model has no part called panel")).toBeVisible();
  await expect(page.getByRole("cell", { name: "2, 3, 4", exact: true })).toBeVisible();
  await look(await (await page.request.get(`${served.address}/out/units.csv`)).text());
  await expect(page.getByRole("button", { name: "Nothing would change" })).toBeVisible();
});

test("what is no table is answered, and what was pasted stays", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/import`);
  await page
    .getByLabel("A file: CSV or TSV")
    .setInputFiles(sheet("a.csv", Buffer.from([80, 75, 3, 4, 0, 0, 1])));
  await page.getByRole("button", { name: "Look at it" }).click();
  await expect(page.getByText("That is not a table of text.")).toBeVisible();
  await page.getByLabel("Or paste the rows here").fill('tag,model\n"W-1, the first,Wicket');
  await page.getByRole("button", { name: "Look at it" }).click();
  await expect(page.getByText("never closes")).toBeVisible();
  await expect(page.getByLabel("Or paste the rows here")).toHaveValue('tag,model\n"W-1, the first,Wicket');
});

test("units go out as CSV and JSON", async ({ page }) => {
  await signIn(page, served.address, "wren");
  const csv = await (await page.request.get(`${served.address}/out/units.csv`)).text();
  expect(csv.split("\r\n")[0]).toContain("tag,maker,model,");
  expect(csv).toContain("W-03,Fenwright,Wicket");
  const json = await (await page.request.get(`${served.address}/out/units.json`)).json();
  expect(json).toMatchObject({ format: "mossy-cabinet/units", version: 1, club: "Lanternfen Radio Circle" });
  const needs = await (await page.request.get(`${served.address}/out/needs.csv`)).text();
  const open = json.units.flatMap((unit: { needs: unknown[] }) => unit.needs).length;
  expect(needs.trim().split("\r\n")).toHaveLength(open + 1);
  const releases = await (await page.request.get(`${served.address}/out/releases.csv`)).text();
  expect(releases.trim().split("\r\n")).toHaveLength(json.releases.length + 1);
  expect((await page.request.get(`${served.address}/out/other.csv`)).status()).toBe(404);
  const schema = await (await page.request.get(`${served.address}/out/units.schema.json`)).json();
  expect(Object.keys(schema.properties)).toEqual(Object.keys(json));
  expect(json.units.find((u: { tag: string }) => u.tag === "H-01").needs[0]).toMatchObject({
    kind: "firmware",
    target: "2.2.0",
    urgency: "safety",
  });
});
