// npm run measure: speeds as ratios in one run; prints the table that docs/measurements.md keeps.

import { measureBench, measureBenchLong } from "./bench.ts";
import { measureBluetooth } from "./bluetooth.ts";
import { measureCodeplug } from "./codeplug.ts";
import { measureDossier } from "./dossier.ts";
import { measureHostile } from "./hostile.ts";
import { measureKit } from "./kit.ts";
import { measureModes } from "./modes.ts";
import { measureCore } from "./needs.ts";
import { measurePages } from "./pages.ts";
import { measurePreview } from "./preview.ts";
import { measureRoute } from "./route.ts";
import { measureStore } from "./store.ts";

const PARTS = {
  core: measureCore,
  route: measureRoute,
  modes: measureModes,
  bluetooth: measureBluetooth,
  codeplug: measureCodeplug,
  kit: measureKit,
  store: measureStore,
  preview: measurePreview,
  pages: measurePages,
  dossier: measureDossier,
  bench: measureBench,
  hostile: measureHostile,
};
/** So long that they are done only when asked for by name. */
const LONG = { "bench-long": measureBenchLong };
const wanted = process.argv.slice(2);
const results = [];
for (const [name, measure] of Object.entries({ ...PARTS, ...LONG })) {
  if (wanted.length > 0 ? !wanted.includes(name) : name in LONG) continue;
  console.error(name);
  results.push(...(await measure()));
}
console.log("| what | measured | asked | |\n| --- | --- | --- | --- |");
for (const { what, value, asked, ok } of results)
  console.log(`| ${what} | ${value} | ${asked} | ${ok ? "holds" : "**missed**"} |`);
