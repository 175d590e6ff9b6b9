// npm run deep [-- FILES…]: the properties with many more random cases than in ./check, from a seed that is printed.
//   MOSSY_DEEP=20     so many times as many cases, where a property does not name its own number
//   MOSSY_SEED=123    the seed of a run before
import { spawnSync } from "node:child_process";
import path from "node:path";

const seed = process.env.MOSSY_SEED ?? String(Date.now() % 2 ** 31);
const deep = process.env.MOSSY_DEEP ?? "20";
console.log(`Seed ${seed}; the same again: MOSSY_SEED=${seed} MOSSY_DEEP=${deep} npm run deep`);
const bin = (name: string) => path.join("node_modules", ".bin", name);
const files = process.argv.slice(2);
const { status } = spawnSync(
  bin("tsx"),
  [
    "scripts/with-postgres.ts",
    bin("vitest"),
    "run",
    "--project",
    "core",
    "--project",
    "db",
    "--testTimeout",
    "0",
    "--passWithNoTests",
    ...files,
  ],
  { stdio: "inherit", env: { ...process.env, MOSSY_SEED: seed, MOSSY_DEEP: deep } },
);
process.exitCode = status ?? 1;
