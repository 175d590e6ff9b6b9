// The server is gone while somebody types: the page stays, what was typed stays, and it goes in when the server is back.
import http from "node:http";
import type net from "node:net";
import { expect, type Locator, type Page } from "@playwright/test";
import { openAwake } from "../awake.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
let line: Line;
test.beforeAll(async () => {
  served = await serveFresh("demo");
  line = await lineTo(Number(new URL(served.address).port));
});
test.afterAll(async () => {
  await line.close();
  await served.stop();
});

type Line = {
  readonly address: string;
  readonly cut: () => void;
  readonly mend: () => void;
  readonly close: () => Promise<void>;
};

/** A line to the server that can be cut: to the browser it is as if the server had been killed. */
async function lineTo(port: number): Promise<Line> {
  let whole = true;
  const open = new Set<net.Socket>();
  const server = http.createServer((request, response) => {
    const on = http.request(
      { port, host: "127.0.0.1", path: request.url, method: request.method, headers: request.headers },
      (answer) => {
        response.writeHead(answer.statusCode ?? 500, answer.headers);
        answer.pipe(response);
      },
    );
    on.on("error", () => response.destroy());
    request.pipe(on);
  });
  server.on("connection", (socket) => {
    if (!whole) return socket.destroy();
    open.add(socket);
    return socket.on("close", () => open.delete(socket));
  });
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
  const { port: own } = server.address() as net.AddressInfo;
  return {
    address: `http://127.0.0.1:${own}`,
    cut: () => {
      whole = false;
      for (const socket of open) socket.destroy();
    },
    mend: () => {
      whole = true;
    },
    close: () => {
      for (const socket of open) socket.destroy();
      return new Promise((done) => server.close(() => done()));
    },
  };
}

const begin = async (page: Page, path: string) => {
  line.mend();
  await signIn(page, line.address, "wren");
  await openAwake(page, line.address + path);
};
const OFFLINE = "That could not be sent: nothing answers.";

/** What is typed in the field is not sent, stays, and goes in once the line is whole again. */
async function recordedLater(field: Locator): Promise<void> {
  const page = field.page();
  await field.press("Enter");
  await expect(page.getByText(OFFLINE)).toBeVisible();
  await expect(field).toHaveValue("1.13");
  line.mend();
  await field.press("Enter");
  await expect(page.getByText("Recorded. main 1.13:")).toBeVisible();
}

test("a reading stays in its field, is told apart from an answer, and is recorded later", async ({
  page,
}) => {
  await begin(page, "/units/W-03");
  const field = page.getByLabel("What does W-03 show?");
  line.cut();
  await field.fill("1.13");
  await expect(page.getByText("What this means cannot be told just now")).toBeVisible();
  await recordedLater(field);
  await page.reload();
  await expect(page.getByRole("cell", { name: "1.13", exact: true })).toHaveCount(1);
});

for (const where of ["/due", "/cabinet?unit=W-05"]) {
  test(`a reading typed on ${where} stays there`, async ({ page }) => {
    await begin(page, where);
    const tag = where === "/due" ? "W-08" : "W-05";
    if (where === "/due")
      await page
        .getByRole("listitem")
        .filter({ hasText: tag })
        .first()
        .getByRole("button", { name: "read" })
        .click();
    const field = page.getByLabel(`What does ${tag} show?`);
    await field.fill("1.13");
    line.cut();
    await recordedLater(field);
  });
}

test("the picked radios of Due stay picked, with what was typed", async ({ page }) => {
  await begin(page, "/due?sort=tag");
  await page.getByRole("checkbox", { name: "Pick S-05" }).first().check();
  const form = page.locator("#picked");
  await form.getByLabel("leave alone until").fill("2999-01-01");
  await form.getByLabel("because").fill("the fair");
  line.cut();
  await form.getByRole("button", { name: "Put on hold" }).click();
  await expect(form.getByText(OFFLINE)).toBeInViewport();
  await expect(page.getByRole("checkbox", { name: "Pick S-05" }).first()).toBeChecked();
  line.mend();
  await form.getByRole("button", { name: "Put on hold" }).click();
  await expect(form.getByText("1 radio on hold.")).toBeVisible();
});

test("so do a hold, a correction, a release and a policy", async ({ page }) => {
  test.setTimeout(120_000);
  await begin(page, "/units/W-03");
  await page.getByText("Put it on hold").click();
  await page.getByLabel("Until").fill("2999-01-01");
  await page.getByLabel("Why", { exact: true }).fill("the fair");
  line.cut();
  await page.getByRole("button", { name: "Hold", exact: true }).click();
  await expect(page.getByText(OFFLINE)).toBeInViewport();
  await expect(page.getByLabel("Why", { exact: true })).toHaveValue("the fair");
  line.mend();
  await page.getByRole("button", { name: "Hold", exact: true }).click();
  await expect(page.getByRole("status").filter({ hasText: "On hold." })).toBeVisible();

  const forms = [
    { path: "/units/W-04/edit", label: "Note", to: /units\/W-04$/ },
    { path: "/models/1/releases/1", label: "Notes", to: /models\/1$/ },
    { path: "/club/groups/1", label: "What they are for", to: /club$/ },
    { path: "/club/places/1", label: "Note", to: /club$/ },
  ];
  for (const { path, label, to } of forms) {
    await openAwake(page, line.address + path);
    await page.getByLabel(label).fill("typed while nothing answers");
    line.cut();
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page.getByText(OFFLINE), path).toBeInViewport();
    await expect(page.getByLabel(label), path).toHaveValue("typed while nothing answers");
    line.mend();
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page, path).toHaveURL(to);
    await page.goto(line.address + path);
    await expect(page.getByLabel(label), path).toHaveValue("typed while nothing answers");
  }
});

