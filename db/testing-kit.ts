// A small kit for the tests of the database: one of everything, so that one radio can be reached.
import { addAttempt, putInstalled, putSupports, putThing, putUsbId } from "./kit/index.ts";
import type { Tx } from "./pool.ts";

/** A lead from plug "P" over USB with chip F, a desk with driver d 3.0 and tool t 1.0 that flashes the model. */
export async function layTestKit(tx: Tx, model: string, by: string) {
  const plug = await putThing(tx, "connector", undefined, {
    name: "P",
    shape: "round",
    pins: 4,
    keyed: true,
    way: "",
  });
  const usb = await putThing(tx, "connector", undefined, {
    name: "USB",
    shape: "usb-a",
    pins: 4,
    keyed: true,
    way: "",
  });
  const lead = await putThing(tx, "lead", undefined, {
    tag: "K-1",
    kind: "cable",
    radio_end: plug,
    computer_end: usb,
    chip_family: "F",
    chip_grade: "genuine",
  });
  await putThing(tx, "adapter", undefined, { tag: "A-1", kind: "box", end_a: plug, end_b: usb });
  const driver = await putThing(tx, "driver", undefined, { name: "d" });
  const tool = await putThing(tx, "tool", undefined, { name: "t", runs_on: [{ system: "Windows" }] });
  await putSupports(tx, tool, [
    { model, operations: ["flash"], versions: null, component: null, firmware: null },
  ]);
  const computer = await putThing(tx, "computer", undefined, {
    name: "desk",
    kind: "computer",
    system: "Windows",
    version: "11",
  });
  await putInstalled(tx, computer, { ports: [usb], drivers: [[driver, "3.0"]], tools: [[tool, "1.0"]] });
  const rule = await putThing(tx, "driver_rule", undefined, {
    family: "F",
    system: "Windows",
    says: "needs",
    driver_id: driver,
    range: [{ atLeast: "2.0" }],
    source: { kind: "bench", what: "" },
  });
  await putThing(tx, "gear", undefined, { tag: "G-1", kind: "meter" });
  await putThing(tx, "antenna", undefined, { tag: "AN-1", kind: "antenna", radio_end: plug });
  await putThing(tx, "offer", undefined, {
    name: "another lead",
    price: 900,
    gives: "lead",
    kind: "cable",
    end_a: plug,
    end_b: usb,
  });
  await putUsbId(tx, { vendor: 0xf1c7, product: 1, family: "F", name: "F" });
  await addAttempt(tx, {
    unit: null,
    operation: "flash",
    lead,
    computer,
    tool,
    chip: { family: "F", grade: "genuine" },
    driver,
    system: "Windows",
    systemVersion: "11",
    worked: true,
    settled: false,
    symptom: "",
    by,
  });
  return { plug, usb, lead, driver, tool, computer, rule };
}
