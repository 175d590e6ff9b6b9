// A line above the page while needs are being worked out by a job; it moves as the page follows what changes.
import type { FrameData } from "../ui/club.ts";

export function Working({ work }: { readonly work: FrameData["work"] }) {
  return (
    <div role="status" className="border-b border-base-300 bg-base-200 px-5 py-2 text-sm">
      {work.map((one) => (
        <p key={one.why} className="flex flex-wrap items-center gap-3">
          <span>
            Working out what {one.total.toLocaleString("en-GB")} radios need after a change to {one.why};{" "}
            {one.done.toLocaleString("en-GB")} done. Until then this page shows what stood before.
          </span>
          <progress
            className="progress progress-primary w-40"
            value={one.done}
            max={one.total}
            aria-label={`What radios need after a change to ${one.why}`}
          />
        </p>
      ))}
    </div>
  );
}