test("a page that cannot be fetched says so, and comes when the server is back", async ({ page }) => {
  await begin(page, "/due");
  await openAwake(page, `${line.address}/cabinet`);
  const rail = page.getByRole("navigation").first();
  await rail.getByRole("link", { name: "Due" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Due" })).toBeVisible();
  line.cut();
  await rail.getByRole("link", { name: "Cabinet" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Nothing answers" })).toBeVisible();
  line.mend();
  await expect(page.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();
});

test("so do tries, what is added to the kit, a device list, a sheet, a dossier and the sign-in", async ({
  page,
}) => {
  test.setTimeout(180_000);
  const cutAnd = async (press: () => Promise<void>) => {
    line.cut();
    await press();
    await expect(page.getByText(OFFLINE)).toBeInViewport();
    line.mend();
  };
  /** Presses, and waits until what the page asks for after the answer has come too. */
  const answered = async (name: string, next: string) => {
    await page.getByRole("button", { name }).click();
    await expect(page.getByRole("button", { name: next })).toBeVisible();
    await expect(page.locator("main[aria-busy=false]")).toBeAttached();
  };

  await begin(page, "/kit?unit=W-03&to=flash");
  const seen = page.getByLabel("What was seen when it failed").first();
  await seen.fill("stops at 3 %");
  const failed = page.getByRole("button", { name: "It failed" }).first();
  await cutAnd(() => failed.click());
  await expect(seen).toHaveValue("stops at 3 %");
  await failed.click();
  await expect(page.getByRole("status").filter({ hasText: "Noted" })).toBeVisible();

  await openAwake(page, `${line.address}/kit/own`);
  const quick = page.getByRole("form", { name: "Add a connector" });
  const name = quick.getByRole("textbox").first();
  await name.fill("Six-pin collar");
  await cutAnd(() => name.press("Enter"));
  await expect(name).toHaveValue("Six-pin collar");
  await name.press("Enter");
  await expect(page.getByRole("link", { name: "Six-pin collar" })).toBeVisible();

  await openAwake(page, `${line.address}/kit/which-lead`);
  const list = page.getByLabel("Paste what the system's device list says");
  await list.fill("nothing of note");
  await cutAnd(() => page.getByRole("button", { name: "Which is it?" }).click());
  await expect(list).toHaveValue("nothing of note");

  await openAwake(page, `${line.address}/import`);
  await page.getByLabel("Or paste the rows here").fill("tag,model\nU-01,Wicket");
  await cutAnd(() => page.getByRole("button", { name: "Look at it" }).click());
  await expect(page.getByLabel("Or paste the rows here")).toHaveValue("tag,model\nU-01,Wicket");
  await answered("Look at it", "Bring in 1 radio");
  await page.getByRole("combobox", { name: "Decimal sign" }).selectOption(",");
  await cutAnd(() => page.getByRole("button", { name: "Bring in 1 radio" }).click());
  await expect(page.getByRole("combobox", { name: "Decimal sign" })).toHaveValue(",");
  await page.getByRole("button", { name: "Bring in 1 radio" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();

  const dossier = await (await page.request.get(`${line.address}/models/1/dossier.json`)).json();
  await openAwake(page, `${line.address}/models/bring-in`);
  const text = page.getByLabel("Or paste its text here");
  await text.fill(JSON.stringify({ ...dossier, model: { ...dossier.model, name: "Sedge" } }));
  await cutAnd(() => page.getByRole("button", { name: "Hold it against ours" }).click());
  await expect(text).toHaveValue(/Sedge/);
  await answered("Hold it against ours", "Take over what is picked");
  const take = page.getByRole("button", { name: "Take over what is picked" });
  const first = page.getByRole("checkbox").first();
  await first.uncheck();
  await cutAnd(() => take.click());
  await expect(first).not.toBeChecked();

  await page.context().clearCookies();
  await openAwake(page, `${line.address}/sign-in`);
  await page.getByLabel("E-mail").fill("juno@lanternfen.example");
  await page.getByLabel("Password").fill("lantern on the causeway");
  await cutAnd(() => page.getByRole("button", { name: "Sign in" }).click());
  await expect(page.getByLabel("E-mail")).toHaveValue("juno@lanternfen.example");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Cabinet" })).toBeVisible();
});
