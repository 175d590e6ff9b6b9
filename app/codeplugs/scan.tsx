// Scan plans: how long a pass over a stretch of the air takes, what its raster misses, and the chance to meet a call.
import { chanceToMeet, type Scan, scanPlan, typedFrequency } from "#core/codeplug/index.ts";
import { planNow } from "#db/codeplug/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { Labelled } from "../forms/field.tsx";
import { Page } from "../ui/page.tsx";
import { Ruler } from "../ui/ruler.tsx";
import { counted } from "../ui/words/count.ts";
import { sayWidth } from "../ui/words/frequency.ts";
import type { Route } from "./+types/scan";
import { CodeplugTabs } from "./tabs.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Scanning · Mossy Cabinet" }];

const FIELDS = ["from", "to", "step", "width", "perChannel", "dwell", "call"] as const;
type Fields = Record<(typeof FIELDS)[number], string>;
const START: Fields = {
  from: "145.2",
  to: "145.6",
  step: "25",
  width: "12.5",
  perChannel: "60",
  dwell: "2000",
  call: "8",
};

const number = (typed: string): number => Number(typed.replace(",", "."));

/** What was typed as a scan; which field is none. */
function scanIn(typed: Fields): {
  readonly scan?: Scan & { readonly call: number };
  readonly odd?: keyof Fields;
} {
  const [from, to] = [typedFrequency(typed.from), typedFrequency(typed.to)];
  if (from === undefined) return { odd: "from" };
  if (to === undefined) return { odd: "to" };
  for (const field of ["step", "width", "perChannel", "dwell", "call"] as const) {
    const value = number(typed[field]);
    if (!(Number.isFinite(value) && value > 0 && value <= 1_000_000)) return { odd: field };
  }
  return {
    scan: {
      from,
      to,
      step: Math.round(number(typed.step) * 1000),
      width: Math.round(number(typed.width) * 1000),
      perChannelMs: number(typed.perChannel),
      dwellMs: number(typed.dwell),
      call: number(typed.call),
    },
  };
}

export async function loader({ context, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  const search = new URL(request.url).searchParams;
  const typed = Object.fromEntries(
    FIELDS.map((field) => [field, (search.get(field) ?? START[field]).slice(0, 20)]),
  ) as Fields;
  return readInClub(context, async (tx) => {
    const { scan, odd } = scanIn(typed);
    const members = (await planNow(tx))?.blocks.flatMap((block) => block.members) ?? [];
    const within = scan ? members.filter(({ receive }) => receive >= scan.from && receive <= scan.to) : [];
    const passes = scan
      ? (["analogue", "digital"] as const).flatMap((kind) => {
          const wanted = within
            .filter(({ digital }) => digital === (kind === "digital"))
            .map(({ name, receive }) => ({ name, frequency: receive }));
          if (wanted.length === 0 && kind === "digital") return [];
          const plan = scanPlan(scan, wanted);
          return [
            {
              kind,
              wanted,
              plan,
              ...("problem" in plan ? {} : { chance: chanceToMeet(scan.call, plan.quiet) }),
            },
          ];
        })
      : [];
    return { typed, odd, scan, passes };
  });
}

const FIELD_WORD: Record<keyof Fields, string> = {
  from: "From, MHz",
  to: "To, MHz",
  step: "Step, kHz",
  width: "It hears so wide, kHz",
  perChannel: "On each channel, ms",
  dwell: "It stays on a call, ms",
  call: "A call lasts, seconds",
};

const WRONG = {
  "bad-range": "The range ends before it begins.",
  "bad-step": "The step is wider than the range.",
} as const;

export default function Scanning({ loaderData }: Route.ComponentProps) {
  const { typed, odd, scan, passes } = loaderData;
  const two = passes.length > 1;
  return (
    <Page
      title="Scanning"
      says="how long a pass takes, what it misses of the plan, and whether it meets a call"
      acts={<CodeplugTabs here="scan" />}
    >
      <form className="mb-4 flex flex-wrap items-end gap-3">
        {FIELDS.map((field) => (
          <Labelled
            key={field}
            name={field}
            label={FIELD_WORD[field]}
            small
            mono
            value={typed[field]}
            errors={odd === field ? ["That is no such number."] : undefined}
            box="w-36"
          />
        ))}
        <button type="submit" className="btn btn-primary btn-sm mb-1">
          Work it out
        </button>
      </form>
      {two && <p className="mb-3">Analogue and digital need a pass each.</p>}
      <div className="flex flex-col gap-4">
        {passes.map(({ kind, plan, wanted, chance }) => (
          <section key={kind} className="sheet p-4">
            <h2>{kind === "digital" ? "Digital" : "Analogue"}</h2>
            {"problem" in plan ? (
              <p className="text-rust">{WRONG[plan.problem]}</p>
            ) : (
              <>
                <dl className="mt-1 grid grid-cols-[max-content_minmax(0,1fr)] gap-x-6 gap-y-1">
                  <dt>A pass</dt>
                  <dd>
                    {counted(plan.channels, "channel")}, {plan.quiet.toFixed(1)} s where nothing is heard,{" "}
                    {plan.busy.toFixed(1)} s with a call on each that it meets
                  </dd>
                  <dt>Of the plan</dt>
                  <dd>
                    {wanted.length === 0
                      ? "nothing lies in that range"
                      : plan.missed.length === 0
                        ? `it meets all ${wanted.length}`
                        : `it misses ${plan.missed.length} of ${wanted.length}: ${plan.missed
                            .slice(0, 6)
                            .map(({ name, off }) =>
                              off === "outside" ? name : `${name} (off by ${sayWidth(off)})`,
                            )
                            .join(
                              ", ",
                            )}${plan.missed.length > 6 ? ` and ${plan.missed.length - 6} more` : ""}`}
                  </dd>
                  <dt>Largest step that misses none</dt>
                  <dd>{plan.best === undefined ? "any does" : sayWidth(plan.best)}</dd>
                  <dt>A call of {typed.call} s</dt>
                  <dd>
                    {chance === 1
                      ? "is met for sure: a pass takes no longer than it lasts"
                      : `is met with a chance of ${Math.round((chance ?? 0) * 100)} %`}
                  </dd>
                </dl>
                {scan && wanted.length > 0 && (
                  <div className="mt-3">
                    <Ruler
                      name={`The range with the ${kind} channels of the plan`}
                      lanes={[
                        { name: "the range", bands: [{ from: scan.from, to: scan.to }], light: true },
                        {
                          name: "met",
                          bands: [],
                          ticks: wanted
                            .filter((one) => !plan.missed.some(({ name }) => name === one.name))
                            .map(({ frequency }) => frequency),
                        },
                        ...(plan.missed.length > 0
                          ? [
                              {
                                name: "missed",
                                bands: [],
                                ticks: plan.missed.map(({ frequency }) => frequency),
                              },
                            ]
                          : []),
                      ]}
                    />
                  </div>
                )}
              </>
            )}
          </section>
        ))}
      </div>
    </Page>
  );
}
