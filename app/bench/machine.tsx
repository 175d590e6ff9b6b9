// How far the machine is, counted in the browser from what the server knows; at its end the page asks what came of it.
import { useEffect, useState } from "react";
import { useSubmit } from "react-router";
import type { Standing } from "#simulators/radio/work.ts";
import { KEY, newKey } from "../forms/form-key.tsx";
import type { Shown } from "./shown.ts";

/** `part` and `until` come of the server's clock; how much of it has passed since is the browser's to count. */
export function Progress({ run, work }: { readonly run: Shown; readonly work: Standing }) {
  const submit = useSubmit();
  const [part, setPart] = useState(work.part);
  const lasts = work.lasts;
  useEffect(() => {
    const began = performance.now();
    const left = Math.max(0, work.left);
    const timer = setInterval(
      () => setPart(Math.min(work.end, work.part + (performance.now() - began) / Math.max(1, lasts))),
      200,
    );
    const asked = setTimeout(() => {
      const form = new FormData();
      form.set("intent", "machine");
      form.set("number", String(run.number));
      form.set(KEY, newKey());
      submit(form, { method: "post", preventScrollReset: true });
    }, left + 50);
    return () => {
      clearInterval(timer);
      clearTimeout(asked);
    };
  }, [work, lasts, run.number, submit]);
  const percent = Math.round(part * 100);
  return (
    <div className="sheet p-4">
      <progress
        className="progress progress-primary h-4 w-full"
        value={percent}
        max={100}
        aria-label="How far it is"
      />
      <p className="ver mt-1 text-lg">{percent} %</p>
    </div>
  );
}
