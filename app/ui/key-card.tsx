// The key card: an outline of the radio's keys as its dossier describes them; what to hold is filled and numbered, the
// knob's turn is drawn. Everything drawn is also said in its label.
import type { Layout, Step } from "#core/dossier/index.ts";
import { sayStep } from "./words/step.ts";

type Box = {
  readonly key: string;
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly round?: boolean;
};
type Outline = {
  readonly width: number;
  readonly height: number;
  readonly body: readonly Omit<Box, "key">[];
  readonly screen?: Omit<Box, "key">;
  readonly lamp?: { readonly x: number; readonly y: number };
  readonly keys: readonly Box[];
  readonly knobs: readonly Box[];
};

/** A column of side keys; the first is the long one, as the talk key mostly is. */
function side(keys: readonly string[], x: number, y: number, width: number): Box[] {
  let top = y;
  return keys.map((key, i) => {
    const box = { key, x, y: top, w: width, h: i === 0 ? 58 : 28 };
    top += box.h + 6;
    return box;
  });
}

function pad(rows: Layout["rows"], x: number, y: number, width: number, height: number): Box[] {
  const step = Math.min(46, height / Math.max(1, rows.length));
  return rows.flatMap((row, r) => {
    const cell = width / row.length;
    return row.map((key, c) => ({ key, x: x + c * cell + 3, y: y + r * step + 3, w: cell - 6, h: step - 6 }));
  });
}

export function outlineOf(layout: Layout): Outline {
  switch (layout.body) {
    case "handheld":
      return handheld(layout);
    case "mobile":
    case "base":
      return wide(layout);
    case "module":
      return module(layout);
  }
}

function handheld(layout: Layout): Outline {
  const [x, y, w, h] = [100, 92, 170, 320];
  const tops = [
    ...layout.top.map((key) => ({ key, round: false })),
    ...layout.knobs.map((key) => ({ key, round: true })),
  ];
  const right = x + w - 8;
  const boxes = tops.map(({ key, round }, i) => ({
    key,
    round,
    x: right - (tops.length - i) * 44 + 6,
    y: y - 26,
    w: 36,
    h: 26,
  }));
  const body = [{ x, y, w, h }, ...(layout.antenna ? [{ x: x + 12, y: 14, w: 15, h: y - 14 }] : [])];
  const padTop = layout.screen ? y + 108 : y + 30;
  return {
    width: 370,
    height: 424,
    body,
    ...(layout.screen && { screen: { x: x + 20, y: y + 22, w: w - 40, h: 72 } }),
    ...(layout.lamp !== "none" && {
      lamp: { x: layout.lamp === "top" ? x + 58 : x + w - 18, y: layout.lamp === "top" ? y - 12 : y + 12 },
    }),
    keys: [
      ...side(layout.left, x - 32, y + 44, 32),
      ...side(layout.right, x + w, y + 44, 32),
      ...pad(layout.rows, x + 14, padTop, w - 28, y + h - padTop - 8),
      ...boxes.filter((b) => !b.round),
    ],
    knobs: boxes.filter((b) => b.round),
  };
}

function wide(layout: Layout): Outline {
  const [x, y, w] = [70, 60, 420];
  const h = layout.body === "base" ? 170 : 130;
  const knobSize = 46;
  const knobs = layout.knobs.map((key, i) => ({
    key,
    round: true,
    x: x + w - 62,
    y: y + 16 + i * (knobSize + 10),
    w: knobSize,
    h: knobSize,
  }));
  const padX = layout.screen ? x + 190 : x + 20;
  const feet =
    layout.body === "base"
      ? [
          { x: x + 30, y: y + h, w: 50, h: 10 },
          { x: x + w - 80, y: y + h, w: 50, h: 10 },
        ]
      : [];
  return {
    width: 560,
    height: y + h + 30,
    body: [{ x, y, w, h }, ...feet],
    ...(layout.screen && { screen: { x: x + 22, y: y + 22, w: 150, h: h - 60 } }),
    ...(layout.lamp !== "none" && { lamp: { x: x + 34, y: layout.lamp === "top" ? y - 12 : y + h - 18 } }),
    keys: [
      ...side(layout.left, x - 44, y + 14, 44),
      ...side(layout.right, x + w, y + 14, 44),
      ...layout.top.map((key, i) => ({ key, x: x + 30 + i * 56, y: y - 26, w: 48, h: 26 })),
      ...pad(layout.rows, padX, y + 18, x + w - padX - (knobs.length > 0 ? 74 : 16), h - 34),
    ],
    knobs,
  };
}

