import { expect, type Page } from "@playwright/test";
import { firmwareImage } from "#simulators/firmware.ts";
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

const modelPath = async (page: Page, name: string): Promise<string> => {
  await page.goto(`${served.address}/models`);
  const link = page.getByRole("link", { name, exact: true });
  return (await link.getAttribute("href")) ?? "";
};

test("a procedure is written by keyboard, warned of, confirmed, and printed", async ({ page }) => {
  await signIn(page, served.address, "juno");
  const wicket = await modelPath(page, "Wicket");
  await openAwake(page, `${served.address}${wicket}/procedures/new/edit`);
  await page.getByLabel("What it does, in a few words").focus();
  await page.keyboard.type("Show the lamp test");
  await page.getByLabel("Steps, one a line").focus();
  await page.keyboard.type("watch lamp green; 5 s\nhold talk + 4, turn on, 3 s; lamp white\nturn off");
  // "turn off" belongs first: up twice.
  await page.keyboard.press("Alt+ArrowUp");
  await page.keyboard.press("Alt+ArrowUp");
  await expect(page.getByLabel("Steps, one a line")).toHaveValue(
    "turn off\nwatch lamp green; 5 s\nhold talk + 4, turn on, 3 s; lamp white",
  );
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowDown");
  await expect(page.getByRole("img", { name: /Hold talk and 4, and turn it on/ })).toBeVisible();
  await page.keyboard.press("Control+End");
  await page.keyboard.type("\npress 11");
  await expect(page.getByText("Line 4: this model has no key “11”.")).toBeVisible();
  await page.keyboard.press("Backspace");
  await expect(page.getByText("this model has no key")).toHaveCount(0);
  await page.getByRole("button", { name: "Save", exact: true }).press("Enter");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Show the lamp test");
  await expect(page.getByText("One key away: talk and 6 and turning it on erases or resets.")).toBeVisible();
  await expect(page.getByText("nobody has confirmed it")).toBeVisible();
  await page.getByLabel("on firmware").selectOption("1.14");
  await page.getByRole("button", { name: "It went just so" }).click();
  await expect(page.getByText(/confirmed 1 time, last by Juno on .* with 1\.14/)).toBeVisible();
  await page.goto(`${served.address}/units/W-03`);
  const row = page.getByRole("listitem").filter({ hasText: "Show the lamp test" });
  await expect(row).toContainText("not on 1.08, which it runs");
  await page.goto(`${served.address}${wicket}/print`);
  await expect(page.getByRole("heading", { name: "Wicket: Show the lamp test" })).toBeVisible();
});

test("lines that are no steps are answered, and kept as a draft that is marked", async ({ page }) => {
  await signIn(page, served.address, "juno");
  const wicket = await modelPath(page, "Wicket");
  await page.goto(`${served.address}${wicket}/procedures/new/edit`);
  await page.getByLabel("What it does, in a few words").fill("Something half known");
  await page.getByLabel("Steps, one a line").fill("turn off\nwiggle the plug");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("alert").filter({ hasText: "A draft is kept" })).toContainText(
    "“wiggle” begins no step",
  );
  await expect(page.getByLabel("Steps, one a line")).toHaveValue("turn off\nwiggle the plug");
  await page.getByRole("button", { name: "Save as a draft" }).click();
  await expect(page.getByText("a draft, not to be used as it is")).toBeVisible();
  await expect(page.getByText("Wiggle the plug.")).toBeVisible();
  await page.goto(`${served.address}${wicket}`);
  await expect(page.getByRole("listitem").filter({ hasText: "Something half known" })).toContainText(
    "draft, unusable",
  );
});

