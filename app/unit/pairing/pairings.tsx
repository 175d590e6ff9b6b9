// What a radio is paired with, on its page: each with how it stands, and the way to pair it anew.
import { useClub, useMay } from "../../ui/club.ts";
import { Go } from "../../ui/go.tsx";
import { counted } from "../../ui/words/count.ts";
import { sayNow, sayPercent } from "../../ui/words/kit/charge.ts";
import { sayPairing } from "../../ui/words/kit/pairing.ts";
import type { ShownBattery, ShownPairing } from "./load-pairings.server.ts";

export function Pairings(props: {
  readonly tag: string;
  readonly pairings: readonly ShownPairing[];
  readonly battery: ShownBattery;
}) {
  const { locale, timeZone } = useClub();
  const mayWork = useMay("work-at-bench");
  const mayEdit = useMay("edit-kit");
  const { battery } = props;
  const page = `/units/${encodeURIComponent(props.tag)}/pairing`;
  const isProgrammer = battery?.kind === "programmer";
  const said = battery && (isProgrammer ? battery.tag : sayCharge(battery.charge));
  if (props.pairings.length === 0 && !battery && !mayWork) return null;
  return (
    <section id="pairings" className="scroll-mt-4">
      {battery && (
        <p className="mb-3">
          {isProgrammer ? "It is the programmer" : "Its battery:"}{" "}
          {mayEdit ? (
            <Go to={battery.to} className="link">
              {said}
            </Go>
          ) : (
            said
          )}
        </p>
      )}
      {(props.pairings.length > 0 || mayWork) && <h2>Paired with</h2>}
      {props.pairings.length > 0 && (
        <ul className="mt-1 flex flex-col gap-2">
          {props.pairings.map((one) => (
            <li key={one.id}>
              <Go to={`${page}?device=${one.device_id}`} className="link tag">
                {one.device}
              </Go>{" "}
              <span className="text-sm text-quiet">{one.what}</span>
              <span className={`block text-sm ${one.state.kind === "broken" ? "text-rust" : "text-quiet"}`}>
                {sayPairing(one.state, locale, timeZone)}
                {one.drops > 0 && `; dropped ${counted(one.drops, "time")} in all`}
              </span>
            </li>
          ))}
        </ul>
      )}
      {mayWork && (
        <Go to={page} className="no-print link mt-1 block w-fit text-sm">
          Pair it with something
        </Go>
      )}
    </section>
  );
}

const sayCharge = (charge: NonNullable<ShownBattery>["charge"]): string =>
  charge.kind === "known" ? `about ${sayPercent(charge.percent)}` : sayNow(charge);
