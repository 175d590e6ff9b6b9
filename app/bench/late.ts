// Answers that could not be sent are kept on the device, and sent later, in their order, under the names they were given then.
import { useSyncExternalStore } from "react";
import type { Happening } from "#core/run/event.ts";
import { eventId } from "./happenings.ts";
import type { Pending } from "./shown.ts";

const keyOf = (run: string) => `bench ${run}`;
const listeners = new Set<() => void>();
const tell = () => {
  for (const listener of listeners) listener();
};

const storage = (): Storage | undefined => {
  try {
    return localStorage;
  } catch {
    return undefined;
  }
};

const isPending = (one: unknown): one is Pending =>
  typeof one === "object" &&
  one !== null &&
  "id" in one &&
  typeof one.id === "string" &&
  "number" in one &&
  typeof one.number === "number" &&
  "what" in one &&
  "at" in one;

/** What waits to be sent; nothing where something else stands there. */
export function waitingOf(run: string): readonly Pending[] {
  try {
    const read: unknown = JSON.parse(storage()?.getItem(keyOf(run)) ?? "[]");
    return Array.isArray(read) && read.every(isPending) ? read : [];
  } catch {
    return [];
  }
}

function put(run: string, pending: readonly Pending[]): void {
  if (pending.length === 0) storage()?.removeItem(keyOf(run));
  else storage()?.setItem(keyOf(run), JSON.stringify(pending));
  tell();
}

/** So many are kept at most: what one sending may hold. */
export const MOST_WAITING = 50;

/**
 * Keeps what was answered. `key`: of its form, by which the server names its events too: it may have taken them in, and only its answer was
 * lost. `number`: how many events the page knew of. False if it cannot be kept.
 */
export function keepLate(run: string, key: string, number: number, whats: readonly Happening[]): boolean {
  const had = waitingOf(run);
  if (had.length + whats.length > MOST_WAITING || !storage()) return false;
  const at = new Date().toISOString();
  const fresh = whats.map((what, i): Pending => ({ id: eventId(key, i), number: number + i + 1, what, at }));
  put(run, [...had, ...fresh]);
  return true;
}

/** They were taken, or refused for good. */
export const forgetLate = (run: string): void => put(run, []);

const NONE: readonly Pending[] = [];
let last: { readonly run: string; readonly text: string; readonly list: readonly Pending[] } | undefined;

/** What waits to be sent for a run, as it is now. */
export function useLate(run: string): readonly Pending[] {
  return useSyncExternalStore(
    (changed) => {
      listeners.add(changed);
      // Another tab of the same device.
      window.addEventListener("storage", changed);
      return () => {
        listeners.delete(changed);
        window.removeEventListener("storage", changed);
      };
    },
    () => {
      const text = storage()?.getItem(keyOf(run)) ?? "";
      if (text === "") return NONE;
      if (last?.run !== run || last.text !== text) last = { run, text, list: waitingOf(run) };
      return last.list;
    },
    () => NONE,
  );
}
