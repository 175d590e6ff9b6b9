// The right file, another, a renamed, a zip of them, and files that are out to do harm.

import { createHash } from "node:crypto";
import fc from "fast-check";
import { strToU8, zipSync } from "fflate";
import { expect, test } from "vitest";
import { checkFile, type KnownFile } from "./check-file.ts";
import { readZip } from "./zip.ts";

const content = (text: string) => strToU8(`FENIMAGE Wicket main ${text}\0${"x".repeat(100)}`);
const sha = (bytes: Uint8Array) => createHash("sha256").update(bytes).digest("hex");
const known = (version: string): KnownFile => ({
  release: `r${version}`,
  title: `Wicket main ${version}`,
  sha256: sha(content(version)),
  size: content(version).length,
  name: `wicket-main-${version}.img`,
});
const all = [known("1.10"), known("1.14")];
const check = (name: string, bytes: Uint8Array, wanted: string[] = ["r1.14"]) =>
  checkFile({ name, bytes }, all, wanted, ["Wicket", "Heron"]);

test("the release that is wanted, by whatever name", () => {
  expect(check("download (3).bin", content("1.14"))).toMatchObject({
    ok: true,
    value: {
      verdict: { kind: "this-release", release: { release: "r1.14" } },
      file: { mentions: ["Wicket", "1.14"] },
    },
  });
});

test("another release that we know; one of the same name with other content; one that nobody knows", () => {
  expect(check("wicket-main-1.14.img", content("1.10"))).toMatchObject({
    value: { verdict: { kind: "another-release", releases: [{ release: "r1.10" }] } },
  });
  expect(check("Wicket-Main-1.14.IMG", content("1.14 "))).toMatchObject({
    value: { verdict: { kind: "same-name-other-content", release: { release: "r1.14" } } },
  });
  expect(check("holiday.jpg", content("2"))).toMatchObject({ value: { verdict: { kind: "unknown" } } });
});

test("where nothing is wanted, the name is held against the content", () => {
  const verdict = (name: string, version: string) => {
    const checked = check(name, content(version), []);
    return checked.ok ? checked.value.verdict.kind : checked.problem.kind;
  };
  expect(verdict("wicket-main-1.14.img", "1.14")).toBe("this-release");
  expect(verdict("fetched.img", "1.14")).toBe("this-release");
  expect(verdict("wicket-main-1.14.img", "1.10")).toBe("another-release");
});

test("a zip is looked into", () => {
  const zip = zipSync({ "read me.txt": strToU8("hello"), "img/wicket.img": content("1.14") });
  expect(check("w.zip", zip)).toMatchObject({
    value: {
      verdict: { kind: "this-release", within: "img/wicket.img" },
      entries: [{ name: "read me.txt" }, { name: "img/wicket.img", bytes: content("1.14").length }],
    },
  });
});

test("empty, too large, cut short, damaged, a bomb", () => {
  expect(check("a", new Uint8Array(0))).toMatchObject({ ok: false, problem: { kind: "empty" } });
  expect(check("a", new Uint8Array(64 * 1024 * 1024 + 1))).toMatchObject({ problem: { kind: "too-large" } });
  const zip = zipSync({ a: content("1.14"), b: content("1.10") });
  expect(check("a.zip", zip.subarray(0, zip.length - 30))).toMatchObject({
    problem: { kind: "zip-damaged" },
  });
  const spoilt = Uint8Array.from(zip);
  spoilt.fill(0xff, 34, 80);
  expect(check("a.zip", spoilt).ok).toBe(false);
  const bomb = zipSync({ bomb: new Uint8Array(3_000_000) }, { level: 9 });
  expect(bomb.length).toBeLessThan(4000);
  expect(readZip(bomb, 1_000_000)).toEqual({ ok: false, problem: { kind: "zip-bomb", limit: 1_000_000 } });
  expect(readZip(bomb)).toMatchObject({ ok: true });
  const many = zipSync(
    Object.fromEntries(Array.from({ length: 2100 }, (_, i) => [`f${i}`, new Uint8Array(1)])),
  );
  expect(check("many.zip", many)).toMatchObject({ problem: { kind: "zip-bomb" } });
});

test("a file whose own content is a release's is that release, whatever is inside of it and whether it can be opened", () => {
  const inner = zipSync({ "w.img": content("1.14") });
  const closed = Uint8Array.from(inner);
  // The flag for a password, in the directory's entry.
  closed[
    closed.findIndex((_, i) => closed[i] === 0x50 && closed[i + 1] === 0x4b && closed[i + 2] === 1) + 8
  ] = 1;
  const packed = (bytes: Uint8Array): KnownFile => ({
    release: "r2.0",
    title: "Wicket main 2.0",
    sha256: sha(bytes),
    size: bytes.length,
    name: "w.zip",
  });
  for (const bytes of [inner, closed, inner.subarray(0, 60)]) {
    const verdict = (wanted: string[]) => {
      const told = checkFile({ name: "w.zip", bytes }, [...all, packed(bytes)], wanted);
      return told.ok ? told.value.verdict : told.problem;
    };
    expect(verdict(["r2.0"])).toMatchObject({ kind: "this-release", release: { release: "r2.0" } });
    // Not the release that is packed in it, either.
    expect(verdict(["r1.14"])).toMatchObject({ kind: "another-release", releases: [{ release: "r2.0" }] });
  }
});

test("a zip with a password, or packed in a way that we do not know, is said to be that", () => {
  const zip = zipSync({ "w.img": content("1.14"), "x.img": content("1.10") });
  const entry = zip.findLastIndex((_, i) => zip[i] === 0x50 && zip[i + 1] === 0x4b && zip[i + 2] === 1);
  const told = (offset: number, value: number) => {
    const bytes = Uint8Array.from(zip);
    bytes[entry + offset] = value;
    return check("w.zip", bytes);
  };
  expect(told(8, 1)).toMatchObject({ problem: { kind: "zip-encrypted", name: "x.img" } });
  expect(told(10, 99)).toMatchObject({ problem: { kind: "zip-method", name: "x.img", method: 99 } });
});

test("bytes of any kind are answered, and the hash is the platform's own", () => {
  fc.assert(
    fc.property(fc.uint8Array({ minLength: 1, maxLength: 300 }), fc.boolean(), (bytes, zipLike) => {
      const made = zipLike ? Uint8Array.from([0x50, 0x4b, 3, 4, ...bytes]) : bytes;
      const checked = check("x", made);
      if (checked.ok) expect(checked.value.file.sha256).toBe(sha(made));
      else expect(checked.problem.kind).toBe("zip-damaged");
    }),
  );
});
