// The door: headers, a cookie that scripts cannot read, and an end to guessing.
import { expect, test } from "@playwright/test";
import { type Served, serveFresh } from "./serve.ts";
import { signIn } from "./sign-in.ts";

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
  await page.goto(`${served.address}/sign-in?back=//elsewhere.example/x`);
  await page.getByLabel("E-mail", { exact: true }).fill("juno@lanternfen.example");
  await page.getByLabel("Password").fill("lantern on the causeway");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page).toHaveURL(`${served.address}/cabinet`);
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
