// What is owned is never put up for buying: neither as a way to mend a chain nor as a purchase.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cases } from "../../quantities/testing.ts";
import { findChains, prepareKit } from "../chain/chain.ts";
import type { Kit, Offer } from "../shapes.ts";
import { find, job, kit, kitOf, kits, lead } from "../testing.ts";
import { notOwned, ownedAlike } from "./owned.ts";

const offerOf = (over: Parameters<typeof lead>[0] = {}): Offer => {
  const { id: _, tag: __, condition: ___, holder: ____, ...given } = lead(over);
  return { id: "1", name: "a lead", price: 900, gives: "lead", lead: given };
};
const usb = { kind: "usb" as const, ends: ["USB-A", "USB-C"] as const, carriesData: true };

describe("what is owned", () => {
  it("goes by kind, plugs and chip, and by whether it can be used; not by who has it", () => {
    expect(ownedAlike(offerOf(), kit())).toBe("K-01");
    expect(ownedAlike(offerOf(), kit({ leads: [lead({ holder: "Ash" })] }))).toBe("K-01");
    expect(ownedAlike(offerOf(), kit({ leads: [lead({ condition: "worn" })] }))).toBe("K-01");
    expect(ownedAlike(offerOf({ chip: { family: "bramble", grade: "genuine" } }), kit())).toBe("K-01");
    for (const other of [
      { condition: "lost" as const },
      { condition: "broken" as const },
      { radioEnd: "round" },
      { computerEnd: "USB-C" },
      { carriesData: false },
      { chip: { family: "Bramble", grade: "clone" as const } },
      { kind: "card" as const },
    ])
      expect(ownedAlike(offerOf(), kit({ leads: [lead(other)] }))).toBeUndefined();
    const offer: Offer = { id: "2", name: "C to A", price: 300, gives: "adapter", adapter: usb };
    const turned = {
      ...usb,
      ends: ["USB-C", "USB-A"] as const,
      id: "a",
      tag: "A-1",
      condition: "sound" as const,
    };
    expect(ownedAlike(offer, kit({ adapters: [turned] }))).toBe("A-1");
    expect(ownedAlike(offer, kit({ adapters: [{ ...turned, kind: "box" as const }] }))).toBeUndefined();
  });

  it("one that somebody has is fetched, not bought; one that is lost may be bought", () => {
    const said = (over: Partial<Kit>) =>
      find({ offers: [offerOf()], ...over }).near.flatMap(({ changes }) => changes.map(({ kind }) => kind));
    expect(said({ leads: [lead({ holder: "Ash" })] })).toEqual(["fetch"]);
    expect(said({ leads: [lead({ condition: "lost" })] })).toContain("get");
    expect(said({ leads: [] })).toEqual(["get"]);
  });

  it("is in no suggestion and in no purchase, on many small kits to whose offers the own things are added", () => {
    let owned = 0;
    let suggested = 0;
    fc.assert(
      fc.property(kits, (plain) => {
        const own = kitOf(plain);
        const copies = own.leads.map(
          ({ id, tag: _, condition: __, holder: ___, ...given }): Offer => ({
            id: `copy ${id}`,
            name: "again",
            price: 1,
            gives: "lead",
            lead: given,
          }),
        );
        const all: Kit = { ...own, offers: [...own.offers, ...copies] };
        const usable = new Set(own.leads.filter((l) => l.condition === "sound").map((l) => `copy ${l.id}`));
        const { near } = findChains(job, prepareKit(all));
        const got = near.flatMap(({ changes }) =>
          changes.flatMap((c) => (c.kind === "get" ? [c.offer] : [])),
        );
        expect(got.filter((offer) => usable.has(offer))).toEqual([]);
        expect(notOwned(all).filter(({ id }) => usable.has(id))).toEqual([]);
        owned += usable.size;
        suggested += got.length;
      }),
      { numRuns: cases(300) },
    );
    expect(owned).toBeGreaterThan(50);
    expect(suggested).toBeGreaterThan(20);
  });
});
