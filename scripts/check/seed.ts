// From where random cases are drawn: in ./check always the same, in `npm run deep` from MOSSY_SEED, which it chooses and prints.
import fc from "fast-check";

fc.configureGlobal({ ...fc.readConfigureGlobal(), seed: Number(process.env.MOSSY_SEED ?? 1) });
