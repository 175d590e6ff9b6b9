// The words of facts, needs, standings, the log and the kit: every kind has a sentence, and nothing in it is unsaid.

import { describe, expect, it, test } from "vitest";
import { z } from "zod";
import { logEntry } from "#core/club/index.ts";
import { followsStanding, KINDS, NEED_KINDS, type Reason } from "#core/needs/index.ts";
import { addDays, listed, plain } from "#core/quantities/index.ts";
import { type PolicyRule, STANDINGS, type Standing } from "#core/unit/index.ts";
import { parseRange } from "#core/version/index.ts";
import { counted } from "../count.ts";
import { sayFact, sayRule } from "../facts.ts";
import { sayEntry } from "../log/log.ts";
import { sayNeed, saySince } from "../needs/index.ts";
import { sayRange } from "../route.ts";
import { sayDate, sayDays, sayDistance, sayInstant } from "../time.ts";
import { sayNumbering, sayProblem, sayStanding } from "./standing.ts";

const today = plain("2026-06-15");
const names = { release: (id: string) => `R${id}`, locale: "en-GB", today };
const on = plain("2025-12-01");
const UNSAID = /undefined|null|NaN|\[object/;

describe("facts", () => {
  const facts: Reason[] = [
    { kind: "never-read", since: on },
    { kind: "reading", reading: "1", raw: "1.14", on },
    { kind: "runs", release: "7" },
    { kind: "runs-uncatalogued", version: "1.15" },
    { kind: "newer", releases: ["7", "8"] },
    { kind: "skips", count: 1, first: "7", latest: "7" },
    { kind: "skips", count: 3, first: "7", latest: "9" },
    { kind: "ordered-by-date", release: "7" },
    { kind: "not-admitted", releases: ["7"] },
    { kind: "does-not-fit", releases: ["7"] },
    { kind: "may-not-fit", releases: ["7"] },
    { kind: "withdrawn", release: "7", on, why: "it forgot its channels" },
    { kind: "numbering", numbering: { kind: "dotted" } },
    { kind: "numbering", numbering: { kind: "decimal" }, tau: 0.5 },
    { kind: "cannot-place", problem: { kind: "unreadable", cleaned: "backwards", numbering: "dotted" } },
    {
      kind: "two-places",
      places: [
        { numbering: { kind: "dotted" }, below: "7", above: "8" },
        { numbering: { kind: "decimal" }, above: "9" },
      ],
    },
    { kind: "rule", rule: { kind: "newest" } },
    { kind: "fixes", release: "7", tag: "clock", urgency: "safety" },
    { kind: "hold", of: "group", until: on, why: "the procession" },
    { kind: "hold-broken", release: "7" },
    { kind: "stale", on, afterDays: 365 },
    { kind: "back-from-custody", on },
    { kind: "flash-unconfirmed", on },
    { kind: "backed-up", on },
    { kind: "written-since", on },
  ];

  it("are each a whole sentence of their own that names the record it speaks of", () => {
    const said = facts.map((fact) => sayFact(fact, names));
    for (const { text } of said) {
      expect(text).toMatch(/^[A-Z0-9“].*\.$/);
      expect(text).not.toMatch(UNSAID);
    }
    expect(new Set(said.map((s) => s.text)).size).toBe(facts.length);
    facts.forEach((fact, i) => {
      if ("release" in fact) expect(said[i]?.text).toContain("R7");
      expect(said[i]?.to).toBeDefined();
    });
  });

  it("a rule says what it waits for, and what comes after a pin", () => {
    const pinned: PolicyRule = {
      kind: "pinned",
      releases: ["7"],
      until: plain("2026-08-01"),
      otherwise: { kind: "settled", days: 30 },
    };
    expect(sayRule(pinned, names)).toBe(
      "pinned to R7 until 1 Aug 2026, otherwise the newest release, once it is 30 days old",
    );
    expect(sayRule({ kind: "fixes", tags: ["clock", "audio"], atLeast: "safety" }, names)).toBe(
      "only if it mends clock and audio or it is a matter of safety",
    );
    expect(sayRule({ kind: "fixes", tags: [] }, names)).toBe("nothing calls for an update");
  });
});

describe("needs and standings", () => {
  it("every cause has words, with a release to go to and without", () => {
    for (const targets of [[], [{ from: on, release: "7" }]]) {
      const said = NEED_KINDS.flatMap((kind) =>
        KINDS[kind].causes.map((cause) => ({
          kind,
          text: sayNeed({ kind, cause, component: "main", targets }, names, true),
        })),
      );
      expect(new Set(said.map(({ text }) => text)).size).toBe(said.length);
      for (const { kind, text } of said) {
        // What follows from how a part stands is of that part; the rest is of the whole radio.
        expect(text.startsWith("main: ")).toBe(followsStanding(kind));
        expect(text).not.toMatch(UNSAID);
      }
    }
    expect(saySince({ dueFrom: on }, names)).toBe("since 1 Dec 2025");
  });

  it("a target that does not count yet is not named", () => {
    const later = [{ from: addDays(today, 1), release: "7" }];
    const need = { kind: "firmware", cause: "behind", component: "main", targets: later } as const;
    expect(sayNeed(need, names, false)).toBe("install the newer release");
  });

  it("every standing has words; behind counts and dates, an unknown revision is owned up to", () => {
    const behind = { newer: ["7", "8"], since: on, worst: "fix", latest: "8" } as const;
    const of = (standing: Standing["standing"], over: Partial<Standing> = {}) =>
      sayStanding({ component: "main", standing, because: [], ...over }, names);
    for (const standing of STANDINGS) expect(of(standing)).not.toMatch(UNSAID);
    expect(of("behind", { behind })).toBe("2 releases behind");
    expect(of("behind", { behind: { ...behind, newer: ["8"] } })).toBe("1 release behind");
    expect(of("current", { possibly: behind })).toContain("R8 may fit");
    const problem = { kind: "ambiguous", cleaned: "1.1", releases: ["7", "8"] } as const;
    expect(of("unclear", { because: [{ kind: "cannot-place", problem }] })).toBe(
      "cannot be placed: Two releases go by it: R7 and R8.",
    );
  });

  it("every numbering says which of two comes first", () => {
    expect(sayNumbering({ kind: "dotted" })).toContain("1.9 comes before 1.10");
    expect(sayNumbering({ kind: "decimal" })).toContain("1.26 comes before 1.3");
    expect(sayNumbering({ kind: "dated", pattern: "ddmmyy" })).toContain("day, month, short year");
    expect(sayProblem({ kind: "entry-too-long", length: 12_345, limit: 200 }, names)).toContain(
      "12,345 characters",
    );
  });
});

describe("the log", () => {
  /** Something of each shape, as its definition has it. */
  const sampleOf = (shape: z.ZodType): Record<string, unknown> => {
    const schema = z.toJSONSchema(shape) as {
      properties: Record<string, { const?: string; enum?: string[]; type?: string }>;
    };
    return Object.fromEntries(
      Object.entries(schema.properties).map(([name, { const: fixed, enum: choices, type }]) => [
        name,
        fixed ?? choices?.[0] ?? (type === "number" ? 2 : type === "boolean" ? true : `a ${name}`),
      ]),
    );
  };

  it("tells every kind of entry in words, with all that it holds", () => {
    expect(logEntry.options.length).toBeGreaterThan(30);
    for (const option of logEntry.options) {
      const { kind, ...detail } = sampleOf(option);
      const said = sayEntry({ kind: String(kind), detail }, "en-GB");
      expect(said, String(kind)).not.toBe(kind);
      expect(said).not.toMatch(UNSAID);
      // The day of what was written down afterwards stands beside the sentence.
      const beside = ["note", "work-done"].includes(String(kind)) ? ["on"] : [];
      const texts = Object.entries(detail).filter(
        ([name]) => !["how", "source", "tag", "part", ...beside].includes(name),
      );
      for (const [name, value] of texts) {
        if (typeof value === "string") expect(said, `${kind}: ${name}`).toContain(value);
      }
    }
  });

  it("an entry of a kind that this version does not know keeps its name", () => {
    expect(sayEntry({ kind: "moon-landing", detail: {} }, "en-GB")).toBe("moon-landing");
  });
});

describe("counts, lists, days", () => {
  test.each([
    [0, "today"],
    [1, "1 day ago"],
    [59, "59 days ago"],
    [60, "2 months ago"],
    [400, "13 months ago"],
    [730, "2 years ago"],
    [-12, "in 12 days"],
  ])("%i days back is %s", (days, said) => {
    expect(sayDistance(addDays(today, -days), today)).toBe(said);
  });

  it("lengths in days never read as one of something that is more", () => {
    for (let days = 2; days < 4000; days++) expect(sayDays(days)).not.toMatch(/^1 /);
    for (let days = 2; days < 4000; days++) expect(sayDays(days)).toMatch(/^\d+ (days|months|years)$/);
  });

  it("dates leave out this year, instants keep the club's time", () => {
    expect(sayDate(plain("2026-05-02"), "en-GB", today)).toBe("2 May");
    expect(sayDate(plain("2027-05-02"), "en-GB", today)).toBe("2 May 2027");
    expect(sayInstant("2027-05-02T17:40:00Z", "en-GB", "Europe/Berlin")).toBe("2 May 2027, 19:40");
  });

  it("lists end, and say how many more there are", () => {
    expect(listed([])).toBe("");
    expect(listed(["a"])).toBe("a");
    expect(listed(["a", "b", "c"])).toBe("a, b and c");
    expect(listed(["a", "b", "c", "d", "e"])).toBe("a, b, c and 2 more");
    expect(counted(1, "radio")).toBe("1 radio");
    expect(counted(1200, "try", "tries")).toBe("1,200 tries");
  });

  it("a range of several bounds leaves none unsaid", () => {
    const said = (text: string) => {
      const read = parseRange(text);
      return read.ok ? sayRange(read.value) : "";
    };
    expect(said(">= 1, <= 2, < 3")).toBe(">= 1, <= 2, < 3");
    expect(said("> 1, >= 2")).toBe(">= 2, > 1");
    expect(said("> 1.06, < 1.14")).toBe("> 1.06, < 1.14");
  });
});
