import fc from "fast-check";
import { expect, test } from "vitest";
import { typedList } from "../quantities/index.ts";
import { asPartName, partName } from "./part-name.ts";

test("what a sheet makes a part's name of passes the forms, and the list of a model's parts reads it back", () => {
  expect(asPartName(" Firmware BT, DSP ")).toBe("Firmware BT DSP");
  fc.assert(
    fc.property(fc.string({ unit: "grapheme", minLength: 1, maxLength: 120 }), (head) => {
      const name = asPartName(head);
      fc.pre(name !== "");
      expect(partName.parse(name)).toBe(name);
      expect(typedList([name, "main"].join(", "))).toEqual([name, "main"]);
    }),
  );
});

test.each(["", "a,b", "a\nb", "x".repeat(81)])("“%s” is none", (name) => {
  expect(partName.safeParse(name).success).toBe(false);
});
