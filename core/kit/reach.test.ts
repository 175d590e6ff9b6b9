// What a thing reaches and what would be lost without it, against trying everything with it and without it.
import fc from "fast-check";
import { expect, it } from "vitest";
import { cases } from "../quantities/testing.ts";
import { prepareKit } from "./chain/chain.ts";
import { type PlainKit, plainChains } from "./oracle.ts";
import { LINK_KINDS, type LinkKind, reachOf } from "./reach.ts";
import { kitOf, kits } from "./testing.ts";

// The oracle knows leads alone: so nothing lets the radio go straight into a computer.
const withLeads = kits.map(
  (plain): PlainKit => ({
    ...plain,
    adapters: [],
    computers: plain.computers.map((one) => ({
      ...one,
      ports: one.ports.filter((port) => port !== plain.plug),
    })),
  }),
);
const radio = { model: "m", plugs: ["p"] };
const place: Readonly<Record<LinkKind, number>> = { leads: 0, computers: 1, tools: 2 };
const without = (plain: PlainKit, kind: LinkKind, id: string): PlainKit => ({
  ...plain,
  [kind]: plain[kind].filter((one) => one.id !== id),
});

it("is what holds with it; nothing else does it where nothing holds once it is taken away", () => {
  let [reached, alone] = [0, 0];
  fc.assert(
    fc.property(withLeads, (plain) => {
      const prepared = prepareKit(kitOf(plain));
      const held = [...plainChains(plain)].map((chain) => chain.split(" "));
      for (const kind of LINK_KINDS)
        for (const { id } of plain[kind]) {
          const does = held.some((chain) => chain[place[kind]] === id);
          const only = does && plainChains(without(plain, kind, id)).size === 0;
          expect(reachOf(kind, id, radio, prepared)).toEqual({
            does: does ? ["flash"] : [],
            only: only ? ["flash"] : [],
          });
          if (does) reached++;
          if (only) alone++;
        }
    }),
    { numRuns: cases(600) },
  );
  expect([reached > 50, alone > 20, reached > alone]).toEqual([true, true, true]);
});

it("what is known to fail reaches nothing", () => {
  const plain = fc
    .sample(withLeads, { numRuns: cases(400), seed: 7 })
    .find((one) => [...plainChains(one)].length === 1 && one.tools.length > 0);
  if (!plain) throw new Error("no kit with one chain");
  const [lead = "", computer = "", tool = ""] = [...plainChains(plain)][0]?.split(" ") ?? [];
  const kit = kitOf(plain);
  const bad = {
    lead,
    computer,
    tool,
    system: "Linux" as const,
    systemVersion: "1",
    worked: false,
    settled: true,
  };
  expect(reachOf("leads", lead, radio, prepareKit(kit)).does).toEqual(["flash"]);
  expect(reachOf("leads", lead, radio, prepareKit({ ...kit, attempts: [bad] })).does).toEqual([]);
});
