// The wall: shelves of drawers. A drawer shows its tag, model and what the lens asks for; moss grows at its foot.

import { useRef } from "react";
import { LOW } from "#core/bluetooth/index.ts";
import { useClub } from "../ui/club.ts";
import { MOSS_WORD, Moss } from "../ui/moss.tsx";
import { sayDate } from "../ui/words/time.ts";
import { STANDING_WORD } from "../ui/words/unit/standing.ts";
import type { Drawer, Shelf } from "./load.server.ts";

export const LENSES = [
  { key: "needs", name: "Needs" },
  { key: "firmware", name: "Firmware" },
  { key: "who", name: "Who has it" },
  { key: "mode", name: "Mode" },
  { key: "charge", name: "Charge" },
] as const;
export type Lens = (typeof LENSES)[number]["key"];

const STEPS: Record<string, [number, number]> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

export function Wall(props: {
  readonly shelves: readonly Shelf[];
  readonly lens: Lens;
  readonly chosen: string | undefined;
  /** Seen from farther away: drawers are small, and those of a shelf that are in order are one board. */
  readonly far?: boolean;
}) {
  const wall = useRef<HTMLDivElement>(null);
  const onKeyDown = (event: React.KeyboardEvent) => {
    const step = STEPS[event.key];
    if (!step || !wall.current) return;
    const drawers = [...wall.current.querySelectorAll<HTMLElement>("li > a")];
    const next = neighbour(drawers, document.activeElement, step);
    if (next) {
      event.preventDefault();
      next.focus();
    }
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: arrows are an extra beside Tab
    <div
      ref={wall}
      onKeyDown={onKeyDown}
      data-go
      data-stay
      className={`flex flex-wrap gap-x-3 gap-y-1.5 ${props.far ? "wall-far" : ""}`}
    >
      {props.shelves.map((shelf) => (
        <section
          key={shelf.name}
          aria-label={shelf.name}
          className={shelf.drawers.length > 6 ? "w-full" : ""}
        >
          <h2 className="font-serif text-xs leading-4 font-semibold">{shelf.name}</h2>
          {props.far && (
            <Board drawers={shelf.drawers.filter(inOrder)} lens={props.lens} chosen={props.chosen} />
          )}
          <ul className="flex flex-wrap gap-1 border-b-[5px] border-shelf bg-[var(--alcove)] p-1 pb-0 empty:hidden">
            {shelf.drawers
              .filter((drawer) => !props.far || !inOrder(drawer))
              .map((drawer) => (
                <li key={drawer.tag}>
                  <DrawerFront drawer={drawer} lens={props.lens} chosen={drawer.tag === props.chosen} />
                </li>
              ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

/** So many drawers are seen from farther away, unless somebody steps nearer. */
export const FAR_FROM = 150;

/** Nothing is due of it, nothing grows on it, and it does not transmit where it may not. */
const inOrder = (drawer: Drawer): boolean =>
  drawer.needs === undefined && drawer.moss === 0 && !drawer.beyond && !drawer.safety;

/** The drawers of a shelf that are in order, as one thin board; it opens. */
function Board(props: {
  readonly drawers: readonly Drawer[];
  readonly lens: Lens;
  readonly chosen: string | undefined;
}) {
  const { drawers } = props;
  if (drawers.length === 0) return null;
  return (
    <details className="board" open={drawers.some(({ tag }) => tag === props.chosen)}>
      <summary>
        {drawers.length} in order
        <span className="text-quiet">
          {" "}
          {drawers[0]?.tag}
          {drawers.length > 1 && ` to ${drawers.at(-1)?.tag}`}
        </span>
      </summary>
      <ul className="flex flex-wrap gap-1 p-1">
        {drawers.map((drawer) => (
          <li key={drawer.tag}>
            <DrawerFront drawer={drawer} lens={props.lens} chosen={drawer.tag === props.chosen} />
          </li>
        ))}
      </ul>
    </details>
  );
}

/** The drawer to the right or left in order; up or down the one whose middle is nearest on the next row. */
function neighbour(
  drawers: HTMLElement[],
  from: Element | null,
  [across, down]: [number, number],
): HTMLElement | undefined {
  const at = drawers.indexOf(from as HTMLElement);
  if (at < 0) return drawers[0];
  if (across !== 0) return drawers[at + across];
  const box = drawers[at]?.getBoundingClientRect();
  if (!box) return undefined;
  const beyond = drawers
    .map((drawer) => ({ drawer, rect: drawer.getBoundingClientRect() }))
    .filter(({ rect }) => (down > 0 ? rect.top >= box.bottom : rect.bottom <= box.top));
  beyond.sort(
    (a, b) =>
      Math.abs(a.rect.top - box.top) - Math.abs(b.rect.top - box.top) ||
      Math.abs(a.rect.left - box.left) - Math.abs(b.rect.left - box.left),
  );
  return beyond[0]?.drawer;
}

function DrawerFront({
  drawer,
  lens,
  chosen,
}: {
  readonly drawer: Drawer;
  readonly lens: Lens;
  readonly chosen: boolean;
}) {
  const away = drawer.holder !== undefined;
  const isMode = lens === "mode";
  const doubt = isMode
    ? drawer.mode === undefined && !drawer.plain
    : drawer.standing === "unread" || drawer.standing === "unclear";
  const alarm = isMode ? drawer.beyond : drawer.safety;
  return (
    <a
      href={`/cabinet?lens=${lens}&unit=${encodeURIComponent(drawer.tag)}`}
      aria-current={chosen ? "true" : undefined}
      aria-label={labelOf(drawer)}
      className={`front ${away ? "front-away" : ""} ${chosen ? "front-chosen" : ""}`}
    >
      {alarm && <i className="hatch-rust absolute inset-y-0 left-0 w-[7px]" />}
      {drawer.community && <i className="absolute inset-y-0 right-0 w-1 bg-lichen" />}
      <span className={alarm ? "pl-1.5" : undefined}>
        <b>{drawer.tag}</b>
        <small>{drawer.model}</small>
        <span className={doubt && !away ? "doubt-thin mt-px w-fit max-w-full px-0.5" : "mt-0.5"}>
          <Shown drawer={drawer} lens={lens} />
        </span>
      </span>
      <Moss level={drawer.moss} seed={drawer.tag} />
    </a>
  );
}

function Shown({ drawer, lens }: { readonly drawer: Drawer; readonly lens: Lens }) {
  const { locale, today } = useClub();
  const firstName = drawer.holder?.split(" ")[0];
  if (lens === "who" || (lens === "needs" && drawer.holder)) {
    if (!firstName) return <>{drawer.group ?? "no group"}</>;
    const late = drawer.dueBack !== undefined && drawer.dueBack < today;
    return (
      <>
        <em className="block">with {firstName}</em>
        {drawer.dueBack && (
          <span className={late ? "font-bold text-rust" : ""}>
            {late ? "late " : "till "}
            {sayDate(drawer.dueBack, locale, today)}
          </span>
        )}
      </>
    );
  }
  if (lens === "mode") {
    const word = drawer.mode ?? (drawer.plain ? "one way only" : "not said");
    return <span className={drawer.beyond ? "font-bold text-rust" : ""}>{word}</span>;
  }
  if (lens === "charge") {
    if (drawer.charge === undefined || drawer.charge === "unknown")
      return <span className="text-quiet">not noted</span>;
    if (drawer.charge === "none") return <span className="text-quiet">no battery</span>;
    if (typeof drawer.charge !== "number")
      return <span className="font-bold text-rust">{drawer.charge}</span>;
    return <span className={drawer.charge < LOW ? "font-bold text-rust" : "ver"}>{drawer.charge} %</span>;
  }
  if (lens === "firmware") return <>{STANDING_WORD[drawer.standing]}</>;
  return <span className="ver">{drawer.version ?? "not read"}</span>;
}

function labelOf(drawer: Drawer): string {
  const parts = [
    `${drawer.tag}, ${drawer.model}`,
    drawer.version ?? "not read",
    STANDING_WORD[drawer.standing],
  ];
  if (drawer.holder) parts.push(`with ${drawer.holder}`);
  if (drawer.mode) parts.push(`in the mode ${drawer.mode}`);
  if (typeof drawer.charge === "number") parts.push(`charged to ${drawer.charge} %`);
  if (drawer.beyond) parts.push("transmits where its user may not");
  if (drawer.safety) parts.push("lacks a safety fix");
  parts.push(MOSS_WORD[drawer.moss]);
  return parts.join(", ");
}
