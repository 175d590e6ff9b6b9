// A dialogue over the page: the browser's own element, so that focus stays inside and Escape closes.
import { type ReactNode, useEffect, useRef } from "react";

export function Dialogue(props: {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}) {
  const ref = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const dialog = ref.current;
    if (dialog && !dialog.open) dialog.showModal();
    dialog?.querySelector("input")?.focus();
    return () => dialog?.close();
  }, []);
  return (
    <dialog ref={ref} className="modal" onClose={props.onClose} aria-label={props.title}>
      <div className="modal-box sheet max-w-2xl">
        <div className="mb-3 flex items-baseline justify-between gap-4">
          <h2>{props.title}</h2>
          <form method="dialog">
            <button type="submit" className="link text-sm">
              Close
            </button>
          </form>
        </div>
        {props.children}
      </div>
      <form method="dialog" className="modal-backdrop">
        <button type="submit" tabIndex={-1}>
          Close
        </button>
      </form>
    </dialog>
  );
}
