// Each fact behind a verdict as a sentence, with the record it leads to.
import type { HoldReason, Reason } from "#core/needs/index.ts";
import { listed, type PlainDate } from "#core/quantities/index.ts";
import type { Fact, PolicyRule, RuleKind } from "#core/unit/index.ts";
import { counted } from "./count.ts";
import { sayReason } from "./needs/index.ts";
import type { SaidFact } from "./needs/kind.ts";
import { sayDate } from "./time.ts";
import { clip, type Names, sayNumbering, sayPlace, sayProblem } from "./unit/standing.ts";

/** A reason of any kind of need, or a fact of how a part stands, as a sentence. */
export function sayFact(fact: Reason, names: Names): SaidFact {
  const day = (date: PlainDate) => sayDate(date, names.locale, names.today);
  return sayReason(fact, { names, day }) ?? sayStandingFact(fact as Standing, names, day);
}

type Day = (date: PlainDate) => string;
type Standing = Fact | HoldReason;

const some = (ids: readonly string[], names: Names) => listed(ids.map(names.release), 6);

const STANDING: {
  readonly [K in Standing["kind"]]: (
    fact: Extract<Standing, { kind: K }>,
    names: Names,
    day: Day,
  ) => SaidFact;
} = {
  "never-read": (fact, _names, day) => ({
    text: `In the records since ${day(fact.since)} and never read.`,
    to: "readings",
  }),
  reading: (fact, _names, day) => ({
    text: `Read as “${clip(fact.raw)}” on ${fact.on ? day(fact.on) : "a day that nobody knows"}.`,
    to: "readings",
  }),
  "none-known": () => ({
    text: "We know of no release for it, so that there is nothing to compare.",
    to: "releases",
  }),
  runs: (fact, names) => ({ text: `That is release ${names.release(fact.release)}.`, to: "releases" }),
  "runs-uncatalogued": (fact) => ({
    text: `${clip(fact.version)} is not in our list of releases; it is placed by its number.`,
    to: "releases",
  }),
  newer: (fact, names) => ({
    text: `Newer, admitted and fitting: ${some(fact.releases, names)}.`,
    to: "releases",
  }),
  skips: (fact, names) => ({
    text:
      fact.count === 1
        ? `Newer, admitted and fitting: ${names.release(fact.first)}.`
        : `Newer, admitted and fitting: ${fact.count} releases, from ${names.release(fact.first)} to ${names.release(fact.latest)}.`,
    to: "releases",
  }),
  "ordered-by-date": (fact, names) => ({
    text: `${names.release(fact.release)} has a number of another shape and is placed by its date on its own track.`,
    to: "releases",
  }),
  "not-admitted": (fact, names) => ({
    text: `On a track that the group does not use: ${some(fact.releases, names)}.`,
    to: "group",
  }),
  "does-not-fit": (fact, names) => ({
    text: `Newer, but not for this hardware revision or region: ${some(fact.releases, names)}.`,
    to: "releases",
  }),
  "may-not-fit": (fact, names) => ({
    text: `May fit, but we do not know this radio's hardware revision or region: ${some(fact.releases, names)}.`,
    to: "releases",
  }),
  withdrawn: (fact, names, day) => ({
    text: `${names.release(fact.release)} was withdrawn on ${day(fact.on)}: ${fact.why}.`,
    to: "releases",
  }),
  numbering: (fact) => ({
    text:
      fact.tau === undefined
        ? `Versions count ${sayNumbering(fact.numbering)}.`
        : `Versions seem to count ${sayNumbering(fact.numbering)}; nobody has confirmed it (fit ${fact.tau.toFixed(2)} of 1).`,
    to: "releases",
  }),
  "cannot-place": (fact, names) => ({ text: sayProblem(fact.problem, names), to: "readings" }),
  "two-places": (fact, names) => ({
    text: `It can be placed in two ways: ${fact.places.map((p) => sayPlace(p, names)).join("; ")}.`,
    to: "releases",
  }),
  rule: (fact, names) => ({ text: `The group's policy: ${sayRule(fact.rule, names)}.`, to: "group" }),
  fixes: (fact, names) => ({
    text: `${names.release(fact.release)} mends “${fact.tag}” (${fact.urgency === "safety" ? "a matter of safety" : "a fix"}).`,
    to: "releases",
  }),
  hold: (fact, _names, day) => ({
    text: `On hold until ${day(fact.until)} (${fact.of === "unit" ? "this radio" : "its group"}): ${fact.why}.`,
    to: "group",
  }),
  "hold-broken": (fact, names) => ({
    text: `The safety fix in ${names.release(fact.release)} breaks through the hold.`,
    to: "releases",
  }),
};

function sayStandingFact(fact: Standing, names: Names, day: Day): SaidFact {
  const say = STANDING[fact.kind] as (fact: Standing, names: Names, day: Day) => SaidFact;
  return say(fact, names, day);
}

/** A rule to choose, before anything of it is known. */
export const RULE_WORDS: Readonly<Record<RuleKind, string>> = {
  newest: "always the newest",
  "newest-but-one": "the newest but one: once the next is out",
  settled: "the newest, once it has settled",
  fixes: "newer only if it mends something that matters",
  pinned: "just these releases",
};

export function sayRule(rule: PolicyRule, names: Pick<Names, "release" | "locale">): string {
  switch (rule.kind) {
    case "newest":
      return "always the newest release";
    case "newest-but-one":
      return "the newest release but one, once the next is out";
    case "settled":
      return `the newest release, once it is ${counted(rule.days, "day")} old`;
    case "fixes": {
      const parts = [
        ...(rule.tags.length > 0 ? [`it mends ${listed(rule.tags)}`] : []),
        ...(rule.atLeast
          ? [rule.atLeast === "safety" ? "it is a matter of safety" : "it mends a fault"]
          : []),
      ];
      return parts.length === 0 ? "nothing calls for an update" : `only if ${parts.join(" or ")}`;
    }
    case "pinned":
      return `pinned to ${listed(rule.releases.map(names.release))}${rule.until ? ` until ${sayDate(rule.until, names.locale)}` : ""}, otherwise ${sayRule(rule.otherwise, names)}`;
  }
}
