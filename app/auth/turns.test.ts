// Few at once, a short line, and a refusal for the rest: whatever the order in which they end.
import fc from "fast-check";
import { expect, test } from "vitest";
import { cases } from "#core/quantities/testing.ts";
import { TooBusy, turnsOf } from "./turns.server.ts";

test("never more at once than may be, never more in line; each is done or refused at once, and places are not lost", () =>
  fc.assert(
    fc.asyncProperty(
      fc.scheduler(),
      fc.integer({ min: 1, max: 3 }),
      fc.integer({ min: 0, max: 4 }),
      fc.array(fc.boolean(), { minLength: 1, maxLength: 15 }),
      async (scheduler, most, waiting, fails) => {
        const inTurn = turnsOf(most, waiting);
        let [running, highest, refused, done] = [0, 0, 0, 0];
        const all = fails.map((fail, i) =>
          inTurn(async () => {
            running++;
            highest = Math.max(highest, running);
            await scheduler.schedule(Promise.resolve(), `work ${i}`);
            running--;
            if (fail) throw new Error("it failed");
          }).then(
            () => done++,
            (error: unknown) => (error instanceof TooBusy ? refused++ : done++),
          ),
        );
        await scheduler.waitFor(Promise.all(all));
        expect(highest).toBe(Math.min(most, fails.length));
        expect(refused).toBe(Math.max(0, fails.length - most - waiting));
        expect(done + refused).toBe(fails.length);
        // All places are free again.
        const again = Array.from({ length: most + waiting }, () => inTurn(async () => "done"));
        expect(await Promise.all(again)).toHaveLength(most + waiting);
      },
    ),
    { numRuns: cases(200) },
  ));
