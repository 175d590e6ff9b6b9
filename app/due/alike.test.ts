// Rows that are alike, against counting them by hand.
import fc from "fast-check";
import { expect, it } from "vitest";
import { plain } from "#core/quantities/index.ts";
import { bundled, LEAST_ALIKE } from "./alike.ts";
import type { ShownRow } from "./shown.server.ts";

const row = fc.record({
  model: fc.constantFrom("Wicket", "Heron"),
  says: fc.constantFrom("install 1.14", "read it again"),
  raw: fc.constantFrom("1.08", "1.10"),
});

it("nothing is lost or doubled, the order of firsts stays, and only what says the same is together", () => {
  fc.assert(
    fc.property(fc.array(row, { minLength: 1, maxLength: 90, size: "max" }), (told) => {
      const rows = told.map(
        (one, i): ShownRow => ({
          ...one,
          unit: String(i),
          tag: `W-${i}`,
          kind: "firmware",
          component: "main",
          where: `shelf ${i % 3}`,
          due: plain("2027-05-02"),
        }),
      );
      const out = bundled(rows);
      const flat = out.flatMap((one) => ("rows" in one ? one.rows : [one]));
      expect(flat.map(({ unit }) => unit).sort()).toEqual(rows.map(({ unit }) => unit).sort());
      const firsts = out.map((one) => Number("rows" in one ? one.rows[0]?.unit : one.unit));
      expect(firsts).toEqual([...firsts].sort((a, b) => a - b));
      for (const one of out) {
        const all = "rows" in one ? one.rows : [one];
        const same = rows.filter(
          (r) => r.model === all[0]?.model && r.says === all[0]?.says && r.raw === all[0]?.raw,
        );
        expect(all.length).toBe(same.length >= LEAST_ALIKE ? same.length : 1);
        // In the order of their tags, as numbers.
        const numbers = all.map(({ tag }) => Number(tag.slice(2)));
        expect(numbers).toEqual([...numbers].sort((a, b) => a - b));
        expect(new Set(all.map((r) => `${r.model} ${r.says} ${r.raw}`)).size).toBe(1);
      }
    }),
  );
});
