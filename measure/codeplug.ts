// Codeplugs: one plan of four hundred members for twelve models; two codeplugs of a thousand channels held against each other.
import {
  type CodeplugChannel,
  checkCodeplug,
  codeplugChannel,
  codeplugFacts,
  compareCodeplugs,
  layOut,
  type PlanBlock,
} from "#core/codeplug/index.ts";
import { modeShape } from "#core/modes/index.ts";
import { plain } from "#core/quantities/index.ts";
import { best, type Measured, sorts } from "./clock.ts";

const MHZ = 1_000_000;
const [BLOCKS, MEMBERS, MODELS, CHANNELS, CHECKED] = [9, 400, 12, 1000, 4000];

let seed = 3;
function random(most: number): number {
  seed = (seed * 1_103_515_245 + 12_345) % 2 ** 31;
  return seed % most;
}

const someChannel = (position: number): CodeplugChannel =>
  codeplugChannel.parse({
    position,
    name: `Channel ${random(500)}`,
    receive: (random(2) ? 144 : 430) * MHZ + random(150) * 12_500,
  });

export async function measureCodeplug(): Promise<Measured[]> {
  seed = 3;
  const plan: PlanBlock[] = Array.from({ length: BLOCKS }, (_, b) => ({
    name: `block ${b}`,
    priority: 1 + random(9),
    listens: b % 2 === 0,
    members: Array.from({ length: Math.ceil(MEMBERS / BLOCKS) }, () => {
      const { position: _position, ...member } = someChannel(1);
      return { ...member, transmit: member.receive };
    }),
  }));
  const laid = await best(10, () => {
    for (let model = 0; model < MODELS; model++)
      layOut(plan, {
        receive: [{ from: 136 * MHZ, to: 470 * MHZ }],
        transmit: [{ from: 144 * MHZ, to: 146 * MHZ }],
        digital: true,
        capacity: 16 << (model % 9),
        nameSigns: 6 + (model % 10),
        everyTone: false,
      });
  });
  const one = Array.from({ length: CHANNELS }, (_, i) => someChannel(i + 1));
  const moved = one.map((channel) => ({ ...channel, position: CHANNELS + 1 - channel.position }));
  const other = Array.from({ length: CHANNELS }, (_, i) => someChannel(i + 1));
  const alike = Array.from({ length: CHANNELS }, (_, i) => ({ ...someChannel(1), position: i + 1 })).map(
    (channel) => ({ ...channel, name: "A", receive: 145 * MHZ }),
  );
  const shifted = alike.map((channel) => ({ ...channel, position: channel.position + CHANNELS }));
  const compared = async (name: string, a: CodeplugChannel[], b: CodeplugChannel[], most: number) =>
    await sorts(
      `${CHANNELS} by ${CHANNELS} channels compared, ${name}`,
      await best(2, () => compareCodeplugs(a, b)),
      most,
    );
  const many = Array.from({ length: CHECKED }, (_, i) => {
    const channel = someChannel(i + 1);
    return { ...channel, transmit: channel.receive, bandwidth: 25_000 };
  });
  const mode = modeShape.parse({
    name: "locked",
    transmit: [{ from: 144 * MHZ, to: 145 * MHZ }],
    receive: [{ from: 136 * MHZ, to: 470 * MHZ }],
  });
  const checked = await best(10, () =>
    checkCodeplug(many, {
      mode,
      allowed: mode.transmit,
      class: "c",
      on: plain("2026-05-02"),
      lists: {},
      habits: [],
      holds: codeplugFacts.parse({ capacity: 4000, nameSigns: 9, digital: false }),
      plan: [{ class: "c", from: 1, to: 1e12, bandwidth: 12_500, note: "" }],
    }),
  );
  return [
    await sorts(`${CHECKED} channels checked`, checked, 5),
    await sorts(`a plan of ${MEMBERS} members laid out for ${MODELS} models`, laid, 10),
    await compared("all of them moved", one, moved, 30),
    await compared("with little in common", one, other, 30),
    await compared("all alike, at other positions", alike, shifted, 300),
  ];
}
