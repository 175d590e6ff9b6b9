// That a plan is being made is told while none was issued.
import { afterAll, beforeAll, expect, test } from "vitest";
import { type DemoClub, demoClub } from "../../demo/testing.ts";
import { sayNoPlan } from "../ui/words/codeplug.ts";
import { loadCarried } from "./load-carried.server.ts";

let demo: DemoClub;
beforeAll(async () => {
  demo = await demoClub();
});
afterAll(() => demo.close());

test("the draft counts its channels, also the ones that came in since", () =>
  demo.ask(async (tx) => {
    const { rows } = await tx.query<{ blocks: { members: unknown[] }[] }>(
      "select blocks from channel_plan where issued_at is null",
    );
    const channels = rows[0]?.blocks.flatMap(({ members }) => members).length;
    const { drafted } = await loadCarried(tx);
    expect(channels).toBeGreaterThan(30);
    expect(drafted).toBe(channels);
    expect(sayNoPlan(drafted)).toContain(`a draft of ${channels} channels is there`);
    expect(sayNoPlan(undefined)).toBe("no plan of channels yet");
  }));
