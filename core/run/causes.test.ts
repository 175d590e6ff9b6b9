import { expect, it } from "vitest";
import { CAUSES, causesFor } from "./causes.ts";

it("without words the usual order stands; words bring what they name to the front, and lose nothing", () => {
  expect(causesFor("")).toEqual(CAUSES);
  expect(causesFor("The port is there with a FAULT SIGN.")[0]?.id).toBe("port-fault");
  expect(causesFor("The radio went off while it was written.")[0]?.id).toBe("battery-low");
  expect(causesFor("It stopped half way.")[0]?.id).toBe("loose-plug");
  expect(new Set(causesFor("it smells of fish"))).toEqual(new Set(CAUSES));
  expect(causesFor("it smells of fish").map(({ id }) => id)).toEqual(CAUSES.map(({ id }) => id));
});
