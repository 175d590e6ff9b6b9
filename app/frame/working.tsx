// A line above the page while needs are being worked out by a job; it moves by itself and goes when all is done.
import { useEffect } from "react";
import { useRevalidator } from "react-router";
import type { FrameData } from "../ui/club.ts";

const EVERY_MS = 1000;

export function Working({ work }: { readonly work: FrameData["work"] }) {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    const timer = setInterval(revalidate, EVERY_MS);
    return () => clearInterval(timer);
  }, [revalidate]);
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
