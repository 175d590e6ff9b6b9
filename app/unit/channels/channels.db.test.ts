// What the demo's radios carry, held against all that can be wrong with it.
import { afterAll, beforeAll, expect, test } from "vitest";
import { CODEPLUG_ORDER } from "#core/codeplug/check/check-codeplug.ts";
import { CURES } from "#core/codeplug/index.ts";
import { type DemoClub, demoClub } from "../../../demo/testing.ts";
import { loadChannels } from "./load-channels.server.ts";

let demo: DemoClub;
beforeAll(async () => {
  demo = await demoClub();
});
afterAll(() => demo.close());

test("in the demo every finding occurs, and so does every cure", () =>
  demo.ask(async (tx, who) => {
    const { rows } = await tx.query<{ tag: string }>(
      "select u.tag from unit u join codeplug_facts f on f.club_id = u.club_id and f.model_id = u.model_id where u.shelved_at is null",
    );
    const [kinds, cures] = [new Set<string>(), new Set<string>()];
    for (const { tag } of rows) {
      const { findings, now } = await loadChannels(tx, tag, null, who.today);
      // Of each radio whose model is known it is told what is in it, if only that nobody can read it.
      expect([tag, now]).toEqual([tag, expect.any(String)]);
      for (const { kind, cure } of findings) {
        kinds.add(kind);
        if (cure) cures.add(cure);
      }
    }
    expect([...kinds].sort()).toEqual([...CODEPLUG_ORDER].sort());
    expect([...cures].sort()).toEqual([...CURES].sort());
  }));
