// The head of a radio never says of the whole what is so of one part, nor that it is behind where nothing is wanted.
import { expect, test } from "vitest";
import { addDays, plain } from "#core/quantities/index.ts";
import type { Standing } from "#core/unit/index.ts";
import { sayHeadline } from "./headline.ts";

const today = plain("2026-06-15");
const names = { release: (id: string) => `R${id}`, locale: "en-GB", today };
const behind = { newer: ["8"], since: plain("2025-12-01"), worst: "fix", latest: "8" } as const;
const part = (name: string, standing: Standing["standing"], more: Partial<Standing> = {}) => ({
  component: { id: name, name },
  standing: { component: name, standing, because: [], ...more },
});
const wanted = (component_id: string, days = 0) => ({
  followsStanding: true as const,
  component_id,
  due_from: addDays(today, days),
});

test("a radio of which one part was read is not one that nobody has read", () => {
  expect(sayHeadline([part("main", "current"), part("bluetooth", "unread")], [], names)).toBe(
    "We have not read its bluetooth yet",
  );
  expect(sayHeadline([part("main", "unread"), part("bluetooth", "unread")], [], names)).toBe(
    "We have not read this radio yet",
  );
});

test("of several parts the one that is behind is named", () => {
  const parts = [part("main", "current"), part("bluetooth", "behind", { behind })];
  expect(sayHeadline(parts, [wanted("bluetooth")], names)).toBe("Bluetooth: 1 release behind");
  expect(sayHeadline([part("main", "behind", { behind })], [wanted("main")], names)).toBe("1 release behind");
  expect(sayHeadline([part("main", "current"), part("bluetooth", "current")], [], names)).toBe("Current");
});

test("behind with nothing due is as it should be; held back says until when", () => {
  const parts = [part("main", "behind", { behind })];
  expect(sayHeadline(parts, [], names)).toBe("As it should be; 1 newer release is not wanted");
  // What another part needs, or something else of this one, is no reason to be called behind.
  expect(
    sayHeadline(parts, [wanted("bluetooth"), { ...wanted("main"), followsStanding: false }], names),
  ).toBe("As it should be; 1 newer release is not wanted");
  expect(sayHeadline(parts, [wanted("main", 5)], names)).toBe("1 release behind, held back until 20 Jun");
});

test("of a model without parts nothing is known", () => {
  expect(sayHeadline([], [], names)).toBe("Nothing is known of its model");
});
