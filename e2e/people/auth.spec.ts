// The door: headers, a cookie that scripts cannot read, and an end to guessing.
import { deflateRawSync } from "node:zlib";
import { expect } from "@playwright/test";
import { openAwake } from "../awake.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

test("pages carry the usual headers, and scripts a nonce that changes", async ({ request }) => {
  const nonces = new Set<string>();
  for (let i = 0; i < 2; i++) {
    const answer = await request.get(`${served.address}/sign-in`);
    const policy = answer.headers()["content-security-policy"] ?? "";
    const nonce = /'nonce-([^']+)'/.exec(policy)?.[1] ?? "";
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).not.toContain("script-src 'self' 'unsafe-inline'");
    expect(await answer.text()).toContain(`nonce="${nonce}"`);
    expect(answer.headers()["x-content-type-options"]).toBe("nosniff");
    expect(answer.headers()["x-powered-by"]).toBeUndefined();
    nonces.add(nonce);
  }
  expect(nonces.size).toBe(2);
});

test("the cookie is HttpOnly and SameSite; signing out ends the session on the server", async ({
  page,
  request,
}) => {
  await signIn(page, served.address, "wren");
  const [cookie] = await page.context().cookies();
  expect(cookie).toMatchObject({ name: "mossy_session", httpOnly: true, sameSite: "Lax" });
  await page.goto(`${served.address}/me`);
  await page.getByRole("button", { name: "Sign out" }).click();
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  const answer = await request.get(`${served.address}/cabinet`, {
    headers: { Cookie: `mossy_session=${cookie?.value}` },
    maxRedirects: 0,
  });
  expect(answer.status()).toBe(302);
});

test("a link that leads elsewhere after signing in is not followed", async ({ page }) => {
  for (const back of ["//elsewhere.example/x", "/%09/elsewhere.example", "/%5Celsewhere.example"]) {
    await page.context().clearCookies();
    await page.goto(`${served.address}/sign-in?back=${back}`);
    await page.getByLabel("E-mail", { exact: true }).fill("juno@lanternfen.example");
    await page.getByLabel("Password").fill("lantern on the causeway");
    await page.getByRole("button", { name: "Sign in" }).click();
    await expect(page).toHaveURL(`${served.address}/cabinet`);
  }
});

test("a form that an address carries is nobody's but theirs who typed it: no link acts for the keeper", async ({
  page,
}) => {
  await signIn(page, served.address, "wren");
  const forged = deflateRawSync("name=Wren&role=member").toString("base64url");
  for (const kept of [forged, `${forged}.${"A".repeat(43)}`]) {
    await page.goto(`${served.address}/kept?${new URLSearchParams({ to: "/club/people/1", kept })}`);
    await expect(page.getByRole("heading", { level: 1, name: "Nothing is kept here for you" })).toBeVisible();
    await expect(page.getByRole("button", { name: "Save it now" })).toHaveCount(0);
  }
});

test("the console of no page says that something was forbidden", async ({ page }) => {
  test.setTimeout(120_000);
  const found: string[] = [];
  page.on("console", (line) => ["error", "warning"].includes(line.type()) && found.push(line.text()));
  page.on("pageerror", (error) => found.push(String(error)));
  // A try of what the content policy forbids is told to the page even where a browser's console stays silent of it.
  await page.exposeFunction("forbidden", (what: string) => found.push(what));
  await page.addInitScript(() =>
    document.addEventListener("securitypolicyviolation", (event) =>
      (window as unknown as { forbidden: (what: string) => void }).forbidden(
        `${event.violatedDirective} ${event.blockedURI} ${event.sourceFile}`,
      ),
    ),
  );
  await signIn(page, served.address, "wren");
  for (const path of [
    "/cabinet",
    "/due",
    "/models",
    "/models/1",
    "/models/1/releases/new",
    "/units/W-03",
    "/units/W-03/edit",
    "/kit",
    "/kit/own",
    "/kit/get",
    "/log",
    "/club",
    "/club/people/1",
    "/import",
    "/me",
  ])
    await openAwake(page, served.address + path);
  expect(found).toEqual([]);
});

test("guessing comes to an end, even with the right password at last", async ({ page }) => {
  await page.goto(`${served.address}/sign-in`);
  const attempt = async (password: string) => {
    await page.getByLabel("E-mail", { exact: true }).fill("tobin@lanternfen.example");
    await page.getByLabel("Password").fill(password);
    const answered = page.waitForResponse((r) => r.request().method() === "POST");
    await page.getByRole("button", { name: "Sign in" }).click();
    return (await answered).status();
  };
  for (let i = 0; i < 8; i++) expect(await attempt(`guess ${i}`)).toBe(400);
  await expect(page.getByText("This e-mail and password do not belong together.")).toBeVisible();
  expect(await attempt("lantern on the causeway")).toBe(429);
  await expect(page.getByText(/Too many attempts. Try again in/)).toBeVisible();
});

test("guessing at one's own password comes to an end, the right one included, and takes nothing from the address", async ({
  page,
  browser,
}) => {
  await signIn(page, served.address, "bram");
  const change = async (present: string) => {
    const answer = await page.request.post(`${served.address}/me`, {
      form: {
        intent: "password",
        present,
        key: crypto.randomUUID(),
        password: "seven herons over the weir",
      },
      headers: { Origin: served.address },
      maxRedirects: 0,
    });
    return answer.text();
  };
  for (let i = 0; i < 8; i++) expect(await change(`guess ${i}`)).toContain("That is not your password.");
  const last = await change("lantern on the causeway");
  expect(last).toContain("Too many attempts.");
  expect(last).not.toContain("Your password is changed");
  // From the same address somebody else signs in, and so does a new browser of one's own.
  const other = await browser.newContext();
  for (const who of ["ida", "bram"]) {
    const sent = await other.request.post(`${served.address}/sign-in`, {
      form: { email: `${who}@lanternfen.example`, password: "lantern on the causeway" },
      headers: { Origin: served.address },
      maxRedirects: 0,
    });
    expect([who, sent.status()]).toEqual([who, 302]);
  }
  await other.close();
});
