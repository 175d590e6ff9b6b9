// Each fact behind a verdict as a sentence, with the record it leads to.
import { listed } from "#core/quantities/list.ts";
import type { Fact } from "#core/unit/facts.ts";
import type { PolicyRule } from "#core/unit/policy.ts";
import { counted } from "./count.ts";
import { sayHertz, sayWidth } from "./frequency.ts";
import { clip, type Names, sayNumbering, sayPlace, sayProblem } from "./standing.ts";
import { sayDate } from "./time.ts";

export type SaidFact = {
  readonly text: string;
  readonly to?: "readings" | "releases" | "group" | "history" | "modes" | "pairings" | "channels";
};

const CARRIES = {
  older: "carries an older one",
  other: "carries another table",
  unknown: "may carry it or not: nobody has read it since",
} as const;
const IDENTITY = { digital: "digital ID", call: "call sign" } as const;

const UNPAIRED = {
  dropped: "it dropped",
  failed: "it failed when somebody looked",
  lost: "the pairing was lost",
} as const;

export function sayFact(fact: Fact, names: Names): SaidFact {
  const day = (date: Parameters<typeof sayDate>[0]) => sayDate(date, names.locale, names.today);
  const releases = (ids: readonly string[]) => listed(ids.map(names.release), 6);
  switch (fact.kind) {
    case "never-read":
      return { text: `In the records since ${day(fact.since)} and never read.`, to: "readings" };
    case "reading":
      return {
        text: `Read as “${clip(fact.raw)}” on ${fact.on ? day(fact.on) : "a day that nobody knows"}.`,
        to: "readings",
      };
    case "none-known":
      return { text: "We know of no release for it, so that there is nothing to compare.", to: "releases" };
    case "runs":
      return { text: `That is release ${names.release(fact.release)}.`, to: "releases" };
    case "runs-uncatalogued":
      return {
        text: `${clip(fact.version)} is not in our list of releases; it is placed by its number.`,
        to: "releases",
      };
    case "newer":
      return { text: `Newer, admitted and fitting: ${releases(fact.releases)}.`, to: "releases" };
    case "skips":
      return {
        text:
          fact.count === 1
            ? `Newer, admitted and fitting: ${names.release(fact.first)}.`
            : `Newer, admitted and fitting: ${fact.count} releases, from ${names.release(fact.first)} to ${names.release(fact.latest)}.`,
        to: "releases",
      };
    case "ordered-by-date":
      return {
        text: `${names.release(fact.release)} has a number of another shape and is placed by its date on its own track.`,
        to: "releases",
      };
    case "not-admitted":
      return { text: `On a track that the group does not use: ${releases(fact.releases)}.`, to: "group" };
    case "does-not-fit":
      return {
        text: `Newer, but not for this hardware revision or region: ${releases(fact.releases)}.`,
        to: "releases",
      };
    case "may-not-fit":
      return {
        text: `May fit, but we do not know this radio's hardware revision or region: ${releases(fact.releases)}.`,
        to: "releases",
      };
    case "withdrawn":
      return {
        text: `${names.release(fact.release)} was withdrawn on ${day(fact.on)}: ${fact.why}.`,
        to: "releases",
      };
    case "numbering":
      return {
        text:
          fact.tau === undefined
            ? `Versions count ${sayNumbering(fact.numbering)}.`
            : `Versions seem to count ${sayNumbering(fact.numbering)}; nobody has confirmed it (fit ${fact.tau.toFixed(2)} of 1).`,
        to: "releases",
      };
    case "cannot-place":
      return { text: sayProblem(fact.problem, names), to: "readings" };
    case "two-places":
      return {
        text: `It can be placed in two ways: ${fact.places.map((p) => sayPlace(p, names)).join("; ")}.`,
        to: "releases",
      };
    case "rule":
      return { text: `The group's policy: ${sayRule(fact.rule, names)}.`, to: "group" };
    case "fixes":
      return {
        text: `${names.release(fact.release)} mends “${fact.tag}” (${fact.urgency === "safety" ? "a matter of safety" : "a fix"}).`,
        to: "releases",
      };
    case "hold":
      return {
        text: `On hold until ${day(fact.until)} (${fact.of === "unit" ? "this radio" : "its group"}): ${fact.why}.`,
        to: "group",
      };
    case "hold-broken":
      return {
        text: `The safety fix in ${names.release(fact.release)} breaks through the hold.`,
        to: "releases",
      };
    case "stale":
      return {
        text: `Readings are good for ${counted(fact.afterDays, "day")}; ${fact.on ? `this one is from ${day(fact.on)}` : "nobody knows the day of this one, so it counts as older"}.`,
        to: "group",
      };
    case "back-from-custody":
      return { text: `It came back on ${day(fact.on)} and has not been read since.`, to: "history" };
    case "backed-up":
      return { text: `It was last read out and kept on ${day(fact.on)}.`, to: "history" };
    case "written-since":
      return { text: `It was written to on ${day(fact.on)}, after that.`, to: "readings" };
    case "measured":
      return {
        text: `${fact.on ? `Its power was last measured on ${day(fact.on)}` : "Its power was never measured"}; ${fact.everyDays === undefined ? "its group asks for that after a flash" : `its group asks for that every ${counted(fact.everyDays, "day")}`}.`,
        to: "group",
      };
    case "flashed-since":
      return { text: `It was flashed on ${day(fact.on)}, after that.`, to: "readings" };
    case "in-mode":
      return { text: `It is in the mode ${fact.mode} since ${day(fact.on)}.`, to: "modes" };
    case "allowed-by":
      return {
        text:
          fact.of === "approval"
            ? "Its group keeps old radios within what they were approved for."
            : `What ${fact.class ?? "its user"} may use counts: ${fact.of === "holder" ? "that is the class of who has it" : "nobody has it, and that is its group's"}.`,
        to: "group",
      };
    case "beyond":
      return {
        text: `It transmits beyond that: ${sayWidth(fact.width)} in all, the first from ${sayHertz(fact.from)} to ${sayHertz(fact.to)}.`,
        to: "modes",
      };
    case "pairing":
      return { text: `${clip(fact.device)}: ${UNPAIRED[fact.why]} on ${day(fact.on)}.`, to: "pairings" };
    case "codeplug":
      return {
        text: `Plan ${fact.plan} of the channels counts since ${day(fact.since)}; the radio ${CARRIES[fact.has]}${fact.on ? `, by what was known on ${day(fact.on)}` : ""}.`,
        to: "channels",
      };
    case "identity":
      return {
        text: fact.askedOn
          ? `Its ${IDENTITY[fact.what]} was asked for on ${day(fact.askedOn)}${fact.by ? ` and should have come by ${day(fact.by)}` : ""}.`
          : `Its ${IDENTITY[fact.what]} is wanted, and nobody has asked for it.`,
        to: "channels",
      };
    case "flash-unconfirmed":
      return {
        text: `The flash ${fact.on ? `on ${day(fact.on)}` : "on a day that nobody knows"} has not been confirmed by reading it off the radio.`,
        to: "readings",
      };
  }
}

export function sayRule(rule: PolicyRule, names: Pick<Names, "release" | "locale">): string {
  switch (rule.kind) {
    case "newest":
      return "always the newest release";
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
