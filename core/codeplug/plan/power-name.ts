// The name that a model has for the power that a plan wants.

/** Words by how much they are of all there is. */
const SHARES: Readonly<Record<string, number>> = {
  full: 1,
  high: 1,
  hi: 1,
  h: 1,
  max: 1,
  maximum: 1,
  mid: 0.5,
  middle: 0.5,
  medium: 0.5,
  half: 0.5,
  med: 0.5,
  m: 0.5,
  low: 0,
  lo: 0,
  l: 0,
  min: 0,
  minimum: 0,
};
const watts = (text: string): number | undefined => {
  const [, number = "", unit = ""] = /^(\d+(?:[.,]\d+)?) ?(m?w|watts?)?$/i.exec(text.trim()) ?? [];
  if (number === "") return undefined;
  return Number(number.replace(",", ".")) / (/^mw$/i.test(unit) ? 1000 : 1);
};

/**
 * Of a model's names of powers (the highest first) the one for what is wanted: the same word; the same watts, else the most that is not more, else the
 * least there is; or by rank, never more than is wanted. Undefined where it cannot be told: then the model's own default stands. Where nobody has noted
 * the names, what is wanted stands as it is.
 */
export function powerName(wanted: string | undefined, powers: readonly string[]): string | undefined {
  if (wanted === undefined || powers.length === 0) return wanted;
  const word = wanted.trim().toLowerCase();
  const same = powers.find((one) => one.trim().toLowerCase() === word);
  if (same !== undefined) return same;
  const own = watts(wanted);
  if (own !== undefined) {
    const told = powers.flatMap((name) => {
      const value = watts(name);
      return value === undefined ? [] : [{ name, value }];
    });
    const fits = told.filter(({ value }) => value <= own).sort((a, b) => b.value - a.value);
    return (fits[0] ?? told.sort((a, b) => a.value - b.value)[0])?.name;
  }
  const share = SHARES[word];
  if (share === undefined) return undefined;
  return powers[Math.min(powers.length - 1, Math.floor((1 - share) * powers.length))];
}
