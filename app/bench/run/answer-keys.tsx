// Keys for the answers of a step: Enter is the step's own; b back one, o something else, p pause, s stop here, a read aloud.
import { useEffect } from "react";

export const BENCH_KEYS = "bopsa";

export function AnswerKeys() {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const { target } = event;
      if (target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return;
      if (!BENCH_KEYS.includes(event.key)) return;
      const found = document.querySelector<HTMLElement>(`[data-key="${event.key}"]`);
      if (!found) return;
      event.preventDefault();
      found.click();
      // What opens is for typing.
      if (found.tagName === "SUMMARY")
        found.parentElement?.querySelector<HTMLInputElement>("input[type=text]")?.focus();
    };
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);
  return null;
}
