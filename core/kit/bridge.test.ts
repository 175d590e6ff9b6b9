// Device lists of the common systems, as they are pasted, and texts that are none.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { identifyBridge, readUsbList, usbText } from "./bridge.ts";
import { readDeviceList } from "./device-list.ts";
import type { Computer, DriverRule, Lead } from "./shapes.ts";

const VENDOR = 0xf1c7;
const ids = [
  { vendor: VENDOR, product: 0x2001, family: "Bramble 2", name: "Bramble 2 bridge" },
  { vendor: VENDOR, product: 0x3400, family: "Teasel 340", name: "Teasel 340 bridge" },
];

describe("device lists", () => {
  it("of Windows: hardware ids, the port in the name, a fault's code", () => {
    const text = [
      "Ports (COM & LPT)",
      "Friendly name: Bramble bridge (COM7)",
      "Hardware Ids: USB\\VID_F1C7&PID_2001&REV_0100",
      "Status: This device cannot start. (Code 10)",
      "",
      "Friendly name: Communications Port (COM1)",
      "Hardware Ids: ACPI\\PNP0501",
    ].join("\r\n");
    expect(readDeviceList(text)).toEqual({
      devices: [
        {
          vendor: VENDOR,
          product: 0x2001,
          port: "COM7",
          fault: { kind: "cannot-start", text: "Status: This device cannot start. (Code 10)" },
        },
      ],
      ports: ["COM1"],
      faults: [],
    });
  });

  it("of Linux: a list of devices, and the kernel's own lines sorted by where on the bus", () => {
    const listed = readDeviceList(
      "Bus 001 Device 004: ID f1c7:2001 Bramble bridge\nBus 001 Device 001: ID 1d1d:0002 root hub",
    );
    expect(listed.devices.map(usbText)).toEqual(["f1c7:2001", "1d1d:0002"]);
    const kernel = [
      "[ 101.1] usb 1-2: new full-speed USB device number 5 using xhci_hcd",
      "[ 101.2] usb 1-2: New USB device found, idVendor=f1c7, idProduct=3400, bcdDevice= 2.64",
      "[ 101.3] usb 1-3: New USB device found, idVendor=f1c7, idProduct=2001, bcdDevice= 1.00",
      "[ 101.4] teasel 1-2:1.0: teasel converter detected",
      "[ 101.5] usb 1-2: teasel converter now attached to ttyUSB0",
      "[ 101.6] usb 1-3: bramble converter now attached to ttyUSB1",
      "[ 109.9] teasel ttyUSB0: teasel converter now disconnected from ttyUSB0",
      "[ 110.0] usb 1-3: device descriptor read/64, error -71",
    ].join("\n");
    expect(readDeviceList(kernel).devices).toMatchObject([
      { product: 0x3400, port: "/dev/ttyUSB0", fault: { kind: "vanishes" } },
      { product: 0x2001, port: "/dev/ttyUSB1", fault: { kind: "not-recognised" } },
    ]);
  });

  it("of macOS: ids on lines of their own, in both orders; or as plain numbers", () => {
    const profile = [
      "Bramble bridge:",
      "  Product ID: 0x2001",
      "  Vendor ID: 0xf1c7  (somebody)",
      "  Serial: /dev/cu.usbserial-110",
      "Keyboard:",
      "  Product ID: 0x0262",
      "  Vendor ID: 0x05ff",
    ].join("\n");
    expect(readDeviceList(profile).devices).toEqual([
      { vendor: VENDOR, product: 0x2001, port: "/dev/cu.usbserial-110" },
      { vendor: 0x05ff, product: 0x0262 },
    ]);
    const registry = `    | "idProduct" = ${0x3400}\n    | "idVendor" = ${VENDOR}\n`;
    expect(readDeviceList(registry).devices.map(usbText)).toEqual(["f1c7:3400"]);
  });

  it("a port that the browser told, and a device that never said who it is", () => {
    expect(readDeviceList("f1c7:2001").devices.map(usbText)).toEqual(["f1c7:2001"]);
    const nameless = readDeviceList("Unknown USB Device (Device Descriptor Request Failed)\nCode 43");
    expect(nameless.devices).toEqual([]);
    expect(nameless.faults).toMatchObject([{ kind: "not-recognised" }]);
  });

  it("something else has no devices, and a megabyte of it is read to its end", () => {
    expect(readDeviceList("Dear keeper, the sluice at alder bend sticks.\nYours, Hale")).toEqual({
      devices: [],
      ports: [],
      faults: [],
    });
    expect(readDeviceList("x".repeat(1_000_000)).devices).toEqual([]);
    const long = `${"Bus 001 Device 004: ID f1c7:2001 Bramble\n".repeat(25_000)}Bus 001 Device 009: ID f1c7:3400 Teasel`;
    expect(readDeviceList(long).devices.map(usbText)).toEqual(["f1c7:2001", "f1c7:3400"]);
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), (text) => {
        expect(readDeviceList(text).devices.every((d) => d.vendor <= 0xffff && d.product <= 0xffff)).toBe(
          true,
        );
      }),
    );
  });

  it("finds ids wherever they stand in other text", () => {
    fc.assert(
      fc.property(
        fc.nat(0xffff),
        fc.nat(0xffff),
        fc.constantFrom("win", "lin", "ker", "mac"),
        (vendor, product, system) => {
          const [v, p] = usbText({ vendor, product }).split(":");
          const line = {
            win: `USB\\VID_${v?.toUpperCase()}&PID_${p?.toUpperCase()}\\5&1`,
            lin: `Bus 003 Device 002: ID ${v}:${p} Thing`,
            ker: `usb 2-1: New USB device found, idVendor=${v}, idProduct=${p}`,
            mac: `Vendor ID: 0x${v}\nProduct ID: 0x${p}`,
          }[system];
          expect(readDeviceList(`Some words\n${line}\nmore words`).devices).toMatchObject([
            { vendor, product },
          ]);
        },
      ),
    );
  });
});