test("a route over a stepping stone, and one over other parts first", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/units/W-03`);
  await expect(page.getByRole("heading", { name: /Way to 1\.14/ })).toContainText(
    /2 installs, about \d+ minutes at the bench, 9 of them installing/,
  );
  const steps = page.getByRole("listitem").filter({ hasText: "over" });
  await expect(steps.filter({ hasText: "as a stepping stone over 1.08" })).toContainText(
    "erases the settings",
  );
  await expect(page.getByText("Before: save the settings.")).toBeVisible();
  await expect(page.getByRole("img", { name: /The way goes over 1\.10, then 1\.14/ })).toBeVisible();
  await page.goto(`${served.address}/units/M-03`);
  const order = await page.locator("ol > li strong").allInnerTexts();
  expect(order.indexOf("dsp 2.0")).toBeGreaterThanOrEqual(0);
  expect(order.indexOf("dsp 2.0")).toBeLessThan(order.indexOf("main B12"));
  await page.goto(`${served.address}/units/W-03`);
  await page.getByText("Compare with another way").click();
  await page.getByLabel("over nothing that erases").check();
  await page.getByRole("button", { name: "Compare" }).click();
  await expect(page.getByRole("cell", { name: "no route" }).first()).toBeVisible();
  await expect(page.getByText("That wish cannot be met: what leads there erases.")).toBeVisible();
  // The wish alone is one, too; a release that is not in the list is said to be that.
  await page.goto(`${served.address}/units/W-03?to=&keep=on`);
  await expect(page.getByText("That wish cannot be met: what leads there erases.")).toBeVisible();
  await page.goto(`${served.address}/units/W-03?to=999999`);
  await expect(page.getByText("not in our list of this model")).toBeVisible();
});

test("a radio without a route says what stops it", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/units/M-05`);
  await expect(page.getByText("no route")).toBeVisible();
  await expect(
    page.getByText("main C4 needs panel at 1.5 or newer first, and nothing leads there."),
  ).toBeVisible();
  await expect(page.getByText("panel 1.5 is not for this hardware revision or region.")).toBeVisible();
});

test("a release whose conditions contradict each other is answered, and kept as a draft", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  const heron = await modelPath(page, "Heron");
  await page.goto(`${served.address}${heron}/releases/new`);
  await page.getByLabel("Version", { exact: true }).fill("2.2.0");
  await page.getByText("When it can be installed", { exact: true }).click();
  await page.getByLabel("Only over: oldest version", { exact: true }).fill("2.4");
  await page.getByLabel("Part that must run something, 1", { exact: true }).selectOption("bluetooth");
  await page.getByLabel("Part 1: oldest version", { exact: true }).fill("9");
  await page.getByRole("button", { name: "Add it" }).click();
  await expect(page.getByText("There is a release of that version already: 2.2.0.")).toBeVisible();
  await expect(page.getByText("No release in our list is 2.4 or newer.")).toBeVisible();
  await expect(page.getByText("No release in our list is 9 or newer.")).toBeVisible();
  await page.getByLabel("Version", { exact: true }).fill("2.4.0");
  await page.getByRole("button", { name: "Save as a draft" }).click();
  await expect(page.getByRole("row", { name: /2\.4\.0/ })).toContainText("draft, unusable");
  await page.goto(`${served.address}/units/H-03`);
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Current");
});

test("files: the right one, another, a renamed one; nothing of them is sent", async ({ page }) => {
  await signIn(page, served.address, "juno");
  await page.goto(`${served.address}/units/W-02`);
  const sent: string[] = [];
  page.on("request", (request) => {
    if (request.method() === "POST") sent.push(request.url());
  });
  const put = async (name: string, version: string) => {
    const buffer = Buffer.from(firmwareImage("Wicket", "main", version));
    await page.locator("#check-file").setInputFiles({ name, mimeType: "application/octet-stream", buffer });
  };
  await put("fetched (2).bin", "1.14");
  await expect(page.getByRole("dialog")).toContainText("This is it: Wicket main 1.14");
  await page.keyboard.press("Escape");
  await put("wicket-main-1.14.img", "1.10");
  await expect(page.getByRole("dialog")).toContainText("No: this is Wicket main 1.10");
  await page.keyboard.press("Escape");
  await put("wicket-main-1.14.img", "9.9");
  await expect(page.getByRole("dialog")).toContainText(
    "No: it is called like Wicket main 1.14, but is not that file",
  );
  await page.keyboard.press("Escape");
  await page
    .locator("#check-file")
    .setInputFiles({ name: "none.img", mimeType: "", buffer: Buffer.alloc(0) });
  await expect(page.getByRole("dialog")).toContainText("The file is empty: 0 bytes.");
  expect(sent).toEqual([]);
});

