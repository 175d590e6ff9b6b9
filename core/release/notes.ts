// Reads pasted release notes: versions, days, fixes, conditions and warnings, each with its place in the text. All of it is a proposal for somebody to look at.
import type { PlainDate } from "../quantities/index.ts";
import type { Erases } from "./conditions.ts";
import { DAY_PATTERN, datesIn, dayWritten } from "./notes-dates.ts";
import { sayingOf, tagReader } from "./notes-sentences.ts";
import type { Track, Urgency } from "./words.ts";

/** Longer than any release notes; more is refused. */
export const LONGEST_NOTES = 200_000;
/** So many releases are found at most. */
export const MOST_PROPOSALS = 60;
const MOST_FIXES = 60;
const LONGEST_LINE = 2000;
/** A line that begins a release is no longer than that. */
const LONGEST_HEADING = 600;

/** Lines of the text, counted from 1, both included. */
export type TextRange = { readonly from: number; readonly to: number };

export type FoundFix = {
  readonly tag: string;
  readonly urgency: Urgency;
  readonly text: string;
  readonly line: number;
};

export type Proposal = {
  readonly version: string;
  /** Where it is told, the first place first. Several: it is told more than once, as where the notes are in two languages. */
  readonly places: readonly TextRange[];
  readonly on?: PlainDate;
  /** The day could be read another way: day and month cannot be told apart. */
  readonly otherDay?: PlainDate;
  readonly track: Track;
  readonly fixes: readonly FoundFix[];
  /** The version it must be installed over at least, as it is written. */
  readonly from?: string;
  readonly rollbackFloor?: string;
  readonly erases: Erases;
  readonly minutes?: number;
  readonly withdrawn: boolean;
  readonly warnings: readonly { readonly text: string; readonly line: number }[];
  /** What is none of that. */
  readonly rest: readonly string[];
};

export type Notes = {
  readonly proposals: readonly Proposal[];
  /** Lines before the first version: nobody can say of which release they speak. */
  readonly unplaced: readonly { readonly text: string; readonly line: number }[];
};

const SUFFIX = String.raw`(?:[-_. ]?(?:alpha|beta|rc|patch|sp|b|p|r)[-_.]?\d{0,3}(?![\w])|[a-z](?![\w]))?`;
/** A letter or two may lead: v1.14, R03.01.07. */
const DOTTED = String.raw`[a-zA-Z]{0,2}\d{1,4}(?:\.\d{1,6}){1,4}${SUFFIX}`;
const LEAD = String.raw`(?:(?:version|release|firmware|fw|ver|build|update|fassung|changes in|what is new in|new in|neu in|änderungen in|für)\b[\s.:#]*)`;

/** Names in `known` without dots, such as B12 or reedling-4: others of their kind are versions too. */
function kindsOf(known: readonly string[]): string {
  const stems = known.flatMap((version) => /^([a-z]+[-_ ]?)\d+$/i.exec(version)?.[1] ?? []);
  const escaped = [...new Set(stems)].map((stem) => stem.replace(/[/\\^$*+?.()|[\]{}]/g, "\\$&"));
  return escaped.length > 0 ? `|(?:${escaped.join("|")})\\d{1,6}(?![\\w.])` : "";
}

const MARKS = /^[\s#=*_>[\]-]+|[\s#=*_[\]:-]+$/g;
const BULLET = /^\s*(?:[-*•–·+]|\d{1,2}[.)](?=\s))\s+/;

/**
 * @param known versions that the model has already: their kinds are recognised where they have no dots.
 * @param tags of fixes that the club has used: words of the text that are among them are taken as tags.
 */
