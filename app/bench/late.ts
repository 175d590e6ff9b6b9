// Answers that could not be sent are kept on the device and sent later, in order, under their first names. They belong to whoever gave them; others neither see nor send them.
import { useEffect, useSyncExternalStore } from "react";
import type { Happening } from "#core/run/index.ts";
import { eventId } from "./run/happenings.ts";
import type { Pending } from "./shown.ts";

/** Whose answers, in which run. */
export type Waiting = { readonly run: string; readonly whose: string };
const keyOf = ({ run, whose }: Waiting) => `bench ${run} of ${whose}`;
const isOfRun = (key: string, run: string) => key === `bench ${run}` || key.startsWith(`bench ${run} of `);

let looking = "";
/** Who is signed in on the page that was drawn last. */
export const whoseDevice = (): string => looking;
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
export function waitingOf(of: Waiting): readonly Pending[] {
  try {
    const read: unknown = JSON.parse(storage()?.getItem(keyOf(of)) ?? "[]");
    return Array.isArray(read) && read.every(isPending) ? read : [];
  } catch {
    return [];
  }
}

function put(of: Waiting, pending: readonly Pending[]): void {
  if (pending.length === 0) storage()?.removeItem(keyOf(of));
  else storage()?.setItem(keyOf(of), JSON.stringify(pending));
  tell();
}

/** So many are kept at most: what one sending may hold. */
export const MOST_WAITING = 50;

/**
 * Keeps what was answered. `key`: of its form, by which the server names its events too: it may have taken them in, and only its answer was
 * lost. `number`: how many events the page knew of. False if it cannot be kept.
 */
export function keepLate(of: Waiting, key: string, number: number, whats: readonly Happening[]): boolean {
  const had = waitingOf(of);
  if (of.whose === "") return false;
  if (had.length + whats.length > MOST_WAITING || !storage()) return false;
  const at = new Date().toISOString();
  const fresh = whats.map((what, i): Pending => ({ id: eventId(key, i), number: number + i + 1, what, at }));
  put(of, [...had, ...fresh]);
  return true;
}

/** They were taken, or refused for good. */
export const forgetLate = (of: Waiting): void => put(of, []);

const NONE: readonly Pending[] = [];
let last: { readonly key: string; readonly text: string; readonly list: readonly Pending[] } | undefined;

const whenChanged = (changed: () => void) => {
  listeners.add(changed);
  // Another tab of the same device.
  window.addEventListener("storage", changed);
  return () => {
    listeners.delete(changed);
    window.removeEventListener("storage", changed);
  };
};

/** What waits to be sent for a run by whoever is signed in, as it is now. */
export function useLate(run: string, whose: string): readonly Pending[] {
  useEffect(() => {
    looking = whose;
  }, [whose]);
  return useSyncExternalStore(
    whenChanged,
    () => {
      const key = keyOf({ run, whose });
      const text = storage()?.getItem(key) ?? "";
      if (text === "") return NONE;
      if (last?.key !== key || last.text !== text) last = { key, text, list: waitingOf({ run, whose }) };
      return last.list;
    },
    () => NONE,
  );
}

/** Whether somebody else's answers in this run wait on this device. */
export const useOthersWait = (run: string, whose: string): boolean =>
  useSyncExternalStore(
    whenChanged,
    () => Object.keys(storage() ?? {}).some((key) => isOfRun(key, run) && key !== keyOf({ run, whose })),
    () => false,
  );
