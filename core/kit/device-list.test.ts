// Device lists as the tools of the common systems write them, and what is none: prose, stamps, ports of something else.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { cases } from "../quantities/testing.ts";
import { readDeviceList } from "./device-list.ts";

const V = 0xf1c7;
const lines = (...all: string[]) => readDeviceList(all.join("\n"));

describe("the device manager of Linux, in its three forms", () => {
  test("the export of one device", () => {
    const told = lines(
      "P: /devices/pci0000:00/usb1/1-2/1-2:1.0/ttyUSB0/tty/ttyUSB0",
      "N: ttyUSB0",
      "E: DEVNAME=/dev/ttyUSB0",
      "E: ID_VENDOR_ID=f1c7",
      "E: ID_MODEL_ID=2001",
      "E: ID_USB_DRIVER=bramble",
    );
    expect(told).toEqual({
      devices: [{ vendor: V, product: 0x2001, port: "/dev/ttyUSB0" }],
      ports: [],
      faults: [],
    });
  });
  test("the walk up from a port: the port is that of the first device, not of the hubs above it", () => {
    const told = lines(
      "  looking at device '/devices/usb1/1-2/1-2:1.0/ttyUSB3/tty/ttyUSB3':",
      '    KERNEL=="ttyUSB3"',
      '    SUBSYSTEM=="tty"',
      "",
      "  looking at parent device '/devices/usb1/1-2/1-2:1.0':",
      '    KERNELS=="1-2:1.0"',
      "",
      "  looking at parent device '/devices/usb1/1-2':",
      '    ATTRS{idProduct}=="3400"',
      '    ATTRS{idVendor}=="f1c7"',
      "",
      "  looking at parent device '/devices/usb1':",
      '    ATTRS{idProduct}=="0002"',
      '    ATTRS{idVendor}=="1d1d"',
    );
    expect(told).toEqual({
      devices: [
        { vendor: V, product: 0x3400, port: "/dev/ttyUSB3" },
        { vendor: 0x1d1d, product: 2 },
      ],
      ports: [],
      faults: [],
    });
  });
  test("what it says as something is plugged in", () => {
    const told = lines(
      "UDEV  [101.5] add      /devices/usb1/1-2/1-2:1.0/ttyUSB0/tty/ttyUSB0 (tty)",
      "ACTION=add",
      "DEVNAME=/dev/ttyUSB0",
      "ID_MODEL_ID=2001",
      "ID_VENDOR_ID=f1c7",
      "",
      "UDEV  [101.2] add      /devices/usb1/1-3 (usb)",
      "PRODUCT=f1c7/3400/264",
    );
    expect(told.devices).toEqual([
      { vendor: V, product: 0x2001, port: "/dev/ttyUSB0" },
      { vendor: V, product: 0x3400 },
    ]);
  });
});

describe("the several outputs of Windows", () => {
  test("ids of port drivers and of composite devices are one device, its problem told by code or by name", () => {
    const told = lines(
      "Instance ID:                BRAMBLEBUS\\VID_F1C7+PID_2001+A5001\\0000",
      "Device Description:         Bramble port (COM7)",
      "Status:                     Problem",
      "Problem Code:               28 (0x1C) [CM_PROB_FAILED_INSTALL]",
      "",
      "Instance ID:                USB\\VID_F1C7&PID_2001&MI_00\\A5001",
      "Status:                     Started",
    );
    expect(told.devices).toMatchObject([
      { vendor: V, product: 0x2001, port: "COM7", fault: { kind: "no-driver" } },
    ]);
    expect(told.devices).toHaveLength(1);
    expect(
      lines("USB\\VID_F1C7&PID_2001\\1", "Problem : CM_PROB_UNSIGNED_DRIVER").devices[0]?.fault?.kind,
    ).toBe("blocked");
    expect(
      lines("PNPDeviceID=USB\\VID_F1C7&PID_2001\\1", "ConfigManagerErrorCode=10").devices[0]?.fault?.kind,
    ).toBe("cannot-start");
  });
  test("rows with a state and a port each: what is on another bus gives its port to nobody", () => {
    const told = lines(
      "Status     Class    FriendlyName               InstanceId",
      "OK         Ports    Bramble bridge (COM7)      USB\\VID_F1C7&PID_2001\\5&1A2B",
      "OK         Ports    Communications Port (COM1) ACPI\\PNP0501\\1",
      "Error      Ports    Teasel bridge              USB\\VID_F1C7&PID_3400\\5&1A2C",
    );
    expect(told.devices).toMatchObject([
      { product: 0x2001, port: "COM7" },
      { product: 0x3400, fault: { kind: "cannot-start" } },
    ]);
    expect(told.devices[0]).not.toHaveProperty("fault");
    expect(told.ports).toEqual(["COM1"]);
  });
});

