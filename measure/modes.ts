// Modes: the test frequencies that tell twelve modes apart over two hundred pieces of the air, and the ruler with forty ranges and a thousand channels.
import { createElement } from "react";
import { renderToString } from "react-dom/server";
import { Ruler } from "#app/ui/ruler.tsx";
import { normalised, type Probed, probesFor, RASTER, without } from "#core/modes/index.ts";
import { best, type Measured, sorts } from "./clock.ts";

const MHZ = 1_000_000;
const MODES = 12;

/** Modes whose bands end at random, so that together they cut the air into so many pieces. The same each time. */
function scattered(pieces: number): Probed[] {
  let seed = 7;
  const random = () => {
    seed = (seed * 1_103_515_245 + 12_345) % 2 ** 31;
    return seed / 2 ** 31;
  };
  const bands = Math.ceil(pieces / MODES / 2);
  return Array.from({ length: MODES }, (_, m) => ({
    id: `mode ${m}`,
    transmit: normalised(
      Array.from({ length: bands }, () => {
        const from = 100 * MHZ + Math.floor(random() * 400 * MHZ);
        return { from, to: from + Math.floor((1 + random() * 14) * MHZ) };
      }),
    ),
  }));
}

export async function measureModes(): Promise<Measured[]> {
  const modes = scattered(230);
  const edges = new Set(modes.flatMap(({ transmit }) => transmit.flatMap(({ from, to }) => [from, to])));
  const privileges = [
    { from: 144 * MHZ, to: 146 * MHZ },
    { from: 430 * MHZ, to: 440 * MHZ },
  ];
  let found = 0;
  const probes = await best(20, () => {
    found = probesFor(modes, privileges, RASTER).probes.length;
  });
  const ranges = Array.from({ length: 40 }, (_, i) => ({
    from: (100 + i * 10) * MHZ,
    to: (104 + i * 10) * MHZ,
  }));
  const ticks = Array.from({ length: 1000 }, (_, i) => 100 * MHZ + i * 400_000);
  const lanes = [
    { name: "transmits", bands: ranges, beyond: without(ranges, privileges) },
    { name: "channels", bands: [], ticks },
  ];
  const drawn = await best(20, () => renderToString(createElement(Ruler, { name: "measured", lanes })));
  return [
    await sorts(
      `test frequencies for ${MODES} modes over ${edges.size - 1} pieces of the air (${found} of them)`,
      probes,
      10,
    ),
    await sorts("the ruler of 40 ranges and 1,000 channels, as markup", drawn, 5),
  ];
}
