// What was tried with a thing of the kit, newest first. A try that was noted wrongly is struck, and counts no more.

import { Strike } from "../forms/strike.tsx";
import { useClub } from "../ui/club.ts";
import { sayInstant } from "../ui/words/time.ts";

export type ShownTry = {
  readonly id: string;
  readonly what: string;
  readonly worked: boolean;
  readonly settled: boolean;
  readonly symptom: string;
  readonly at: string;
  readonly person: string | null;
  readonly struck: string | null;
};

export function Tries({
  tries,
  trouble,
}: {
  readonly tries: readonly ShownTry[];
  readonly trouble?: string | undefined;
}) {
  const { locale, timeZone } = useClub();
  if (tries.length === 0) return null;
  return (
    <section id="tries" className="mt-8 max-w-3xl">
      <h2 className="mb-1.5">What was tried with it</h2>
      {trouble && (
        <p role="alert" className="mb-2 font-semibold text-rust">
          {trouble}
        </p>
      )}
      <ul className="sheet divide-y divide-line">
        {tries.map((one) => (
          <li key={one.id} className="flex flex-wrap items-baseline gap-x-4 px-3 sm:flex-nowrap py-2 text-sm">
            <span className={`min-w-0 grow ${one.struck ? "text-quiet" : ""}`}>
              {one.struck ? <s>{said(one)}</s> : said(one)}
              <span className="text-quiet">
                {" "}
                {sayInstant(one.at, locale, timeZone)}, {one.person ?? "somebody"}
                {one.struck && `; struck: ${one.struck}`}
              </span>
            </span>
            {!one.struck && (
              <Strike
                name="try"
                id={one.id}
                label={`Why this try counts no more: ${said(one)}`}
                hint="why it counts no more"
              />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

const said = ({ what, worked, settled, symptom }: ShownTry): string =>
  `${settled ? "Never works" : worked ? "Worked" : "Failed"} with ${what}${symptom ? `: ${symptom}` : ""}.`;