describe("which of our leads", () => {
  const lead = (
    tag: string,
    grade: "genuine" | "clone",
    usb?: { vendor: number; product: number },
  ): Lead & { usb?: typeof usb } => ({
    id: tag,
    tag,
    kind: "cable",
    radioEnd: "two-pin",
    computerEnd: "USB-A",
    chip: { family: "Bramble 2", grade },
    carriesData: true,
    condition: "sound",
    ...(usb && { usb }),
  });
  const rules: DriverRule[] = [
    {
      id: "1",
      family: "Bramble 2",
      system: "Windows",
      says: "needs",
      driver: "d",
      range: [{ atLeast: "3" }],
      source: { kind: "maker", what: "" },
    },
    {
      id: "2",
      family: "Bramble 2",
      grade: "clone",
      system: "Windows",
      says: "no-support",
      source: { kind: "bench", what: "" },
    },
  ];
  const desk: Computer = {
    id: "c",
    name: "Reed desk",
    kind: "computer",
    system: "Windows",
    version: "11",
    bits: 64,
    ports: [],
    bluetooth: false,
    admin: true,
    condition: "sound",
    drivers: new Map([["d", "3.5"]]),
    tools: new Map(),
  };
  const leads = [
    lead("K-01", "genuine"),
    lead("K-05", "clone"),
    lead("K-07", "genuine", { vendor: VENDOR, product: 0x2001 }),
  ];

  it("those with the very ids first, then those with the chip; a clone and the real one are both weighed", () => {
    const [bridge] = identifyBridge(readDeviceList("f1c7:2001"), { ids, leads, rules }, desk);
    expect(bridge?.known?.name).toBe("Bramble 2 bridge");
    expect(bridge?.leads.map((l) => [l.lead.tag, l.by])).toEqual([
      ["K-07", "ids"],
      ["K-01", "chip"],
      ["K-05", "chip"],
    ]);
    expect(bridge?.drivers.map((d) => [d.chip.grade, d.verdict.state])).toEqual([
      ["genuine", "sound"],
      ["clone", "broken"],
    ]);
  });

  it("ids that nobody knows are told as that", () => {
    const [bridge] = identifyBridge(readDeviceList("0bad:0001"), { ids, leads, rules }, desk);
    expect(bridge).toEqual({ device: { vendor: 0x0bad, product: 1 }, families: [], leads: [], drivers: [] });
  });

  it("a chip that is noted on a lead with these ids is known, though the table does not name it", () => {
    const own = { vendor: 0x0bad, product: 1 };
    const all = [...leads, lead("K-08", "clone", own)];
    const [bridge] = identifyBridge(readDeviceList("0bad:0001"), { ids, leads: all, rules }, desk);
    expect(bridge?.known).toBeUndefined();
    expect(bridge?.families).toEqual(["Bramble 2"]);
    expect(bridge?.leads.map((l) => [l.lead.tag, l.by])).toEqual([
      ["K-08", "ids"],
      ["K-01", "chip"],
      ["K-05", "chip"],
      ["K-07", "chip"],
    ]);
    expect(bridge?.drivers.map((d) => [d.chip.family, d.chip.grade, d.verdict.state])).toEqual([
      ["Bramble 2", "clone", "broken"],
      ["Bramble 2", "genuine", "sound"],
    ]);
    // What the table says of the ids comes first.
    const named = [...ids, { ...own, family: "Teasel 340", name: "x" }];
    expect(
      identifyBridge(readDeviceList("0bad:0001"), { ids: named, leads: all, rules }, desk)[0]?.families,
    ).toEqual(["Teasel 340"]);
    // Of a chip that nobody knows nothing is known.
    const { chip: _, ...bare } = lead("K-09", "clone", own);
    for (const one of [bare, { ...bare, chip: { family: "", grade: "unknown" as const } }])
      expect(
        identifyBridge(readDeviceList("0bad:0001"), { ids, leads: [one], rules }, desk)[0]?.families,
      ).toEqual([]);
  });
});

it("the public list of ids gives those that are asked for, with the vendor's name", () => {
  const text =
    "# a list\nf1c7  Somebody\n\t2001  Serial bridge\n\t2002  Mouse\n\t\t01  an interface\nC 03  Class\n\t01  Keyboard serial\n0bad  Other\n\t0001  UART\n";
  expect(readUsbList(text, (name) => /serial|uart/i.test(name))).toEqual([
    { vendor: VENDOR, product: 0x2001, family: "", name: "Somebody Serial bridge" },
    { vendor: 0x0bad, product: 1, family: "", name: "Other UART" },
  ]);
});
