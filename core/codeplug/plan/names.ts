// Names for a display that shows few signs: shortened by a fixed rule, the least change first, and never two alike.

/** A name with its spaces in order. */
const tidy = (name: string): string => name.normalize("NFC").trim().replace(/\s+/g, " ");

const signs = (name: string): string[] => [...name];

/** Without its last small vowel, if it has one behind the first sign of a word. */
function withoutVowel(name: string): string | undefined {
  const all = signs(name);
  for (let i = all.length - 1; i > 0; i--)
    if (/[aeiou]/.test(all[i] ?? "") && /\p{L}/u.test(all[i - 1] ?? ""))
      return [...all.slice(0, i), ...all.slice(i + 1)].join("");
  return undefined;
}

/** One name within so many signs: its spaces closed, then its small vowels from the end, then cut. */
export function shortened(name: string, most: number): string {
  let short = tidy(name);
  if (signs(short).length <= most) return short;
  short = short.replace(/ /g, "");
  while (signs(short).length > most) {
    const less = withoutVowel(short);
    if (less === undefined) break;
    short = less;
  }
  return signs(short).slice(0, most).join("");
}

/**
 * All names within so many signs, no two alike however their letters are written: where two would be, the later one ends in a number. A name
 * that fits and is alone stays as it is. Undefined for one that cannot be told apart within so few signs.
 */
export function distinctNames(names: readonly string[], most: number): (string | undefined)[] {
  const key = (name: string) => name.toLowerCase();
  // Who fits as it is keeps its name, whoever comes before.
  const own = new Map<string, number>();
  for (const [i, name] of names.entries()) {
    const fits = tidy(name);
    if (signs(fits).length <= most && !own.has(key(fits))) own.set(key(fits), i);
  }
  const taken = new Set<string>();
  // By what stands before a number and how many digits that has: from where on numbers may still be free. All before it are taken.
  const next = new Map<string, number>();
  const numbered = (short: string): string | undefined => {
    const all = signs(short);
    for (let digits = 1; digits <= most; digits++) {
      const stem = all.slice(0, most - digits).join("");
      const counter = `${digits} ${key(stem)}`;
      const last = Math.min(10 ** digits - 1, names.length + 1);
      for (let n = next.get(counter) ?? Math.max(2, 10 ** (digits - 1)); n <= last; n++) {
        next.set(counter, n + 1);
        const name = `${stem}${n}`;
        if (taken.has(key(name)) || own.has(key(name))) continue;
        return name;
      }
    }
    return undefined;
  };
  return names.map((name, i) => {
    const short = shortened(name, most);
    const holder = own.get(key(short));
    const isFree = short !== "" && !taken.has(key(short)) && (holder === undefined || holder === i);
    const chosen = isFree ? short : numbered(short);
    if (chosen !== undefined) taken.add(key(chosen));
    return chosen;
  });
}
