// What somebody who means harm could send: each is refused, none breaks the server or what comes after it.
import { expect } from "@playwright/test";
import { HOSTILE, type Hostile, send } from "../measure/hostile-requests.ts";
import { type Served, serveFresh } from "./serve.ts";
import { signIn } from "./sign-in.ts";
import { test } from "./test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

/** Answered by a page or a redirect: nothing of what they say is acted on, and what they ask for is there to be asked for. */
const ANSWERED = new Set([
  "a cookie that is none",
  "a baseline as deep as it goes",
  "a baseline of a megabyte of keys",
  "a device list of two million spaces",
]);

test("every one is refused with a clear answer, and the server goes on", async ({ page }) => {
  test.setTimeout(240_000);
  await signIn(page, served.address, "wren");
  const cookie = (await page.context().cookies()).map((c) => `${c.name}=${c.value}`).join("; ");
  const port = Number(new URL(served.address).port);
  const found: (readonly [string, number | "closed"])[] = [];
  // A tunnel is not even looked at.
  const wrong = ({ name }: Hostile, status: number | "closed") =>
    name !== "CONNECT" &&
    !(typeof status === "number" && status < 500 && (status >= 400 || ANSWERED.has(name)));
  for (const one of HOSTILE) {
    const status = await send(one, port, cookie);
    if (wrong(one, status)) found.push([one.name, status]);
  }
  expect(found).toEqual([]);
  expect(HOSTILE.length).toBeGreaterThanOrEqual(60);
  await page.goto(`${served.address}/units/W-03`);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("behind");
});