test("a release's file is kept by its content, and comes out as it went in", async ({ page }) => {
  await signIn(page, served.address, "wren");
  const tussock = await modelPath(page, "Tussock");
  await page.goto(`${served.address}${tussock}/releases/new`);
  await page.getByLabel("Version", { exact: true }).fill("010130");
  const buffer = Buffer.from(firmwareImage("Tussock", "main", "010130"));
  await page.getByText("Its file", { exact: true }).click();
  await page.getByLabel("Or put the file itself here").setInputFiles({ name: "t.img", mimeType: "", buffer });
  await page.getByRole("button", { name: "Add it" }).click();
  const link = page.getByRole("row", { name: /^010130/ }).getByRole("link", { name: "t.img" });
  const href = await link.getAttribute("href");
  const back = await page.request.get(`${served.address}${href}`);
  expect(Buffer.compare(await back.body(), buffer)).toBe(0);
});

test("a dossier goes out, is changed elsewhere, and comes in fact by fact", async ({ page }) => {
  await signIn(page, served.address, "wren");
  const tussock = await modelPath(page, "Tussock");
  const out = await (await page.request.get(`${served.address}${tussock}/dossier.json`)).json();
  expect(out).toMatchObject({ format: "mossy-cabinet/dossier", version: 4, model: { name: "Tussock" } });
  out.from = "Alderholt keepers";
  out.mood = "fair";
  out.quirks[0].cure = "turn the squelch up a little";
  out.quirks.push({ symptom: "Hums near the pump", source: { kind: "bench", what: "pump house" } });
  await page.goto(`${served.address}/models/bring-in`);
  await page.getByLabel("Or paste its text here").fill(JSON.stringify({ ...out, version: 99 }));
  await page.getByRole("button", { name: "Hold it against ours" }).click();
  await expect(page.getByRole("alert")).toContainText("This dossier is of version 99");
  await page.getByLabel("Or paste its text here").fill(JSON.stringify(out));
  await page.getByRole("button", { name: "Hold it against ours" }).click();
  await expect(page.getByText("It differs from our dossier in 2 facts.")).toBeVisible();
  await expect(page.getByText("our format has no such field: mood")).toBeVisible();
  await page.getByLabel("Hums near the pump").check();
  await page.getByRole("button", { name: "Take over what is picked" }).click();
  const quirk = page.getByRole("listitem").filter({ hasText: "Hums near the pump" });
  await expect(quirk).toContainText("another club: Alderholt keepers: pump house");
  await expect(page.getByText("turn the squelch up a little")).toHaveCount(0);
});

test("which model is this, and what would follow if a release became the target", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/models/which`);
  await page.getByLabel("Text on its label or front").fill("Sorrel Grey");
  await page.getByRole("button", { name: "Rank the models" }).click();
  await expect(page.getByRole("main").getByRole("listitem").first()).toContainText("Sorrel S");
  await page.goto(`${served.address}${await modelPath(page, "Wicket")}`);
  await page
    .getByRole("row", { name: /^1\.14 / })
    .getByRole("link", { name: "Correct" })
    .click();
  await expect(
    page.getByText(/8 of 13 run it\. 5 radios would get there in about 43 minutes of installing/),
  ).toBeVisible();
});

for (const scheme of ["light", "dark"] as const) {
  test.describe(`accessibility of dossiers, ${scheme}`, () => {
    test.use({ colorScheme: scheme });
    test("axe finds nothing", async ({ page }) => {
      test.setTimeout(120_000);
      await signIn(page, served.address, "wren");
      const paths = [
        "/models/3",
        "/models/3/identity",
        "/models/1/procedures/2",
        "/models/1/procedures/2/edit",
        "/models/1/quirks/1",
        "/models/1/print",
        "/models/1/releases/7",
        "/models/which?plug=two-pin",
        "/models/bring-in",
        "/units/M-05",
        "/units/W-03?to=9",
      ];
      for (const path of paths) {
        await page.goto(served.address + path);
        await expectAccessible(page);
      }
    });
  });
}
