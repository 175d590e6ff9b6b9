// What somebody who means harm could send: each is refused, none breaks the server or what comes after it.
import { expect } from "@playwright/test";
import { hostileSender } from "../../measure/hostile.ts";
import { HOSTILE, type Hostile } from "../../measure/hostile-requests.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

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

/** So large that it is cut off while it still comes: whoever sends it may not get to reading why. */
const CUT_OFF = new Set(["four hundred megabytes in chunks, to no page at all"]);

/** In parts, so that several cores share them. How long the loop is held is measured (measure/hostile.ts), not asserted. */
const PARTS = 5;

for (let part = 0; part < PARTS; part++)
  test(`every one is refused with a clear answer, and the server goes on (${part + 1} of ${PARTS})`, async ({
    page,
  }) => {
    await signIn(page, served.address, "wren");
    const cookie = (await page.context().cookies()).map((c) => `${c.name}=${c.value}`).join("; ");
    const port = Number(new URL(served.address).port);
    const found: (readonly [string, number | "closed"])[] = [];
    // A tunnel is not even looked at.
    const wrong = ({ name }: Hostile, status: number | "closed") =>
      name !== "CONNECT" &&
      !(status === "closed" && CUT_OFF.has(name)) &&
      !(typeof status === "number" && status < 500 && (status >= 400 || ANSWERED.has(name)));
    const sender = hostileSender(port, cookie);
    await sender.ask(0);
    for (const [index, one] of HOSTILE.entries()) {
      if (index % PARTS !== part) continue;
      const status = await sender.ask(index);
      if (wrong(one, status)) found.push([one.name, status]);
    }
    sender.end();
    expect(found).toEqual([]);
    expect(HOSTILE.length).toBeGreaterThanOrEqual(60);
    await page.goto(`${served.address}/units/W-03`);
    await expect(page.getByRole("heading", { level: 1 })).toContainText("behind");
  });
