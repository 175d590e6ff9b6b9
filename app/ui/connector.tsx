// A connector seen from the front: its outline by shape, its pins, and the mark of the way round it goes.

type Outline = {
  readonly path: string;
  readonly pins: (n: number) => readonly (readonly [number, number])[];
};

const row = (n: number, y: number, from: number, to: number) =>
  Array.from(
    { length: n },
    (_, i) => [n === 1 ? (from + to) / 2 : from + ((to - from) * i) / (n - 1), y] as const,
  );

/** Two rows, the longer one above. */
const rows = (n: number, from: number, to: number, y1: number, y2: number) => {
  const top = Math.ceil(n / 2);
  return n <= 4
    ? row(n, (y1 + y2) / 2, from, to)
    : [...row(top, y1, from, to), ...row(n - top, y2, from + 4, to - 4)];
};

const ring = (n: number) =>
  Array.from({ length: n }, (_, i) => {
    const turn = ((i + 0.5) / n) * 2 * Math.PI - Math.PI / 2;
    return [50 + 20 * Math.cos(turn), 32 + 20 * Math.sin(turn)] as const;
  });

const OUTLINES: Record<string, Outline> = {
  "two-pin": {
    path: "M28 12h44v40h-44z",
    pins: () => [
      [50, 24],
      [50, 42],
    ],
  },
  round: { path: "M46 3a29 29 0 1 0 8 0v6h-8z", pins: ring },
  oblong: {
    path: "M18 14h64a8 8 0 0 1 8 8v20a8 8 0 0 1-8 8h-64a8 8 0 0 1-8-8v-20a8 8 0 0 1 8-8z",
    pins: (n) => rows(n, 22, 78, 26, 39),
  },
  flat: { path: "M10 22h30v-6h20v6h30v22h-80z", pins: (n) => rows(n, 18, 82, 29, 38) },
  card: { path: "M24 6h40l12 12v40h-52z", pins: () => row(8, 16, 30, 62) },
  "usb-a": { path: "M12 18h76v28h-76zM18 23h64v8h-64z", pins: () => row(4, 40, 24, 76) },
  "usb-c": { path: "M24 20h52a12 12 0 0 1 0 24h-52a12 12 0 0 1 0-24z", pins: () => row(12, 32, 26, 74) },
  "usb-micro": { path: "M20 20h60l-8 22h-44z", pins: () => row(5, 31, 32, 68) },
  serial: { path: "M8 14h84l-7 36h-70z", pins: () => [...row(5, 26, 22, 78), ...row(4, 39, 29, 71)] },
};

export function ConnectorPicture({
  shape,
  pins,
}: {
  readonly shape: string;
  readonly pins?: number | undefined;
}) {
  const outline = OUTLINES[shape];
  if (!outline) return <UnknownConnector />;
  const spots = outline.pins(Math.min(pins ?? 4, 26));
  return (
    <svg
      viewBox="0 0 100 64"
      role="img"
      aria-label={`${shape}${pins ? `, ${pins} pins` : ""}`}
      className="w-full"
    >
      <path
        d={outline.path}
        fill="var(--color-base-100)"
        stroke="currentColor"
        strokeWidth="2.5"
        strokeLinejoin="round"
      />
      {spots.map(([x, y]) => (
        <circle key={`${x} ${y}`} cx={x} cy={y} r={spots.length > 9 ? 1.8 : 3} fill="currentColor" />
      ))}
    </svg>
  );
}

/** Nobody has looked at its shape: a dotted outline, as for all that is not known. */
const UnknownConnector = () => (
  <svg viewBox="0 0 100 64" role="img" aria-label="shape not known" className="w-full">
    <rect
      x="14"
      y="10"
      width="72"
      height="44"
      rx="4"
      fill="none"
      stroke="var(--quiet)"
      strokeWidth="2"
      strokeDasharray="3 4"
    />
    <text x="50" y="41" textAnchor="middle" fontSize="24" fill="var(--quiet)">
      ?
    </text>
  </svg>
);