function module(layout: Layout): Outline {
  const [x, y, w, h] = [170, 90, 110, 190];
  return {
    width: 370,
    height: 330,
    // The phone it is clipped to stands behind it.
    body: [
      { x: 60, y: 30, w: 100, h: 270 },
      { x, y, w, h },
      ...(layout.antenna ? [{ x: x + w - 26, y: 20, w: 13, h: y - 20 }] : []),
    ],
    ...(layout.screen && { screen: { x: x + 14, y: y + 16, w: w - 28, h: 40 } }),
    ...(layout.lamp !== "none" && { lamp: { x: x + 16, y: layout.lamp === "top" ? y - 12 : y + 70 } }),
    keys: [
      ...side(layout.left, x - 10, y + 64, 10),
      ...side(layout.right, x + w, y + 24, 38),
      ...layout.top.map((key, i) => ({ key, x: x + 8 + i * 40, y: y - 22, w: 34, h: 22 })),
      ...pad(layout.rows, x + 10, y + 80, w - 20, 90),
    ],
    knobs: layout.knobs.map((key, i) => ({ key, round: true, x: x + 10 + i * 40, y: y - 26, w: 34, h: 26 })),
  };
}

export function KeyCard({ layout, step }: { readonly layout: Layout; readonly step: Step | undefined }) {
  const outline = outlineOf(layout);
  const active = step?.kind === "hold" || step?.kind === "press" ? step : undefined;
  const held = (active?.keys ?? []).map((key) => key.toLowerCase());
  const order = (key: string) =>
    active?.kind === "press" ? held.indexOf(key.toLowerCase()) + 1 : held.includes(key.toLowerCase()) ? 1 : 0;
  const turn = step?.kind === "hold" ? step.turn : step?.kind === "turn" ? step.to : undefined;
  const knob = outline.knobs[0];
  return (
    <svg
      viewBox={`0 0 ${outline.width} ${outline.height}`}
      className="key-card mx-auto block max-h-[26rem] w-full"
      role="img"
      aria-label={step ? `The keys of this model. ${sayStep(step)}` : "The keys of this model."}
    >
      {outline.body.map((part) => (
        <rect
          key={`${part.x} ${part.y}`}
          x={part.x}
          y={part.y}
          width={part.w}
          height={part.h}
          rx={part.w < 20 ? 6 : 14}
          className="key-body"
        />
      ))}
      {outline.screen && <rect {...rectOf(outline.screen)} rx="4" className="key-screen" />}
      {outline.lamp && <circle cx={outline.lamp.x} cy={outline.lamp.y} r="6" className="key-body" />}
      {[...outline.keys, ...outline.knobs].map((box) => (
        <g key={box.key}>
          <rect
            {...rectOf(box)}
            rx={box.round ? 7 : 4}
            className={order(box.key) > 0 ? "key-held" : "key-free"}
          />
          <text
            x={box.x + box.w / 2}
            y={box.y + box.h / 2 + 4}
            textAnchor="middle"
            className={order(box.key) > 0 ? "key-name-held" : "key-name"}
            fontSize={Math.min(13, (box.w / Math.max(2, box.key.length)) * 1.5)}
          >
            {box.key}
          </text>
        </g>
      ))}
      {[...outline.keys, ...outline.knobs]
        .filter((box) => order(box.key) > 0)
        .map((box) => (
          <Badge key={box.key} x={box.x + 2} y={box.y - 2} text={String(order(box.key))} />
        ))}
      {turn && knob && (
        <g>
          <path
            d={`M${knob.x - 4} ${knob.y - 10}A${knob.w * 0.72} ${knob.w * 0.6} 0 0 1 ${knob.x + knob.w + 4} ${knob.y - 8}m-9 -5l9 5l2 -10`}
            className="key-turn"
          />
          <Badge x={knob.x + knob.w + 18} y={knob.y + 10} text={held.length > 0 ? "2" : "1"} />
          <text x={knob.x + knob.w + 32} y={knob.y + 8} className="key-word">
            turn
          </text>
          <text x={knob.x + knob.w + 32} y={knob.y + 22} className="key-word">
            {turn}
          </text>
        </g>
      )}
    </svg>
  );
}

const rectOf = ({ x, y, w, h }: Omit<Box, "key">) => ({ x, y, width: w, height: h });

function Badge({ x, y, text }: { readonly x: number; readonly y: number; readonly text: string }) {
  return (
    <g>
      <circle cx={x} cy={y} r="10" className="key-badge" />
      <text x={x} y={y + 4.5} textAnchor="middle" className="key-badge-text">
        {text}
      </text>
    </g>
  );
}
