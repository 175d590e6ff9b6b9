// The keeper's settings: policies that change what is due, people who can sign in, radios added, shelved, recovered.
import { expect } from "@playwright/test";
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

test("a policy pinned to an older release makes newer radios due", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/club`);
  await page.getByRole("link", { name: "Bench trials" }).click();
  await page.getByLabel("Which release they should run").selectOption("pinned");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Choose at least one release.")).toBeVisible();
  await page.getByLabel("Pinned to").selectOption({ label: "Wicket main 1.14 (factory)" });
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Target: pinned to 1.14, otherwise always the newest release.")).toBeVisible();
  await page.goto(`${served.address}/units/W-13`);
  await expect(page.getByText("Bring to 1.14, which its group is pinned to")).toBeVisible();
});

test("a hold needs a reason, and keeps needs off the board", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/due?do=install`);
  await expect(page.getByRole("link", { name: "W-03" })).toBeVisible();
  await page.getByLabel("Pick W-03").check();
  await page.getByLabel("leave alone until").fill("2099-01-01");
  await page.getByRole("button", { name: "Put on hold" }).click();
  await expect(page.getByText("Say why, so that others know.")).toBeVisible();
  await page.getByLabel("Pick W-03").check();
  await page.getByLabel("leave alone until").fill("2099-01-01");
  await page.getByLabel("because").fill("lent to the museum");
  await page.getByRole("button", { name: "Put on hold" }).click();
  await expect(page.getByText("1 radio on hold.")).toBeVisible();
  await page.goto(`${served.address}/due?do=held`);
  // All that it needs: its firmware, and the plan of channels.
  await expect(page.getByRole("link", { name: "W-03" })).toHaveCount(2);
  await page.goto(`${served.address}/units/W-03`);
  await page.getByRole("button", { name: "Lift the hold" }).click();
  await expect(page.getByText("The hold is lifted.")).toBeVisible();
});

test("a radio is added, gets a taken tag refused, is shelved and comes back", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/units/new`);
  await page.getByLabel("Tag").fill("w-01");
  await page.getByLabel("Model", { exact: true }).selectOption({ label: "Heron (Quillmere)" });
  await page.getByRole("button", { name: "Put it in the cabinet" }).click();
  await expect(page.getByText("Another radio has this tag.")).toBeVisible();
  await expect(page.getByLabel("Tag")).toHaveValue("w-01");
  await page.getByLabel("Tag").fill("H-20");
  await page.getByRole("button", { name: "Put it in the cabinet" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("We have not read this radio yet");
  await page.getByRole("link", { name: "Correct what it is" }).click();
  await page.getByLabel("Why").fill("drowned");
  await page.getByRole("button", { name: "Shelve it" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Shelved");
  await page.goto(`${served.address}/due?do=read`);
  await expect(page.getByRole("link", { name: "H-20" })).toHaveCount(0);
  await page.goto(`${served.address}/club`);
  await page.getByRole("link", { name: "H-20" }).click();
  await page.getByRole("button", { name: "Take it back" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("We have not read this radio yet");
});

test("a doubtful numbering is confirmed, and a model is made by hand", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/models`);
  await page.getByRole("link", { name: "Lantern 3" }).click();
  await page.getByRole("button", { name: /as a decimal fraction/ }).click();
  await expect(page.getByText("Not done yet: main would count as a decimal fraction")).toBeVisible();
  await expect(page.getByRole("heading", { name: "What it would touch" })).toBeVisible();
  await page.goto(`${served.address}/units/L-08`);
  await expect(page.getByRole("heading", { level: 1 })).not.toContainText("Newer than anything we know of");
  await page.goBack();
  await page.getByRole("button", { name: /as a decimal fraction/ }).click();
  await page.getByRole("button", { name: "Count so" }).click();
  await expect(page.getByText("Confirmed: main counts as a decimal fraction")).toBeVisible();
  await page.goto(`${served.address}/units/L-08`);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Newer than anything we know of");
  await page.goto(`${served.address}/models`);
  await page.getByRole("link", { name: "Lantern 3" }).click();
  await page.getByRole("button", { name: "Take back how main counts" }).click();
  await page.getByRole("button", { name: "Take it back" }).click();
  await expect(page.getByText("Taken back: main counts as its releases tell")).toBeVisible();
  await page.goto(`${served.address}/units/L-08`);
  await expect(page.getByRole("heading", { level: 1 })).not.toContainText("Newer than anything we know of");
  await page.goto(`${served.address}/models/new`);
  await page.getByLabel("Name", { exact: true }).fill("Gorse");
  await page.getByLabel(/Parts with firmware/).fill("main, panel");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Gorse");
  await expect(page.getByRole("heading", { level: 2, name: "panel" })).toBeVisible();
});

test("a part and a revision that were a slip go; what is told of stays and says why; the first part is the one meant", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/models/new`);
  await page.getByLabel("Name", { exact: true }).fill("Sedge");
  await page.getByLabel(/Parts with firmware/).fill("main, pannel, dsp, Main");
  await page.getByLabel(/Hardware revisions/).fill("A: grey\nAA: a slip");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Sedge");
  const path = new URL(page.url()).pathname;
  await openAwake(page, `${served.address}/units/new`);
  await page.getByLabel("Tag").fill("Y-9");
  await page.getByLabel("Model", { exact: true }).selectOption({ label: "Sedge (maker unknown)" });
  await page.getByText("What else is known of it").click();
  await page.getByLabel("Hardware revision").selectOption("Sedge: A");
  await page.getByRole("button", { name: "Put it in the cabinet" }).click();
  const field = page.getByLabel("What does Y-9 show?");
  await field.fill("dsp 2.0");
  await field.press("Enter");
  await expect(page.getByText("Recorded. dsp 2.0")).toBeVisible();

  await openAwake(page, `${served.address}${path}/edit`);
  const parts = page.getByLabel(/Parts with firmware/);
  await expect(parts).toHaveValue("main, pannel, dsp");
  await parts.fill("main");
  await page.getByLabel(/Hardware revisions/).fill("AB: white");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("dsp cannot go: 1 reading refers to it.")).toBeVisible();
  await expect(page.getByText("A cannot go: 1 radio refers to it.")).toBeVisible();
  await expect(parts).toHaveValue("main");
  await parts.fill("dsp, main");
  await page.getByLabel(/Hardware revisions/).fill("A: grey");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page).toHaveURL(served.address + path);
  await expect(page.getByRole("heading", { level: 2, name: "pannel" })).toHaveCount(0);
  await openAwake(page, `${served.address}/units/Y-9`);
  await field.fill("2.1");
  await field.press("Enter");
  await expect(page.getByText("Recorded. dsp 2.1")).toBeVisible();
});

test("axe finds nothing on the keeper's forms", async ({ page }) => {
  test.setTimeout(120_000);
  await signIn(page, served.address, "wren");
  for (const path of [
    "/units/new",
    "/units/W-03/edit",
    "/models/new",
    "/club/groups/1",
    "/club/people/new",
    "/club/places/new",
    "/import",
  ]) {
    await page.goto(served.address + path);
    await expectAccessible(page);
  }
});
