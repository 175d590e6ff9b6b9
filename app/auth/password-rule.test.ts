// Passwords that whoever guesses tries first are refused, however long they are.
import { expect, test } from "vitest";
import { passwordTrouble } from "./password-rule.server.ts";

const ABOUT = ["Wren Oldacre", "wren@lanternfen.example", "Lanternfen Radio Circle"];

test.each([
  "correct horse battery staple",
  "CorrectHorseBatteryStaple1",
  "Once upon a time!",
  "the quick brown fox",
  "to be, or not to be",
  "Wren Oldacre Lanternfen",
  "lanternfen-radio-circle-2026",
  "oldacre.lanternfen",
  "password1234",
])("%s", (password) => {
  expect(passwordTrouble(password, ABOUT)).toMatch(/^That would be guessed soon\./);
});

test.each(["seven herons under a bridge", "gravel-teapot-91-sail", "lantern on the causeway"])(
  "%s will do",
  (password) => {
    expect(passwordTrouble(password, ABOUT)).toBeUndefined();
  },
);
