// How much a request may carry: by who sends it and to which page.
import { expect, test } from "vitest";
import { AFTER_SIGN_IN, BEFORE_SIGN_IN, limitFor, lookAtForm } from "./body.ts";

const multipart = "multipart/form-data; boundary=b";
const limit = (path: string, length: number | undefined, isIn: boolean, type = multipart) =>
  limitFor({ path, type, length }, async () => isIn);

test("before sign-in little, after it more; files only where a page sends them, and only where the length is said", async () => {
  expect(await limit("/units/new", 200_000, false)).toMatchObject(BEFORE_SIGN_IN);
  expect(await limit("/units/new", 200_000, true)).toMatchObject(AFTER_SIGN_IN);
  expect(await limit("/import", 200_000, true)).toMatchObject({ bytes: 9 * 1024 * 1024, fields: 3000 });
  expect(await limit("/import", undefined, true)).toMatchObject(AFTER_SIGN_IN);
  expect(await limit("/import", 200_000, true, "application/x-www-form-urlencoded")).toMatchObject(
    AFTER_SIGN_IN,
  );
});

test("release notes have a row of fields for each fix: as many as sixty releases with sixty each, and no more", async () => {
  const { fields } = await limit("/models/4/notes", 200_000, true);
  const most = 60 * (13 + 61 * 4);
  expect(fields).toBeGreaterThan(most);
  const form = (count: number) =>
    Buffer.from(`--b\r\nContent-Disposition: form-data; name="f"\r\n\r\n1\r\n`.repeat(count).concat("--b--"));
  expect(await lookAtForm(multipart, form(most), fields)).toBeUndefined();
  expect(await lookAtForm(multipart, form(fields + 1), fields)).toMatchObject({ status: 413 });
});
