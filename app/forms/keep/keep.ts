// What is typed into a form and not saved is kept in this tab: Back and Forward, or a page that was left by mistake, lose nothing.
import { useCallback, useEffect, useLayoutEffect, useRef, useState } from "react";
import { useLocation, useRouteLoaderData } from "react-router";
import { FRAME, type FrameData } from "../../ui/club.ts";
import { BASELINE } from "../baseline.tsx";

type Control = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;
/** By name: what is typed, and what stood there when it was. */
type Kept = Readonly<Record<string, { readonly typed: readonly string[]; readonly was: readonly string[] }>>;

const KEPT_KINDS = new Set([
  "text",
  "number",
  "date",
  "email",
  "search",
  "checkbox",
  "textarea",
  "select-one",
  "select-multiple",
]);
/** Longer texts than this are not kept: a tab has little room. */
const MOST = 200_000;

const controlsOf = (form: HTMLFormElement): Control[] =>
  [...form.elements].filter(
    (one): one is Control =>
      "name" in one && one.name !== "" && "type" in one && KEPT_KINDS.has(String(one.type)),
  );

const isSelect = (one: Control): one is HTMLSelectElement => one instanceof HTMLSelectElement;
const isCheck = (one: Control): one is HTMLInputElement =>
  one instanceof HTMLInputElement && one.type === "checkbox";

const typedIn = (one: Control): string[] => {
  if (isSelect(one)) return [...one.selectedOptions].map((option) => option.value);
  if (isCheck(one)) return one.checked ? [one.value] : [];
  return [one.value];
};
const wasIn = (one: Control): string[] => {
  if (isSelect(one)) {
    const chosen = [...one.options].filter((option) => option.defaultSelected).map((option) => option.value);
    return chosen.length > 0 || one.multiple ? chosen : [one.options[0]?.value ?? ""];
  }
  if (isCheck(one)) return one.defaultChecked ? [one.value] : [];
  return [one.defaultValue];
};
const same = (one: readonly string[], other: readonly string[]) =>
  one.length === other.length && one.every((text, i) => text === other[i]);

/** What was changed in a form since it was drawn. */
export function changedIn(form: HTMLFormElement): Kept {
  const changed = controlsOf(form).flatMap((one) => {
    const [typed, was] = [typedIn(one), wasIn(one)];
    return same(typed, was) ? [] : [[one.name, { typed, was }] as const];
  });
  return Object.fromEntries(changed);
}

function put(one: Control, typed: readonly string[]): void {
  if (isSelect(one)) for (const option of one.options) option.selected = typed.includes(option.value);
  else if (isCheck(one)) one.checked = typed.includes(one.value);
  else {
    // Past React's own, so that it hears of it as of typing.
    const own = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(one), "value");
    own?.set?.call(one, typed[0] ?? "");
  }
  one.dispatchEvent(new Event("input", { bubbles: true }));
}

/** A field that others have changed since it was typed into still clashes when it is saved. */
function drawnAsBefore(form: HTMLFormElement, kept: Kept): string | undefined {
  const baseline = form.elements.namedItem(BASELINE);
  if (!(baseline instanceof HTMLInputElement)) return undefined;
  try {
    const seen: Record<string, unknown> = JSON.parse(baseline.value);
    for (const [name, { was }] of Object.entries(kept))
      if (name in seen) seen[name] = Array.isArray(seen[name]) ? was : (was[0] ?? "");
    return JSON.stringify(seen);
  } catch {
    return undefined;
  }
}

const storage = (): Storage | undefined => {
  try {
    return sessionStorage;
  } catch {
    return undefined;
  }
};

const PREFIX = "typed ";
/** On a form that was sent, or that somebody has chosen to leave: nobody is asked about it again. */
export const SETTLED = "data-settled";
const forget = (key: string | undefined) => key !== undefined && storage()?.removeItem(key);

/** What was sent and is not answered yet: it is kept until another page is there, which is how a form is answered that was saved. */
let underWay: string | undefined;

