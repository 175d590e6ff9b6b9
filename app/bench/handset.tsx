// A drawn radio with keys to press and to hold and a knob to turn, by mouse, touch and keyboard. What is held stays held until it is let go,
// so that one finger, or one mouse, can hold two keys.
import { useRef, useState } from "react";
import type { Layout, Signs } from "#core/dossier/index.ts";
import type { PracticeDeed } from "#simulators/radio/practice.ts";
import { outlineOf } from "../ui/key-card.tsx";

/** Held for less than this, a key was pressed. */
const PRESS_MS = 350;

export function Handset(props: {
  readonly layout: Layout;
  readonly on: boolean;
  readonly signs: Signs;
  readonly onDeed: (deed: PracticeDeed) => void;
}) {
  const { layout, on, signs, onDeed } = props;
  const [held, setHeld] = useState<readonly string[]>([]);
  // Which way it was turned while keys were held, and when: what that was is known when they are let go.
  const [turned, setTurned] = useState<{ readonly to: "on" | "off"; readonly at: number }>();
  const down = useRef<{ key: string; at: number }>(undefined);
  const outline = outlineOf(layout);
  const knob = layout.knobs[0];

  const letGo = () => {
    if (held.length === 0) return;
    const seconds = turned ? (performance.now() - turned.at) / 1000 : 0;
    if (turned) onDeed({ kind: "hold", keys: held, turn: turned.to, seconds: Math.max(seconds, 1) });
    else for (const key of held) onDeed({ kind: "press", key });
    setHeld([]);
    setTurned(undefined);
  };
  const toggle = (key: string) =>
    setHeld((keys) => (keys.includes(key) ? keys.filter((one) => one !== key) : [...keys, key]));
  const turn = () => {
    const to = on ? "off" : "on";
    if (held.length === 0) onDeed({ kind: "turn", to });
    else setTurned({ to, at: performance.now() });
  };
  const up = (key: string) => {
    const was = down.current;
    down.current = undefined;
    if (was?.key !== key) return;
    if (performance.now() - was.at >= PRESS_MS || held.length > 0) toggle(key);
    else onDeed({ kind: "press", key });
  };

  return (
    <div className="flex flex-col gap-3">
      {/* biome-ignore lint/a11y/useSemanticElements: a fieldset cannot be drawn */}
      <svg
        viewBox={`0 0 ${outline.width} ${outline.height}`}
        className="key-card mx-auto block max-h-[26rem] w-full touch-none select-none"
        role="group"
        aria-label="The radio: Enter presses a key, Space holds it or lets it go"
      >
        {outline.body.map(({ x, y, w, h }) => (
          <rect
            key={`${x} ${y}`}
            x={x}
            y={y}
            width={w}
            height={h}
            rx={w < 20 ? 6 : 14}
            className="key-body"
          />
        ))}
        {outline.screen && (
          <g>
            <rect
              x={outline.screen.x}
              y={outline.screen.y}
              width={outline.screen.w}
              height={outline.screen.h}
              rx="4"
              className={on && signs.screen !== "dark" ? "key-screen" : "key-dark"}
            />
            {on && signs.screen !== undefined && signs.screen !== "dark" && (
              <text
                x={outline.screen.x + 6}
                y={outline.screen.y + outline.screen.h / 2}
                className="key-name"
                fontSize="12"
              >
                {signs.screen.slice(0, 20)}
              </text>
            )}
          </g>
        )}
        {outline.lamp && (
          <circle
            cx={outline.lamp.x}
            cy={outline.lamp.y}
            r="7"
            className={on && signs.lamp !== undefined && signs.lamp !== "off" ? "key-lit" : "key-body"}
          />
        )}
        {[...outline.keys, ...outline.knobs].map((box) => {
          const isHeld = held.includes(box.key);
          const isKnob = box.key === knob;
          return (
            // biome-ignore lint/a11y/useSemanticElements: a button cannot stand inside of a drawing
            <g
              key={box.key}
              role="button"
              tabIndex={0}
              aria-label={isKnob ? `${box.key}: turn it ${on ? "off" : "on"}` : box.key}
              aria-pressed={isKnob ? on : isHeld}
              className="cursor-pointer"
              onPointerDown={() => {
                down.current = { key: box.key, at: performance.now() };
              }}
              onPointerUp={() => (isKnob ? turn() : up(box.key))}
              onKeyDown={(event) => {
                if (event.key === "Enter") isKnob ? turn() : onDeed({ kind: "press", key: box.key });
                else if (event.key === " ") isKnob ? turn() : toggle(box.key);
                else return;
                event.preventDefault();
              }}
            >
              <rect
                x={box.x}
                y={box.y}
                width={box.w}
                height={box.h}
                rx={box.round ? 7 : 4}
                className={isHeld ? "key-held" : "key-free"}
              />
              <text
                x={box.x + box.w / 2}
                y={box.y + box.h / 2 + 4}
                textAnchor="middle"
                className={isHeld ? "key-name-held" : "key-name"}
                fontSize={Math.min(13, (box.w / Math.max(2, box.key.length)) * 1.5)}
              >
                {box.key}
              </text>
            </g>
          );
        })}
      </svg>
      <div className="flex flex-wrap justify-center gap-3">
        {(!knob || held.length > 0) && (
          <button type="button" className="btn btn-outline btn-primary btn-sm" onClick={turn}>
            Turn it {on ? "off" : "on"}
          </button>
        )}
        <button
          type="button"
          className="btn btn-outline btn-primary btn-sm"
          disabled={held.length === 0}
          onClick={letGo}
        >
          Let go{held.length > 0 && ` of ${held.join(" and ")}`}
        </button>
      </div>
      <p role="status" className="text-center text-sm">
        {held.length > 0 && `Held: ${held.join(", ")}${turned ? `, and turned ${turned.to}` : ""}. `}
        {on ? "It is on." : "It is off."} {signs.lamp && `Lamp ${signs.lamp}.`}{" "}
        {signs.screen && `Screen ${signs.screen}.`} {signs.sound && `Sound ${signs.sound}.`}
      </p>
    </div>
  );
}
