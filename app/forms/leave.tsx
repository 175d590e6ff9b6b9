// Who leaves a form that was changed and not saved is asked first.
import { useBlocker } from "react-router";
import { Dialogue } from "../ui/dialogue.tsx";
import { changedIn } from "./keep.ts";

/** Whether the page holds a form with something in it that is not saved. */
function isUnsaved(): boolean {
  return [...document.querySelectorAll<HTMLFormElement>("form[data-guarded]")].some(
    (form) =>
      !form.hasAttribute("data-sent") &&
      (form.hasAttribute("data-unsaved") || Object.keys(changedIn(form)).length > 0),
  );
}

export function LeaveGuard() {
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
        <button type="button" className="btn btn-outline btn-primary" onClick={() => blocker.proceed?.()}>
          Leave without saving
        </button>
      </div>
    </Dialogue>
  );
}
