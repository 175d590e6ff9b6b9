// Forms of the club: a policy comes back as the form that makes it again, and what is no policy is refused at its field.
import { parseWithZod } from "@conform-to/zod/v4";
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { addDays, plain } from "#core/quantities/index.ts";
import { cases } from "#core/quantities/testing.ts";
import { PLAIN_POLICY, type Policy, policyShape } from "#core/unit/index.ts";
import { fieldsOf, groupShape, policyFrom } from "./policy-form.ts";

const formOf = (fields: Readonly<Record<string, string | readonly string[]>>): FormData => {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) {
    for (const one of typeof value === "string" ? [value] : value) form.append(name, one);
  }
  return form;
};
const releases = [
  { id: "1", component_id: "10" },
  { id: "2", component_id: "10" },
  { id: "3", component_id: "11" },
];
const day = fc.integer({ min: 0, max: 800 }).map((n) => addDays(plain("2026-01-01"), n));
const word = fc.stringMatching(/^[a-z]{2,8}$/);
const rule = fc.oneof(
  fc.constantFrom({ kind: "newest" as const }, { kind: "newest-but-one" as const }),
  fc.record({ kind: fc.constant("settled" as const), days: fc.integer({ min: 0, max: 3650 }) }),
  fc.record({
    kind: fc.constant("fixes" as const),
    tags: fc.uniqueArray(word, { minLength: 1, maxLength: 3 }),
    atLeast: fc.constantFrom("fix" as const, "safety" as const, undefined),
  }),
  fc.record({
    kind: fc.constant("pinned" as const),
    releases: fc.constantFrom(["1"], ["2"], ["1", "3"]),
    until: fc.option(day, { nil: undefined }),
    otherwise: fc.constant({ kind: "newest" as const }),
  }),
);
const policy: fc.Arbitrary<Policy> = fc
  .record({
    rule,
    tracks: fc.subarray(["beta" as const, "community" as const]),
    safetyBreaksHold: fc.boolean(),
    recheckAfterDays: fc.integer({ min: 1, max: 3650 }),
    hold: fc.option(fc.record({ until: day, why: word }), { nil: undefined }),
  })
  .map((p) => policyShape.parse(JSON.parse(JSON.stringify(p))));

const read = (fields: Readonly<Record<string, string | readonly string[]>>) => {
  const parsed = parseWithZod(formOf(fields), { schema: groupShape });
  if (parsed.status !== "success") throw new Error(JSON.stringify(parsed.error));
  return policyFrom(parsed.value, releases);
};

describe("a group's policy", () => {
  it("comes back as the form that makes it again", () => {
    fc.assert(
      fc.property(policy, (stored) => {
        const made = read(fieldsOf({ name: "Lanterns", purpose: "", policy: stored }));
        expect(made).toEqual({ ok: true, value: stored });
      }),
      { numRuns: cases(400) },
    );
  });

  const plainForm = fieldsOf({
    name: "Lanterns",
    purpose: "",
    policy: PLAIN_POLICY,
  });
  test.each<[Record<string, string | string[]>, string, string]>([
    [{ holdUntil: "2026-08-01" }, "holdWhy", "Say why, so that others know."],
    [{ rule: "pinned" }, "pinned", "Choose at least one release."],
    [{ rule: "pinned", pinned: ["99"] }, "pinned", "Choose at least one release."],
    [
      { rule: "pinned", pinned: ["1", "2"] },
      "pinned",
      "Choose at most one release for each part of a model.",
    ],
    [{ rule: "fixes", tags: " , " }, "tags", "Name a tag, or how urgent a fix must be."],
  ])("%j is answered at %s", (fields, field, says) => {
    expect(read({ ...plainForm, ...fields })).toEqual({
      ok: false,
      problem: { kind: "trouble", field, says },
    });
  });

  test.each([
    [{ name: "" }, "name"],
    [{ days: "soon" }, "days"],
    [{ days: "99999" }, "days"],
    [{ recheckAfterDays: "0" }, "recheckAfterDays"],
    [{ rule: "whatever" }, "rule"],
    [{ holdUntil: "2026-02-30", holdWhy: "x" }, "holdUntil"],
  ])("%j is refused at %s", (fields, field) => {
    const parsed = parseWithZod(formOf({ ...plainForm, ...fields }), { schema: groupShape });
    expect(parsed.status === "error" && Object.keys(parsed.error ?? {})).toEqual([field]);
  });
});
