// What a sentence of release notes says: a fix, a condition, a warning. Told by the words that makers use, in English and German.
import type { Erases } from "./conditions.ts";
import type { Track, Urgency } from "./words.ts";

export type Saying = {
  readonly urgency?: Urgency;
  readonly warning?: boolean;
  readonly withdrawn?: boolean;
  readonly track?: Track;
  readonly conditions: {
    readonly from?: string;
    readonly rollbackFloor?: string;
    readonly minutes?: number;
    readonly erases?: Erases;
  };
  readonly isCondition: boolean;
  /** It names further versions: what of them is no condition of this release must be read by somebody. */
  readonly saysMore?: boolean;
};

/** What may stand right before a version that is one of the radio's own firmware; any other word names what else the version is of. */
const OF_FIRMWARE =
  /(?:^|[^\p{L}\s])\s*$|(?:^|[^\p{L}])(?:version|ver|release|firmware|fw|build|main|over|from|than|to|on|if|at least|only|minimum|least|run|runs|running|needs?|requires?|install|update|upgrade|before|older|newer|have|has|is|be|with|and|or|not|by|mindestens|von|auf|ab|zuerst|erst|fassung|über|als|setzt|erfordert|oder|und|mit)\.?\s+$/iu;

const SAFETY =
  /\b(?:safety|danger|hazard|overheat|burn|fire|swell|transmits? (?:outside|beyond|out of)|stuck (?:in )?transmit|keeps? transmitting|emergency|distress|sicherheit|gefahr|überhitz|brand|notruf|dauersend)/iu;
const MENDS =
  /\b(?:fix|correct|mend|resolv|repair|cure|no longer|bug|issue|problem|crash|wrong|fail|lost|behob|behebt|korrig|fehler|repariert|nicht mehr|stürzt)/iu;
const WARNS =
  /^(?:warning|caution|attention|important|note|beware|do not|never|achtung|warnung|wichtig|hinweis|vorsicht|nicht)\b/iu;
const NEEDS =
  /\b(?:or (?:newer|later|higher|above)|at least|minimum|not before|only (?:from|over|on|if)|first (?:install|update|upgrade)|(?:install|update|upgrade)(?: to)? \S+ first|requires?|needs? (?:version|firmware)|must (?:run|be)|oder (?:neuer|höher|später)|mindestens|zuerst|setzt .{1,40} voraus|erfordert)/iu;
const BACK =
  /\b(?:no|not|never|cannot|can't|can not|impossible|kein|keine|nicht)\b.{0,60}\b(?:downgrad\w*|go(?:ing)? back|older|roll(?:ed)?[ -]?back|zurück|älter\w*)/iu;
const ERASING =
  /\b(?:eras|wip|clear|delet|reset|lost|lose|losing|lösch|gelöscht|verlor|zurückgesetzt|zurücksetz)/iu;
const ALL = /\b(?:everything|factory|all (?:data|memor|settings and)|alles|sämtlich|werk)/iu;
const PLUG = /\b(?:channel|memor|codeplug|talkgroup|kan[aä]l|speicher)/iu;
const SET = /\b(?:setting|menu|configur|einstellung)/iu;
const PULLED = /\b(?:withdrawn|recalled|pulled|do not (?:install|use) (?:it|this)|zurückgezogen)\b/iu;

export function sayingOf(
  sentence: string,
  asked: { readonly version: RegExp; readonly own: string; readonly isListed: boolean },
): Saying {
  const mends = MENDS.test(sentence.replace(/\blost\b/gi, ""));
  const conditions: { -readonly [Key in keyof Saying["conditions"]]: Saying["conditions"][Key] } = {};
  const named = [...sentence.matchAll(asked.version)]
    .map((match) => ({ found: match[0].replace(/^v(?=\d)/i, ""), before: sentence.slice(0, match.index) }))
    .filter(({ found }) => found.toLowerCase() !== asked.own.toLowerCase());
  const others = named.filter(({ before }) => OF_FIRMWARE.test(before)).map(({ found }) => found);
  const [other] = others;
  if (BACK.test(sentence)) conditions.rollbackFloor = other ?? asked.own;
  else if (other !== undefined && NEEDS.test(sentence)) conditions.from = `>= ${other}`;
  // "no longer erases the settings" tells of a fix.
  if (ERASING.test(sentence) && !/\b(?:fix|no longer|mended|behob|nicht mehr)/iu.test(sentence)) {
    const [plug, set] = [PLUG.test(sentence), SET.test(sentence)];
    if (ALL.test(sentence) || (plug && set)) conditions.erases = "everything";
    else if (plug) conditions.erases = "codeplug";
    else if (set) conditions.erases = "settings";
  }
  const minutes = /\b(?:takes|about|needs|dauert|etwa)\b[^.\d]{0,30}(\d{1,3})\s*min/iu.exec(sentence)?.[1];
  if (minutes !== undefined && Number(minutes) >= 1) conditions.minutes = Number(minutes);
  const isCondition = Object.keys(conditions).length > 0;
  const said = { conditions, isCondition, saysMore: isCondition && named.length > 1 };
  if (PULLED.test(sentence)) return { ...said, withdrawn: true, warning: true };
  if (WARNS.test(sentence)) return { ...said, warning: true };
  if (isCondition) return said;
  if (
    /^\(?\s*(?:public |open )?(?:beta|test|preview)(?: version| release|version)?\s*\)?\.?$/iu.test(sentence)
  )
    return { ...said, track: "beta" };
  if (/^\(?\s*community(?: build| firmware| release)?\s*\)?\.?$/iu.test(sentence))
    return { ...said, track: "community" };
  if (SAFETY.test(sentence)) return { ...said, urgency: "safety" };
  if (mends) return { ...said, urgency: "fix" };
  return asked.isListed ? { ...said, urgency: "routine" } : said;
}

const PLAIN = new Set(
  "fixed fixes fix corrected corrects correct mended mends mend resolved resolves improved improves improve added adds new support with when after from that this which longer would could were have been some more less than into over only sometimes problem issue wrong behoben behebt fehler wenn nach beim eine einen nicht mehr wird werden wurde".split(
    " ",
  ),
);

/**
 * Finds the word to watch for in a sentence: one that the club uses already, the longest first; else the first word that says something.
 * @param known the words that the club uses.
 */
export function tagReader(known: readonly string[]): (sentence: string) => string {
  const words = [...known]
    .sort((a, b) => b.length - a.length)
    .map((tag) => {
      const escaped = tag.toLowerCase().replace(/[/\\^$*+?.()|[\]{}]/g, "\\$&");
      return { tag, at: new RegExp(`(?<![\\p{L}\\d])${escaped}`, "u") };
    });
  return (sentence) => {
    const low = sentence.toLowerCase();
    const used = words.find(({ at }) => at.test(low));
    if (used) return used.tag;
    const said = low.match(/\p{L}[\p{L}-]{3,}/gu) ?? [];
    return (said.find((word) => !PLAIN.has(word)) ?? "other").slice(0, 100);
  };
}