export function findReleases(
  text: string,
  known: readonly string[] = [],
  tags: readonly string[] = [],
): Notes {
  const version = `(?:${DOTTED}${kindsOf(known)})`;
  const heading = new RegExp(`^${LEAD}{0,3}(${version})(?![\\w%])(.*)$`, "iu");
  const whole = new RegExp(`^${LEAD}{0,2}(${version})$`, "iu");
  const dates = datesIn(text);
  const found: Building[] = [];
  const unplaced: { text: string; line: number }[] = [];
  let now: Building | undefined;
  let bullets = true;
  text.split(/\r\n|\r|\n/).forEach((raw, i) => {
    const line = i + 1;
    const full = raw.slice(0, LONGEST_LINE);
    const head = rowOf(full, whole) ?? headOf(full, heading, bullets);
    if (head && found.length < MOST_PROPOSALS) {
      bullets = head.isBullet;
      now = { version: head.version.replace(/^v(?=\d)/i, ""), line, end: line, lines: [], dayText: head.day };
      found.push(now);
      if (head.rest !== "") now.lines.push({ text: head.rest, line });
      return;
    }
    const body = full.trim();
    if (body === "" || /^[-=*_#|+:\s]+$/.test(body)) return;
    if (!now) {
      if (unplaced.length < 20) unplaced.push({ text: body, line });
      return;
    }
    now.end = line;
    // A day that stands alone below its version.
    if (now.dayText === undefined && dates.read(body)) now.dayText = body;
    else now.lines.push({ text: body, line });
  });
  const words = { tagOf: tagReader(tags), version: new RegExp(version, "giu") };
  const built = found.map((one) => proposalOf(one, dates, words));
  return { proposals: joined(built), unplaced };
}

type Line = { readonly text: string; readonly line: number };
type Building = { version: string; line: number; end: number; lines: Line[]; dayText: string | undefined };
type Head = {
  readonly version: string;
  readonly day: string | undefined;
  readonly rest: string;
  readonly isBullet: boolean;
};

/** A row of a table: one of its cells is a version and nothing else. */
function rowOf(line: string, whole: RegExp): Head | undefined {
  for (const mark of [/\t/, /\|/, /;/, /,/]) {
    const cells = line.split(mark).map((cell) => cell.trim().replace(/^"|"$/g, ""));
    const filled = cells.filter((cell) => cell !== "");
    if (filled.length < 2) continue;
    const written = filled.filter((cell) => DAY_PATTERN.test(cell));
    const sure = dayWritten(written.join("\n"));
    const day = written.find((cell) => sure !== undefined && cell.includes(sure));
    const at = filled.findIndex((cell) => whole.test(cell) && cell !== day);
    // In a line of text with commas a version may stand between two of them: there its day must be told too.
    if (at < 0 || (mark.source === "," && (at > 1 || day === undefined))) continue;
    const version = whole.exec(filled[at] ?? "")?.[1];
    if (!version) continue;
    const rest = filled.filter((_, i) => i !== at);
    return { version, day, rest: rest.filter((cell) => cell !== day).join(". "), isBullet: false };
  }
  return undefined;
}

/** `bullets`: what came before were bullets, too. A line that begins with a version and then says a day, little, or, behind a colon, what is new. */
function headOf(line: string, heading: RegExp, bullets: boolean): Head | undefined {
  if (line.length > LONGEST_HEADING) return undefined;
  const isBullet = BULLET.test(line);
  const bare = line.replace(BULLET, "").replace(MARKS, "");
  // A day that stands first is no version.
  const day = dayWritten(bare);
  const without = day ? bare.replace(day, " ").replace(/^[\s,:–()-]+/, "") : bare;
  const read = heading.exec(without);
  if (!read?.[1]) return undefined;
  const behind = (read[2] ?? "").replace(/\(\s*\)|\[\s*\]/g, "").trim();
  const said = /^[:–—-]\s*(.+)$/.exec(behind)?.[1] ?? (isBullet ? undefined : short(behind));
  if (said === undefined) return undefined;
  // Among releases that are all told in bullets, one with a colon behind it is the next.
  if (isBullet && day === undefined && said !== "" && !bullets) return undefined;
  return { version: read[1], day, isBullet, rest: said.replace(/^[\s(,.:–—-]+|[\s),:–—-]+$/g, "") };
}

/** What may stand behind the version of a heading: a few words that do not go on with a sentence. */
function short(behind: string): string | undefined {
  if (behind === "") return "";
  if (
    /^(?:or|and|to|and|oder|und|bis|is|was|are|has|needs|requires|must|can|only|\+|ist|hat|muss)\b/i.test(
      behind,
    )
  )
    return undefined;
  return behind.length <= 60 ? behind : undefined;
}

function proposalOf(
  one: Building,
  dates: ReturnType<typeof datesIn>,
  words: { readonly tagOf: (sentence: string) => string; readonly version: RegExp },
): Proposal {
  const day = one.dayText === undefined ? undefined : dates.read(one.dayText);
  const fixes: FoundFix[] = [];
  const warnings: Line[] = [];
  const rest: string[] = [];
  let told: Partial<Pick<Proposal, "from" | "rollbackFloor" | "minutes">> & { erases?: Erases } = {};
  let withdrawn = false;
  let track: Track =
    /[-_. ]?(?:alpha|beta|rc|b)[-_.]?\d*$/i.test(one.version) && /[a-z]/i.test(one.version)
      ? "beta"
      : "factory";
  for (const { text, line } of one.lines) {
    const isListed = BULLET.test(text);
    const clean = text.replace(BULLET, "").trim();
    for (const sentence of clean.split(/(?<=[.!?])\s+(?=[\p{Lu}\d])/u)) {
      const saying = sayingOf(sentence, { version: words.version, own: one.version, isListed });
      if (saying.withdrawn) withdrawn = true;
      if (saying.track) track = saying.track;
      told = { ...told, ...saying.conditions };
      if (saying.warning) warnings.push({ text: sentence.slice(0, 500), line });
      else if (saying.urgency && fixes.length < MOST_FIXES)
        fixes.push({
          urgency: saying.urgency,
          line,
          text: sentence.replace(/[.\s]+$/, "").slice(0, 500),
          tag: words.tagOf(sentence),
        });
      else if ((!saying.isCondition || saying.saysMore) && !saying.track) rest.push(sentence);
    }
  }
  return {
    version: one.version.slice(0, 200),
    places: [{ from: one.line, to: one.end }],
    ...(day && { on: day.on, ...(day.other && { otherDay: day.other }) }),
    track,
    fixes,
    erases: told.erases ?? "nothing",
    withdrawn,
    warnings,
    rest,
    ...(told.from !== undefined && { from: told.from }),
    ...(told.rollbackFloor !== undefined && { rollbackFloor: told.rollbackFloor }),
    ...(told.minutes !== undefined && { minutes: told.minutes }),
  };
}

/** The same version told again is the same release: what the second says of conditions and days counts where the first is silent. */
function joined(all: readonly Proposal[]): Proposal[] {
  const by = new Map<string, Proposal>();
  for (const one of all) {
    const key = one.version.toLowerCase();
    const first = by.get(key);
    if (!first) {
      by.set(key, one);
      continue;
    }
    by.set(key, {
      ...one,
      ...first,
      places: [...first.places, ...one.places],
      fixes: first.fixes.length > 0 ? first.fixes : one.fixes,
      warnings: [...first.warnings, ...one.warnings],
      erases: first.erases === "nothing" ? one.erases : first.erases,
      withdrawn: first.withdrawn || one.withdrawn,
      track: first.track === "factory" ? one.track : first.track,
      rest: [...first.rest, ...(first.fixes.length > 0 ? one.fixes.map((fix) => fix.text) : []), ...one.rest],
    });
  }
  return [...by.values()];
}
