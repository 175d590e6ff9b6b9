// The keys: what each does, and the listener that opens the finder and this list.
import { useEffect } from "react";
import { useLocation, useNavigate } from "react-router";
import { Dialogue } from "../ui/dialogue.tsx";
import { helpOf } from "./help.ts";

export const KEYS: readonly (readonly [string, string])[] = [
  ["/", "Find a radio, a model or a page by a few letters"],
  ["?", "Say what this place is for, and show these keys"],
  ["g then c, d, b, m, k, p, l", "Go to Cabinet, Due, Bench, Models, Kit, Codeplugs, Log"],
  ["r", "On a radio's page: to the field for a reading"],
  ["arrows", "Move between drawers on the wall and between rows of a list"],
  ["Enter", "Open the drawer or row; in a reading field: record it"],
  ["x", "In Due: pick or unpick the row"],
  [
    "Enter, o, b, p, s, a",
    "At the bench: the step's answer, something else, back one, pause, stop here, read aloud",
  ],
  ["Esc", "Close what is open"],
];

const PLACES: Record<string, string> = {
  c: "/cabinet",
  d: "/due",
  b: "/bench",
  m: "/models",
  k: "/kit",
  p: "/codeplugs",
  l: "/log",
};

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) &&
  !(target instanceof HTMLInputElement && /^(checkbox|radio|button|submit)$/.test(target.type));

export function useKeys(onOpen: (what: "finder" | "keys") => void): void {
  const navigate = useNavigate();
  useEffect(() => {
    let goes = false;
    const listen = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      const place = PLACES[event.key];
      if (goes && place) navigate(place);
      else if (event.key === "/") onOpen("finder");
      else if (event.key === "?") onOpen("keys");
      else if (event.key === "r") focusReading();
      if (/^[/?r]$/.test(event.key) || (goes && place)) event.preventDefault();
      goes = event.key === "g";
    };
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, [navigate, onOpen]);
}

function focusReading(): void {
  document.querySelector<HTMLInputElement>("input[data-reading]")?.focus();
}

export function KeyTable() {
  return (
    <table className="table table-sm">
      <tbody>
        {KEYS.map(([key, what]) => (
          <tr key={key}>
            <th scope="row" className="whitespace-nowrap font-mono">
              {key}
            </th>
            <td>{what}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What the area is for that one is in, and the keys. */
export function Keys({ onClose }: { readonly onClose: () => void }) {
  const { pathname } = useLocation();
  return (
    <Dialogue title="Help" onClose={onClose}>
      <Here path={pathname} />
      <KeyTable />
    </Dialogue>
  );
}

export function Here({ path }: { readonly path: string }) {
  const here = helpOf(path);
  return (
    <div className="mb-3 flex flex-col gap-2">
      {here && (
        <p>
          <strong>{here[1]}.</strong> {here[2]}
        </p>
      )}
      <p>
        <a className="link" href="/manual">
          The manual
        </a>{" "}
        <span className="text-quiet">follows the order of the work, step by step.</span>
      </p>
    </div>
  );
}