/** Once another page is there: what was sent from the one before it is saved. */
export function forgetSaved(): void {
  forget(underWay);
  underWay = undefined;
}

/** Once it is known that it was not saved. */
export function keepUnsaved(): void {
  underWay = undefined;
}

/** What is kept under a key; nothing where something else stands there. */
function keptUnder(key: string): Kept {
  try {
    const read: unknown = JSON.parse(storage()?.getItem(key) ?? "{}");
    return isKept(read) ? read : {};
  } catch {
    return {};
  }
}
// By hand: a schema library would be twice what a first page weighs, for these two lines.
const areTexts = (list: unknown): boolean =>
  Array.isArray(list) && list.every((text) => typeof text === "string");
const isKept = (read: unknown): read is Kept =>
  typeof read === "object" &&
  read !== null &&
  Object.values(read).every((one) => areTexts(one?.typed) && areTexts(one?.was));

/** A form goes by its place among those of its page. */
const keyOf = (page: string | undefined, form: HTMLFormElement | null): string | undefined =>
  page && form ? `${page} ${[...document.querySelectorAll("form")].indexOf(form)}` : undefined;

/** Keeps what is typed into a form, and puts it back where the form is drawn again. `answer`: what came back for it, if it was sent. */
export function useKept(answer: { readonly status?: string | undefined } | undefined) {
  const refused = answer?.status === "error";
  const { pathname, key: place } = useLocation();
  const form = useRef<HTMLFormElement>(null);
  const [restored, setRestored] = useState(false);
  const [baseline, setBaseline] = useState<string>();
  // Whoever signs in after somebody else in the same tab finds nothing of theirs; before the sign-in nothing is kept.
  const person = useRouteLoaderData<FrameData>(FRAME)?.person;
  const page = person === undefined ? undefined : `${PREFIX}${person} ${pathname}`;
  const keep = useCallback(() => {
    const key = keyOf(page, form.current);
    form.current?.removeAttribute(SETTLED);
    if (!form.current || key === undefined) return;
    // What came back is drawn with what was typed: what stood there before that is known from before.
    const before = refused ? keptUnder(key) : {};
    const now: Record<string, Kept[string]> = { ...before };
    for (const [name, { typed, was }] of Object.entries(changedIn(form.current)))
      now[name] = { typed, was: before[name]?.was ?? was };
    const text = JSON.stringify(now);
    if (text === "{}") forget(key);
    else if (text.length <= MOST) {
      try {
        storage()?.setItem(key, text);
      } catch {
        // No room: it is still in the form.
      }
    }
  }, [page, refused]);
  // What came back with its errors is not saved; a page that came back without any is.
  // biome-ignore lint/correctness/useExhaustiveDependencies: each coming has a place of its own
  useLayoutEffect(() => {
    if (answer?.status === "error") {
      form.current?.removeAttribute(SETTLED);
      keepUnsaved();
    } else if (underWay === keyOf(page, form.current)) forgetSaved();
  }, [answer, place, page]);
  useEffect(() => {
    const key = keyOf(page, form.current);
    const kept = key === undefined || refused ? {} : keptUnder(key);
    if (!form.current || Object.keys(kept).length === 0) return;
    for (const one of controlsOf(form.current)) {
      const own = kept[one.name];
      if (own) put(one, own.typed);
    }
    setBaseline(drawnAsBefore(form.current, kept));
    setRestored(true);
  }, [page, refused]);
  return {
    form,
    restored,
    /** What it counts as drawn from, if something was put back; what came back from the server says so itself. */
    baseline: refused ? undefined : baseline,
    keep,
    sent: () => {
      const key = keyOf(page, form.current);
      setRestored(false);
      form.current?.setAttribute(SETTLED, "");
      underWay = key;
    },
    drop: () => {
      const key = keyOf(page, form.current);
      form.current?.reset();
      for (const one of form.current ? controlsOf(form.current) : [])
        one.dispatchEvent(new Event("input", { bubbles: true }));
      forget(key);
      setRestored(false);
      setBaseline(undefined);
    },
  };
}
