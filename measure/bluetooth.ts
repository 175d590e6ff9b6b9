// Bluetooth: charge and readiness of two hundred devices on twenty chargers, with a hundred notes each.
import {
  type Charged,
  chargeNow,
  chargerPlans,
  type Noted,
  readinessOf,
  storyOf,
} from "#core/bluetooth/index.ts";
import { best, type Measured, sorts } from "./clock.ts";

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const [DEVICES, NOTES, CHARGERS, PLACES] = [200, 100, 20, 4];

/** What somebody has noted twice a week: levels, now and then a charge, now and then a use. The same each time. */
function devices(): Charged[] {
  let seed = 11;
  const random = (most: number) => {
    seed = (seed * 1_103_515_245 + 12_345) % 2 ** 31;
    return seed % most;
  };
  return Array.from({ length: DEVICES }, (_, i) => {
    const notes: Noted[] = Array.from({ length: NOTES }, (_, n): Noted => {
      const at = n * 4 * DAY + random(1000);
      if (n % 10 === 3) return { kind: "plugged", at };
      if (n % 10 === 4) return { kind: "unplugged", at };
      return n % 7 === 2
        ? { kind: "used", at, percent: random(10) }
        : { kind: "level", at, percent: random(100) };
    });
    return {
      id: String(i),
      battery: "sound",
      fullMinutes: 60 + random(120),
      idlePerDay: 1,
      story: storyOf(notes),
      charger: String(i % CHARGERS),
    };
  });
}

export async function measureBluetooth(): Promise<Measured[]> {
  const things = devices();
  const now = NOTES * 4 * DAY;
  const chargers = Array.from({ length: CHARGERS }, (_, i) => ({ id: String(i), places: PLACES }));
  const rows: Measured[] = [];
  const ready = await best(20, () => {
    for (const thing of things) chargeNow(thing, now);
    return new Map(things.map((thing) => [thing.id, readinessOf(thing, 80, now + 8 * HOUR, now)]));
  });
  rows.push(await sorts(`charge and readiness of ${DEVICES} devices, ${NOTES} notes each`, ready, 2));
  for (const hours of [8, 3]) {
    const found = new Map(
      things.map((thing) => [thing.id, readinessOf(thing, 80, now + hours * HOUR, now)] as const),
    );
    let late = 0;
    let exact = true;
    const plans = await best(5, () => {
      const all = chargerPlans(found, things, chargers, now + hours * HOUR, now);
      late = all.reduce((sum, plan) => sum + plan.late.length, 0);
      exact = all.every((plan) => plan.exact);
    });
    rows.push(
      await sorts(
        `the places of ${CHARGERS} chargers for them within ${hours} hours (${late} too late${exact ? "" : ", not exact"})`,
        plans,
        2,
      ),
    );
  }
  return rows;
}
