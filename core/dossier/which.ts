// Which model is this? Ranks the models by what somebody sees, and says what to look at next to tell the likeliest apart.
import type { Identity } from "./identity.ts";
import { keysOf } from "./layout.ts";
import { revisionsOfSerial, serialsText, type WithSerials } from "./serial.ts";

export const FEATURES = ["label", "screen", "plug", "keys", "serial"] as const;
export type Feature = (typeof FEATURES)[number];

/** What somebody sees; what they have not looked at is absent. */
export type SeenRadio = {
  readonly label?: string | undefined;
  readonly screen?: string | undefined;
  readonly plug?: string | undefined;
  /** Number of keys, knobs not counted. */
  readonly keys?: number | undefined;
  readonly serial?: string | undefined;
};

export type KnownModel = {
  readonly id: string;
  readonly maker: string;
  readonly name: string;
  readonly identity: Identity;
  readonly revisions: readonly WithSerials[];
};

export type Candidate = {
  readonly id: string;
  readonly score: number;
  /** For each feature seen, whether it speaks for the model, against it, or nobody has written it down. */
  readonly says: readonly {
    readonly feature: Feature;
    readonly fits: "yes" | "partly" | "no" | "unknown";
    readonly expected: string;
  }[];
};

export type Which = {
  /** The likeliest first; models that everything seen speaks against are left out. */
  readonly candidates: readonly Candidate[];
  /** What would tell the likeliest apart best, and what each of them would show. */
  readonly next?: {
    readonly feature: Feature;
    readonly shows: readonly { readonly id: string; readonly what: string }[];
  };
};

const folded = (text: string) =>
  text
    .normalize("NFKC")
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, " ")
    .trim();
const WEIGHT = { yes: 3, partly: 1, no: -2, unknown: 0 } as const;

/** What a model would show of a feature. */
export function expected(model: KnownModel, feature: Feature): readonly string[] {
  const { identity } = model;
  switch (feature) {
    case "label":
      return [
        ...new Set([model.name, `${model.maker} ${model.name}`, ...identity.soldAs, ...identity.labels]),
      ];
    case "screen":
      return identity.screens;
    case "plug":
      return identity.plugs;
    case "keys":
      return identity.layout ? [String(keysOf({ ...identity.layout, knobs: [] }).length)] : [];
    case "serial":
      return model.revisions
        .filter((r) => r.serials.length > 0)
        .map((r) => `${serialsText(r.serials)} is hardware ${r.name}`);
  }
}

/** Which models fit what was seen of a radio, the likeliest first, each with what fits and what does not; and which feature to look at next. */
export function whichModel(seen: SeenRadio, models: readonly KnownModel[]): Which {
  const asked = FEATURES.filter((feature) => seen[feature] !== undefined && seen[feature] !== "");
  const candidates = models
    .map((model): Candidate => {
      const says = asked.map((feature) => {
        const known = expected(model, feature);
        if (feature === "serial") return { feature, ...serialFit(String(seen.serial), model) };
        return { feature, fits: fitOf(feature, String(seen[feature]), known), expected: known.join("; ") };
      });
      return { id: model.id, score: says.reduce((sum, s) => sum + WEIGHT[s.fits], 0), says };
    })
    .filter((c) => asked.length > 0 && !speaksAgainst(c))
    .sort((a, b) => b.score - a.score || (a.id < b.id ? -1 : 1));
  const best = candidates[0]?.score ?? 0;
  const likeliest = models.filter((m) => candidates.some((c) => c.id === m.id && c.score >= best - 1));
  const next = nextFeature(likeliest, asked);
  return { candidates, ...(next && { next }) };
}

/** Something seen speaks against it, and nothing for it. */
const speaksAgainst = ({ says }: Candidate): boolean =>
  says.some((s) => s.fits === "no") && !says.some((s) => s.fits === "yes" || s.fits === "partly");

/** A serial number that a revision claims speaks for the model, and tells the revision too. */
function serialFit(serial: string, { revisions }: KnownModel) {
  const claimed = revisionsOfSerial(serial, revisions);
  if (claimed.length > 0)
    return { fits: "yes", expected: `hardware ${claimed.map((r) => r.name).join(" or ")}` } as const;
  const known = revisions.flatMap((r) => r.serials);
  return known.length > 0
    ? ({ fits: "no", expected: serialsText(known) } as const)
    : ({ fits: "unknown", expected: "" } as const);
}

function fitOf(feature: Feature, seen: string, known: readonly string[]): Candidate["says"][number]["fits"] {
  if (known.length === 0) return "unknown";
  if (feature === "keys") {
    const apart = Math.abs(Number(seen) - Number(known[0]));
    return apart === 0 ? "yes" : apart <= 2 ? "partly" : "no";
  }
  const text = folded(seen);
  const texts = known.map(folded).filter((k) => k !== "");
  if (texts.includes(text)) return "yes";
  if (texts.some((k) => k.includes(text) || text.includes(k))) return "partly";
  const words = text.split(" ");
  const shared = (of: string) => words.filter((word) => of.split(" ").includes(word)).length;
  return texts.some((k) => shared(k) * 2 > words.length) ? "partly" : "no";
}

/** The feature not looked at yet under which the likeliest fall into the most, and most even, groups. */
function nextFeature(models: readonly KnownModel[], asked: readonly Feature[]): Which["next"] {
  if (models.length < 2) return undefined;
  let best: { feature: Feature; bits: number } | undefined;
  for (const feature of FEATURES) {
    if (asked.includes(feature)) continue;
    const groups = new Map<string, number>();
    for (const model of models) {
      const shows = expected(model, feature).map(folded).sort().join("|");
      groups.set(shows, (groups.get(shows) ?? 0) + 1);
    }
    const bits = [...groups.values()].reduce(
      (sum, n) => sum - (n / models.length) * Math.log2(n / models.length),
      0,
    );
    if (bits > (best?.bits ?? 0)) best = { feature, bits };
  }
  if (!best) return undefined;
  const { feature } = best;
  return { feature, shows: models.map((m) => ({ id: m.id, what: expected(m, feature).join(", ") })) };
}
