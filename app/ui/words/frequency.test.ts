// Frequencies as they are typed: read, and answered where another unit was meant.
import { expect, test } from "vitest";
import { oddMhz, readMhz, sayHertz, sayWidth } from "./frequency.ts";

test("a frequency is read to the hertz, and said again", () => {
  expect(readMhz("145,5 MHz")).toBe(145_500_000);
  expect(readMhz("446.00625")).toBe(446_006_250);
  expect(sayHertz(446_006_250)).toBe("446.00625 MHz");
  expect(sayWidth(12_500)).toBe("12.5 kHz");
});

test("what was meant in kilohertz or hertz is offered; what is none is said", () => {
  expect(oddMhz("145.5", "144")).toBeUndefined();
  expect(oddMhz("10368.1", "144")).toBeUndefined();
  expect(oddMhz("144000", "144")).toBe("That would be 144 GHz. If it was meant in kilohertz, write 144.");
  expect(oddMhz("145500000", "144")).toBe("That is beyond 300 GHz. If it was meant in hertz, write 145.5.");
  expect(oddMhz("300001000000000", "144")).toBe("That is beyond 300 GHz.");
  for (const text of ["-144", "0"]) expect(oddMhz(text, "144")).toBe("A frequency is more than nothing.");
  for (const text of ["", "two", "145.5.1", "145.12345678"])
    expect(oddMhz(text, "144")).toBe("In megahertz, such as 144.");
});