test("two equal leads are two, however they are told apart; one that is told twice is one", () => {
  const two = [
    ["Bus 001 Device 004: ID f1c7:2001 Bramble", "Bus 001 Device 005: ID f1c7:2001 Bramble"],
    ["USB\\VID_F1C7&PID_2001\\A1 (COM3)", "USB\\VID_F1C7&PID_2001\\A2 (COM4)"],
    [
      "usb 1-2: New USB device found, idVendor=f1c7, idProduct=2001",
      "usb 1-3: New USB device found, idVendor=f1c7, idProduct=2001",
      "usb 1-3: bramble converter now attached to ttyUSB1",
      "usb 1-2: bramble converter now attached to ttyUSB0",
    ],
  ];
  for (const text of two) expect([text, lines(...text).devices.length]).toEqual([text, 2]);
  expect(lines(...(two[2] ?? [])).devices.map((d) => d.port)).toEqual(["/dev/ttyUSB0", "/dev/ttyUSB1"]);
  const again = [...(two[0] ?? []), "", ...(two[2] ?? [])];
  expect(lines(...again).devices).toMatchObject([{ port: "/dev/ttyUSB0" }, { port: "/dev/ttyUSB1" }]);
});

test("a registry that writes its numbers as hexadecimal", () => {
  expect(lines('  | "idProduct" = 0x3400', '  | "idVendor" = 0xf1c7').devices).toEqual([
    { vendor: V, product: 0x3400 },
  ]);
});

test("a stamp west of Greenwich is no place on the bus", () => {
  const told = lines(
    "2026-11-26T10:00:00-05:00 hut kernel: usb 1-2: New USB device found, idVendor=f1c7, idProduct=2001",
    "2026-11-26T10:00:01-05:00 hut kernel: usb 1-2: bramble converter now attached to ttyUSB0",
    "2026-11-26T10:00:02-05:00 hut kernel: usb 1-9: other converter now attached to ttyUSB1",
    "2026-11-26T10:00:03-05:00 hut kernel: usb 1-3: New USB device found, idVendor=f1c7, idProduct=3400",
  );
  expect(told).toMatchObject({
    devices: [{ product: 0x2001, port: "/dev/ttyUSB0" }, { product: 0x3400 }],
    ports: ["/dev/ttyUSB1"],
  });
  expect(told.devices[1]).not.toHaveProperty("port");
});

test("prose about drivers is no fault", () => {
  for (const prose of [
    "No driver is needed for this lead.",
    "The leaflet says the drivers are not installed by default, and so is the lock.",
    "Install no driver; it cannot start before Tuesday.",
    "He was blocked at the sluice, permission denied.",
  ])
    expect([prose, lines(prose).faults]).toEqual([prose, []]);
});

test("any lines are read, and thirty thousand of them at once", { timeout: 5000 }, () => {
  const piece = fc.constantFrom(
    "usb 1-2:",
    "VID_F1C7&PID_2001",
    "COM7",
    "ttyUSB0",
    "Code 10",
    'ATTRS{idVendor}=="f1c7"',
    "",
    "\n",
    "looking at device",
    "x",
  );
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 40 }), (pieces) => {
      const { devices, ports } = readDeviceList(pieces.join(" ").replaceAll(" \n ", "\n"));
      const named = devices.flatMap((d) => (d.port ? [d.port] : []));
      expect(new Set([...named, ...ports]).size).toBe(named.length + ports.length);
    }),
    { numRuns: cases(1000) },
  );
  const many = Array.from(
    { length: 30_000 },
    (_, i) => `usb ${i}-1: New USB device found, idVendor=f1c7, idProduct=2001`,
  );
  expect(readDeviceList(many.join("\n")).devices).toHaveLength(30_000);
});
