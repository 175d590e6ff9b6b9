// A page follows its club: the server says what changed, and a page that shows it loads itself again. Hidden pages do not listen, since browsers open few connections to a server.
import { useEffect, useRef } from "react";
import { useMatches, useRevalidator } from "react-router";

/** What a route's `handle` says it shows: topics such as "need" or "unit:12", or how they follow from what it loaded. */
export type Follows = { readonly follows: readonly string[] | ((data: never) => readonly string[]) };

const AGAIN_MS = 10_000;

/** Whether a page that follows these topics shows something that changed. */
export function concerns(what: readonly string[], follows: readonly string[]): boolean {
  const kind = (topic: string) => topic.split(":")[0];
  return what.some(
    (topic) =>
      topic === "all" ||
      follows.some(
        (one) => one === topic || one === kind(topic) || (topic === kind(topic) && kind(one) === topic),
      ),
  );
}

/** Keeps the page up to date as long as it is seen. */
export function useLive(): void {
  const { revalidate, state } = useRevalidator();
  const matches = useMatches();
  const follows = matches.flatMap(({ handle, loaderData }) => {
    const own = (handle as Follows | undefined)?.follows;
    if (own === undefined) return [];
    return typeof own === "function" ? (loaderData ? own(loaderData as never) : []) : own;
  });
  const now = useRef({ follows, revalidate, busy: false, more: false });
  Object.assign(now.current, { follows, revalidate, busy: state !== "idle" });
  // What changed while the page was being asked for is asked for after that.
  useEffect(() => {
    if (state !== "idle" || !now.current.more) return;
    now.current.more = false;
    revalidate();
  }, [state, revalidate]);
  useEffect(() => {
    let source: EventSource | undefined;
    let last = "";
    let timer: ReturnType<typeof setTimeout> | undefined;
    const heard = (event: MessageEvent<string>) => {
      last = event.lastEventId;
      document.documentElement.dataset.live = last;
      if (!concerns(topicsIn(event.data), now.current.follows)) return;
      if (now.current.busy) now.current.more = true;
      else now.current.revalidate();
    };
    const open = () => {
      clearTimeout(timer);
      source = new EventSource(last === "" ? "/live" : `/live?after=${encodeURIComponent(last)}`);
      source.addEventListener("message", heard);
      source.addEventListener("error", () => {
        // It tries again by itself unless it was refused.
        if (source?.readyState === EventSource.CLOSED) timer = setTimeout(seen, AGAIN_MS);
      });
    };
    const close = () => {
      clearTimeout(timer);
      source?.close();
      source = undefined;
    };
    const seen = () => {
      close();
      if (document.visibilityState === "visible") open();
    };
    seen();
    document.addEventListener("visibilitychange", seen);
    // A page that is left ends it by itself: some browsers complain where it is cut off. One that comes back opens it again.
    window.addEventListener("pagehide", close);
    window.addEventListener("pageshow", seen);
    return () => {
      window.removeEventListener("pagehide", close);
      window.removeEventListener("pageshow", seen);
      document.removeEventListener("visibilitychange", seen);
      close();
    };
  }, []);
}

function topicsIn(text: string): readonly string[] {
  try {
    const read: unknown = JSON.parse(text);
    return Array.isArray(read) ? read.map(String) : [];
  } catch {
    return [];
  }
}
