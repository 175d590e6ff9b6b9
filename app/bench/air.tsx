// A simulated radio and device, side by side: menus and a search on the one, a button on the other. It fails in the ways in which real ones do.
import { useEffect, useRef, useState } from "react";
import {
  type Air,
  type AirDeed,
  type AirKind,
  act,
  HOLD_SECONDS,
  newAir,
  type Says,
} from "#simulators/bluetooth/air.ts";

/** What is shown of a deed, and whether it was a mistake. */
function sayAir(says: Says): { readonly text: string; readonly wrong?: true; readonly done?: true } {
  switch (says.kind) {
    case "ready":
      return { text: "The radio is on, the device too. Begin." };
    case "menu":
      return { text: `The radio shows the menu ${says.menu}.` };
    case "shows-itself":
      return { text: "The device's lamp is white and quick: it shows itself now." };
    case "too-short":
      return { text: "Its lamp blinked once, and that was all: held too short.", wrong: true };
    case "found":
      return { text: `The radio has found ${says.count}.` };
    case "gone":
      return {
        text: "It does not answer any more: it shows itself for half a minute only. Hold its button first, search then.",
        wrong: true,
      };
    case "no-menu":
      return { text: "The radio is in no menu from which it could search.", wrong: true };
    case "somebody-else":
      return { text: `${says.name} is somebody else's.`, wrong: true };
    case "asks-pin":
      return { text: "The radio asks for the PIN." };
    case "pin-wrong":
      return { text: "The PIN is refused.", wrong: true };
    case "pin-expired":
      return { text: "The PIN is refused: it has expired. Search once more.", wrong: true };
    case "nothing-asked":
      return { text: "Nothing asks for a PIN now.", wrong: true };
    case "paired":
      return { text: "The radio says “paired”. Does it hold?" };
    case "holds":
      return { text: "The radio answers: it holds.", done: true };
    case "written":
      return { text: "It was written." };
    case "went-off":
      return { text: "The device went off half-way: its battery is flat.", wrong: true };
    case "nothing":
      return { text: NOTHING[says.why], wrong: true };
  }
}
const NOTHING = {
  "not-paired": "Nothing happens: they are not paired.",
  "wrong-menu": "Nothing happens, though the radio says “paired”: that was the wrong menu.",
  dropped:
    "Nothing happens: the write has reset the radio, and the device has not noticed. Turn it off and on.",
  flat: "Nothing happens: its battery is flat.",
} as const;

/** Half a minute, for those who do not want to wait for what expires. */
const SKIP = 30;

export function AirBench(props: {
  readonly kind: AirKind;
  readonly charge?: number;
  /** Once it holds: how many mistakes there were. */
  readonly onHold?: (mistakes: number) => void;
}) {
  const { kind } = props;
  const [air, setAir] = useState<Air>(() => newAir(props.charge ?? 80));
  const [mistakes, setMistakes] = useState(0);
  const [pin, setPin] = useState("");
  const [ready, setReady] = useState(false);
  const began = useRef(0);
  const skipped = useRef(0);
  useEffect(() => {
    began.current = performance.now();
    setReady(true);
  }, []);
  const now = () => (performance.now() - began.current) / 1000 + skipped.current;
  const deed = (one: AirDeed) => {
    const after = act(kind, air, one, now());
    setAir(after);
    const { wrong, done } = sayAir(after.says);
    if (wrong) setMistakes(mistakes + 1);
    if (done) props.onHold?.(mistakes);
  };
  const said = sayAir(air.says);
  const menus = [kind.menu, ...(kind.wrongMenu ? [kind.wrongMenu] : [])].sort();
  const press = (label: string, one: AirDeed, second = true) => (
    <button
      key={label}
      type="button"
      disabled={!ready}
      className={`btn btn-sm btn-primary ${second ? "btn-outline" : ""}`}
      onClick={() => deed(one)}
    >
      {label}
    </button>
  );
  return (
    <section aria-label="Simulated Bluetooth" className="sheet flex max-w-3xl flex-col gap-4 p-4">
      <p
        role="status"
        className={`min-h-7 text-lg font-semibold ${said.wrong ? "text-rust" : said.done ? "text-primary" : ""}`}
      >
        {said.text}
      </p>
      <div className="grid gap-4 sm:grid-cols-2">
        <div>
          <h2 className="mb-1 text-base">On the radio</h2>
          <div className="flex flex-wrap gap-2">
            {menus.map((menu) => press(`Menu ${menu}`, { kind: "open", menu }))}
            {press("Search", { kind: "search" })}
          </div>
          {air.found.length > 0 && (
            <ul aria-label="Found" className="mt-2 flex flex-col gap-1">
              {air.found.map((one) => (
                <li key={one.address}>
                  <button
                    type="button"
                    className="link text-left"
                    onClick={() => deed({ kind: "pick", address: one.address })}
                  >
                    {one.name} <span className="ver text-sm text-quiet">{one.address}</span>
                  </button>
                </li>
              ))}
            </ul>
          )}
          {air.askedAt !== undefined && (
            <div className="mt-2 flex items-end gap-2">
              <label className="text-sm" htmlFor="air-pin">
                PIN
              </label>
              <input
                id="air-pin"
                className="input input-sm w-24 font-mono"
                inputMode="numeric"
                autoComplete="off"
                maxLength={20}
                value={pin}
                onChange={(event) => setPin(event.target.value)}
              />
              {press("Type the PIN", { kind: "pin", pin }, false)}
            </div>
          )}
        </div>
        <div>
          <h2 className="mb-1 text-base">On the device, {Math.round(air.charge)} %</h2>
          <div className="flex flex-wrap gap-2">
            {press("Press its button", { kind: "hold", seconds: 1 })}
            {press(`Hold its button for ${HOLD_SECONDS} seconds`, { kind: "hold", seconds: HOLD_SECONDS })}
            {press("Turn it off and on", { kind: "off-and-on" })}
          </div>
        </div>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        {press("Use it: does the radio answer?", { kind: "use" }, false)}
        {air.pairedIn !== undefined && press("Write something over it", { kind: "write" })}
        <button
          type="button"
          className="link text-sm"
          onClick={() => {
            skipped.current += SKIP;
          }}
        >
          Let half a minute pass
        </button>
        <span className="ml-auto text-sm text-quiet">
          {mistakes === 0 ? "no mistake yet" : mistakes === 1 ? "1 mistake" : `${mistakes} mistakes`}
        </span>
      </div>
    </section>
  );
}
