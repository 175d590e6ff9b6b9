// Where the browser can, a real device nearby is asked for its name and how full it is. Nothing is noted by that: it is put into the form.
import { useEffect, useState } from "react";

/** As much of what a browser offers as is used here. */
type Gatt = {
  readonly connect: () => Promise<{
    readonly disconnect?: () => void;
    readonly getPrimaryService: (name: string) => Promise<{
      readonly getCharacteristic: (name: string) => Promise<{ readonly readValue: () => Promise<DataView> }>;
    }>;
  }>;
};
type Nearby = {
  readonly requestDevice: (asked: {
    readonly acceptAllDevices: true;
    readonly optionalServices: readonly string[];
  }) => Promise<{ readonly name?: string; readonly gatt?: Gatt }>;
};
const bluetoothOf = (browser: Navigator): Nearby | undefined =>
  (browser as Navigator & { readonly bluetooth?: Nearby }).bluetooth;

export type ReadNearby = { readonly name: string; readonly percent: number };

async function readFrom(nearby: Nearby): Promise<ReadNearby> {
  const device = await nearby.requestDevice({
    acceptAllDevices: true,
    optionalServices: ["battery_service"],
  });
  const server = await device.gatt?.connect();
  if (!server) throw new Error("it does not let itself be asked");
  try {
    const service = await server.getPrimaryService("battery_service");
    const level = await service.getCharacteristic("battery_level");
    const percent = (await level.readValue()).getUint8(0);
    // What a device says is not believed beyond what a battery can be.
    if (percent > 100) throw new Error("it says more than a battery can hold");
    return { name: (device.name ?? "").slice(0, 80), percent };
  } finally {
    server.disconnect?.();
  }
}

export function AskNearby(props: {
  /** The name that is noted; "": none. */
  readonly shows: string;
  readonly onRead: (read: ReadNearby) => void;
}) {
  const [can, setCan] = useState(false);
  const [said, setSaid] = useState<{ readonly text: string; readonly wrong: boolean }>();
  useEffect(() => setCan(bluetoothOf(navigator) !== undefined), []);
  if (!can) return null;
  const ask = async () => {
    const nearby = bluetoothOf(navigator);
    if (!nearby) return;
    try {
      const read = await readFrom(nearby);
      props.onRead(read);
      const isOther = props.shows !== "" && read.name !== props.shows;
      setSaid({
        text: `${read.name || "It"} says ${read.percent} %.${isOther ? ` The name that is noted is ${props.shows}: is it the right one?` : ""}`,
        wrong: isOther,
      });
    } catch (error) {
      // To have picked none is no mistake.
      const isNone = error instanceof DOMException && error.name === "NotFoundError";
      setSaid(isNone ? undefined : { text: "It could not be asked how full it is.", wrong: true });
    }
  };
  return (
    <div>
      <button type="button" className="btn btn-outline btn-primary btn-sm" onClick={ask}>
        Ask one nearby
      </button>
      {said && (
        <p role="status" className={`mt-1 text-sm ${said.wrong ? "text-rust" : ""}`}>
          {said.text}
        </p>
      )}
    </div>
  );
}
