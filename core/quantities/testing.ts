// How many random cases a property tries: few in ./check, many in `npm run deep`.

/** Set by `npm run deep`: so many times as many cases as in ./check. */
const DEEP = Number(process.env.MOSSY_DEEP ?? 0);

/** `usual` in ./check, the least that still finds the mutants planted in what it tests; `deep` cases in `npm run deep`. */
export const cases = (usual: number, deep: number = usual * DEEP): number => (DEEP > 0 ? deep : usual);
