// The strips: the plan's blocks as one column, and beside it what each model takes of them, each to one scale.
import { Link } from "react-router";
import type { Strip } from "#core/codeplug/index.ts";
import { counted } from "./words/count.ts";

/** Pixels a channel; and the least that a block has. */
const SCALE = 2.6;
const LEAST = 27;
const heightOf = (of: number): number => Math.max(LEAST, of * SCALE);

export type StripBlock = {
  readonly name: string;
  readonly of: number;
  readonly purpose: string;
  readonly priority: number;
};
export type StripModel = {
  readonly id: string;
  readonly name: string;
  readonly capacity: number;
  readonly count: number;
  readonly strips: readonly Strip[];
  readonly to?: string;
};

/** As wide as a name of ten letters needs. */
const MODEL_REM = 5.5;

/** `foot`: what stands below each model, with its head. */
export function Strips(props: {
  readonly blocks: readonly StripBlock[];
  readonly models: readonly StripModel[];
  readonly foot?: { readonly head: React.ReactNode; readonly of: (model: StripModel) => React.ReactNode };
}) {
  const { blocks, models, foot } = props;
  return (
    <div className="sheet relative overflow-x-auto p-3">
      <table className="strips" style={{ minWidth: `${10 + models.length * MODEL_REM}rem` }}>
        <thead>
          <tr>
            <th scope="col" className="font-serif text-base">
              The plan
            </th>
            {models.map((model) => (
              <th key={model.id} scope="col">
                <span className="font-serif block text-sm leading-tight">
                  {model.to ? (
                    <Link to={model.to} className="hover:underline">
                      {model.name}
                    </Link>
                  ) : (
                    model.name
                  )}
                </span>
                <span className="ver block text-xs font-normal text-quiet">
                  {model.count} of {model.capacity}
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {blocks.map((block) => (
            <tr key={block.name}>
              <th scope="row" style={{ height: heightOf(block.of) }}>
                <span className="strip-block" style={{ height: heightOf(block.of) }}>
                  <span className="flex justify-between gap-2">
                    <span>{block.name}</span>
                    <span className="ver">{block.of}</span>
                  </span>
                  {block.purpose && heightOf(block.of) > 36 && (
                    <span className="block text-xs font-normal text-quiet">{block.purpose}</span>
                  )}
                </span>
              </th>
              {models.map((model) => (
                <td key={model.id}>
                  <Piece
                    strip={model.strips.find((one) => one.block === block.name)}
                    of={block.of}
                    weak={block.priority <= 3}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
        {foot && (
          <tfoot>
            <tr>
              <th scope="row" className="pt-2">
                {foot.head}
              </th>
              {models.map((model) => (
                <td key={model.id} className="pt-2 align-top">
                  {foot.of(model)}
                </td>
              ))}
            </tr>
          </tfoot>
        )}
      </table>
    </div>
  );
}

function Piece({
  strip,
  of,
  weak,
}: {
  readonly strip: Strip | undefined;
  readonly of: number;
  readonly weak: boolean;
}) {
  const height = heightOf(of);
  if (!strip || strip.unfit === of || of === 0)
    return (
      <span className="strip strip-unfit" style={{ height }}>
        <span className="sr-only">{of === 0 ? "nobody in it" : "not for this model"}</span>
      </span>
    );
  const part = (count: number) => ({ height: (height * count) / of });
  const whole = strip.taken === of;
  return (
    <span className="strip" style={{ height }} title={inWords(strip)}>
      <span className="sr-only">{inWords(strip)}</span>
      {strip.taken > 0 && (
        <span className={`block ${whole || !weak ? "bg-primary" : "strip-weak"}`} style={part(strip.taken)} />
      )}
      {strip.listens > 0 && <span className="strip-listens block" style={part(strip.listens)} />}
      {strip.left > 0 && (
        <span className="strip-left block" style={part(strip.left)} aria-hidden="true">
          {part(strip.left).height > 17 && <span className="strip-count">{strip.left} out</span>}
        </span>
      )}
      {strip.unfit > 0 && <span className="strip-unfit block" style={part(strip.unfit)} />}
    </span>
  );
}

function inWords({ of, taken, listens, left, unfit }: Strip): string {
  if (taken === of) return `all ${of}`;
  if (listens === of) return `${of} to listen only`;
  return [
    ...(taken > 0 ? [`${taken} of ${of}`] : []),
    ...(listens > 0 ? [`${listens} to listen only`] : []),
    ...(left > 0 ? [`${left} left out`] : []),
    ...(unfit > 0 ? [`${counted(unfit, "channel")} not for this model`] : []),
  ].join(", ");
}

/** What the fillings mean. */
export const StripLegend = () => (
  <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-xs text-quiet">
    {(
      [
        ["bg-primary", "taken"],
        ["strip-listens", "to listen only"],
        ["strip-left", "left out"],
        ["strip-unfit", "not for this model"],
      ] as const
    ).map(([look, word]) => (
      <span key={word} className="inline-flex items-center gap-1.5">
        <span className={`inline-block h-3 w-4 ${look}`} aria-hidden="true" />
        {word}
      </span>
    ))}
  </p>
);
