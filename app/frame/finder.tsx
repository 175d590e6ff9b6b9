// The finder: a few letters reach every radio, model, person and page. Arrows move, Enter goes.
import { useState } from "react";
import { useFetcher, useNavigate } from "react-router";
import { Dialogue } from "../ui/dialogue.tsx";
import type { Found } from "./find.tsx";

export function Finder({ onClose }: { readonly onClose: () => void }) {
  const fetcher = useFetcher<{ found: Found[] }>();
  const navigate = useNavigate();
  const [at, setAt] = useState(0);
  const found = fetcher.data?.found ?? [];
  const go = (to: string | undefined) => {
    if (!to) return;
    onClose();
    navigate(to);
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    const step = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (step !== 0) {
      event.preventDefault();
      setAt((was) => Math.max(0, Math.min(found.length - 1, was + step)));
    }
    if (event.key === "Enter") {
      event.preventDefault();
      go(found[at]?.to);
    }
  };
  return (
    <Dialogue title="Find" onClose={onClose}>
      <input
        type="search"
        role="combobox"
        aria-expanded={found.length > 0}
        aria-controls="found"
        aria-activedescendant={found[at] ? `found-${at}` : undefined}
        aria-label="Find a radio, model, person or page"
        className="input w-full font-mono"
        placeholder="W-03, Heron, log…"
        onChange={(event) => {
          setAt(0);
          fetcher.load(`/find?q=${encodeURIComponent(event.target.value)}`);
        }}
        onKeyDown={onKeyDown}
        autoComplete="off"
      />
      <div id="found" role="listbox" aria-label="Found" className="mt-2 flex flex-col">
        {found.map((item, i) => (
          <button
            key={item.to}
            id={`found-${i}`}
            type="button"
            role="option"
            aria-selected={i === at}
            tabIndex={-1}
            className={`flex gap-3 px-2 py-1.5 text-left ${i === at ? "bg-primary text-primary-content" : "hover:bg-base-200"}`}
            onClick={() => go(item.to)}
          >
            <span className="tag shrink-0">{item.name}</span>
            <span className="truncate">{item.what}</span>
          </button>
        ))}
      </div>
      {fetcher.data && found.length === 0 && fetcher.state === "idle" && (
        <p className="mt-3 text-quiet">Nothing goes by that. Try a tag, a model or the name of a page.</p>
      )}
    </Dialogue>
  );
}
