// Who leaves a form that was changed and not saved is asked first.
import { useLayoutEffect } from "react";
import { useBlocker, useLocation } from "react-router";
import { Dialogue } from "../../ui/dialogue.tsx";
import { changedIn, forgetSaved, SETTLED } from "./keep.ts";

/** Whether the page holds a form with something in it that is not saved. */
function isUnsaved(): boolean {
  return [...document.querySelectorAll<HTMLFormElement>("form[data-guarded]")].some(
    (form) =>
      !form.hasAttribute(SETTLED) &&
      (form.hasAttribute("data-unsaved") || Object.keys(changedIn(form)).length > 0),
  );
}

/** Until the next page is there, the form still stands: it is not asked about twice. */
function settleAll(): void {
  for (const form of document.querySelectorAll("form[data-guarded]")) form.setAttribute(SETTLED, "");
}

export function LeaveGuard() {
  const { pathname } = useLocation();
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is the page that counts
  useLayoutEffect(forgetSaved, [pathname]);
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => currentLocation.pathname !== nextLocation.pathname && isUnsaved(),
  );
  if (blocker.state !== "blocked") return null;
  return (
    <Dialogue title="This form is not saved" onClose={() => blocker.reset?.()}>
      <p>What you typed is kept in this tab and is back when you come here again; nobody else sees it.</p>
      <div className="mt-4 flex flex-wrap gap-3">
        <button type="button" className="btn btn-primary" onClick={() => blocker.reset?.()}>
          Stay here
        </button>
        <button
          type="button"
          className="btn btn-outline btn-primary"
          onClick={() => {
            settleAll();
            blocker.proceed?.();
          }}
        >
          Leave without saving
        </button>
      </div>
    </Dialogue>
  );
}
