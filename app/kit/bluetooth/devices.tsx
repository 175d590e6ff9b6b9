// The club's devices, each with what it has left and whether that will do.
import { ActForm } from "../../forms/act-form.tsx";
import { useClub, useMay } from "../../ui/club.ts";
import { Go } from "../../ui/go.tsx";
import { Wide } from "../../ui/wide.tsx";
import { sayDrain, sayNow, sayPercent, sayReady } from "../../ui/words/kit/charge.ts";
import { sayMoment } from "../../ui/words/time.ts";
import type { Route } from "./+types/bluetooth";

type Shown = Route.ComponentProps["loaderData"]["devices"][number];

export function Devices({ devices }: { readonly devices: readonly Shown[] }) {
  const { locale, timeZone } = useClub();
  const mayWork = useMay("work-at-bench");
  const mayEdit = useMay("edit-kit");
  return (
    <Wide label="Bluetooth devices">
      <table className="table table-sm max-md:block">
        <thead className="max-md:sr-only">
          <tr>
            <th>Device</th>
            <th>Now</th>
            <th>By then</th>
            {mayWork && <th>How full is it?</th>}
          </tr>
        </thead>
        <tbody className="max-md:block">
          {devices.map((one) => (
            <tr
              key={one.id}
              id={`device-${one.id}`}
              className="max-md:grid max-md:grid-cols-[6.5rem_minmax(0,1fr)]"
            >
              <td className="max-md:row-span-3">
                {mayEdit ? (
                  <Go className="link tag" to={one.to}>
                    {one.tag}
                  </Go>
                ) : (
                  <span className="tag">{one.tag}</span>
                )}
                <span className="block text-quiet">
                  {[one.what || one.kind, one.holder ? `with ${one.holder}` : one.place]
                    .filter(Boolean)
                    .join(", ")}
                </span>
              </td>
              <td className="max-md:border-0 max-md:pb-0">
                {one.now.kind === "known" && <Level percent={one.now.percent} />}
                <span className="block text-quiet">
                  {one.now.kind === "known"
                    ? [
                        `seen ${sayMoment(new Date(one.now.seen.at), locale, timeZone)}`,
                        one.now.charging ? "on its charger" : sayDrain(one.now.drain),
                      ]
                        .filter(Boolean)
                        .join("; ")
                    : sayNow(one.now)}
                </span>
              </td>
              <td
                className={`max-md:border-0 max-md:py-1 ${one.ready.kind === "too-late" ? "text-rust" : ""}`}
              >
                {one.ready.kind !== "out" && sayReady(one.ready, locale, timeZone)}
                {one.charger && <span className="block text-rust">its charger {one.charger} is broken</span>}
              </td>
              {mayWork && (
                <td className="max-md:pt-0">
                  {one.now.kind !== "out" && (
                    <ActForm intent="charge" className="flex items-end gap-2" preventScrollReset>
                      <input type="hidden" name="device" value={one.id} />
                      <input type="hidden" name="kind" value="level" />
                      <label className="sr-only" htmlFor={`percent-${one.id}`}>
                        {one.tag} is full to, percent
                      </label>
                      <input
                        id={`percent-${one.id}`}
                        name="percent"
                        inputMode="decimal"
                        className="input input-sm w-16 font-mono"
                        placeholder="%"
                      />
                      <button
                        type="submit"
                        className="btn btn-outline btn-primary btn-sm"
                        aria-label={`Note how full ${one.tag} is`}
                      >
                        Note
                      </button>
                    </ActForm>
                  )}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </Wide>
  );
}

/** How full: the number, and beside it a cell that says the same. */
function Level({ percent }: { readonly percent: number }) {
  return (
    <span className="inline-flex items-center gap-2">
      <progress className="progress w-16" max={100} value={Math.round(percent)} aria-hidden="true" />
      <span className="font-mono tabular-nums">{sayPercent(percent)}</span>
    </span>
  );
}
