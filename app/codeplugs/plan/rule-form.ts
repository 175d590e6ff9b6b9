// The form of a block that is a rule: which repeaters near a place.
import { type BlockRule, typedFrequency } from "#core/codeplug/index.ts";
import { bad, good, type Result } from "#core/quantities/index.ts";

/** Pairs of fields for so many bands. */
export const RULE_BANDS = 3;

type Fields = Readonly<Record<string, string>>;

const decimal = (typed: string): number | undefined =>
  /^[+-]?\d{1,5}([.,]\d+)?$/.test(typed) ? Number(typed.replace(",", ".")) : undefined;

/** The rule out of a form's texts; which field cannot be read, and why. */
export function ruleIn(text: (name: string) => string): Result<BlockRule, { kind: "typed"; fields: Fields }> {
  const fields: Record<string, string> = {};
  const wanted = (name: string, from: number, to: number, says: string): number => {
    const value = decimal(text(name));
    if (value === undefined || value < from || value > to) fields[name] = says;
    return value ?? 0;
  };
  const latitude = wanted("latitude", -90, 90, "Degrees north, such as 54.87.");
  const longitude = wanted("longitude", -180, 180, "Degrees east, such as 4.41.");
  const kilometres = wanted("kilometres", 0.1, 20_100, "Kilometres, from 0.1 on.");
  const bands = Array.from({ length: RULE_BANDS }, (_, i) => {
    const [from, to] = [text(`from${i}`), text(`to${i}`)];
    if (from === "" && to === "") return [];
    const band = { from: typedFrequency(from) ?? 0, to: typedFrequency(to) ?? 0 };
    if (band.from <= 0 || band.to <= band.from)
      fields[`from${i}`] = "From a lower to a higher frequency, in MHz.";
    return [band];
  }).flat();
  if (bands.length === 0) fields.from0 = "One band at least.";
  const modes = (["analogue", "digital"] as const).filter((mode) => text(mode) === "on");
  if (modes.length === 0) fields.analogue = "Analogue, digital, or both.";
  const months =
    text("months") === "" ? undefined : wanted("months", 1, 1200, "Months, from 1 on, or empty.");
  const most =
    text("most") === "" ? undefined : wanted("most", 1, 1000, "A number from 1 to 1,000, or empty.");
  if (Object.keys(fields).length > 0) return bad({ kind: "typed", fields });
  return good({
    around: text("around").slice(0, 60),
    place: { latitude, longitude },
    kilometres,
    bands,
    modes,
    openOnly: text("openOnly") === "on",
    ...(months !== undefined && { withinDays: Math.round(months * 30.4375) }),
    ...(most !== undefined && { most: Math.floor(most) }),
  });
}

/** A rule as the form's texts. */
export const ruleForm = (rule: BlockRule | undefined): Fields => ({
  around: rule?.around ?? "",
  latitude: rule ? String(rule.place.latitude) : "",
  longitude: rule ? String(rule.place.longitude) : "",
  kilometres: rule ? String(rule.kilometres) : "",
  months: rule?.withinDays === undefined ? "" : String(Math.round(rule.withinDays / 30.4375)),
  most: rule?.most === undefined ? "" : String(rule.most),
  analogue: !rule || rule.modes.includes("analogue") ? "on" : "",
  digital: rule?.modes.includes("digital") ? "on" : "",
  openOnly: !rule || rule.openOnly ? "on" : "",
  ...Object.fromEntries(
    Array.from({ length: RULE_BANDS }, (_, i) => [
      [`from${i}`, rule?.bands[i] ? String(rule.bands[i].from / 1e6) : ""],
      [`to${i}`, rule?.bands[i] ? String(rule.bands[i].to / 1e6) : ""],
    ]).flat(),
  ),
});
