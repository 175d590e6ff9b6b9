// The head of a dossier: what the model is known by, how its revisions are told apart, its keys, and how each part is read.

import { type PartReading, serialsText } from "#core/dossier/index.ts";
import type { DossierHead, ModelHead, RevisionRow } from "#db/model/index.ts";
import { KnownFrom, type ShownConfirmed } from "../shared/known-from.tsx";
import { KeyCard } from "../ui/key-card.tsx";

/** Built in, under which name, and what a reset leaves of it. */
function sayBluetooth(bluetooth: DossierHead["identity"]["bluetooth"]): string {
  if (!bluetooth) return "";
  return [
    bluetooth.shows ? `built in, shows as “${bluetooth.shows}”` : "built in",
    bluetooth.afterReset && `${bluetooth.afterReset} after a reset`,
  ]
    .filter(Boolean)
    .join("; ");
}

export function IdentityHead(props: {
  readonly model: ModelHead;
  readonly head: DossierHead;
  /** What it is known by, in words. */
  readonly told: readonly (readonly [string, string])[];
  readonly revisions: readonly RevisionRow[];
  readonly confirmed: readonly ShownConfirmed[];
}) {
  const { identity } = props.head;
  const facts: readonly (readonly [string, string])[] = [
    ...props.told,
    ["Bluetooth", sayBluetooth(identity.bluetooth)],
    ...props.revisions.map(
      (r) =>
        [
          `Hardware ${r.name}`,
          [r.how_to_tell, r.serials.length > 0 && `serial ${serialsText(r.serials)}`]
            .filter(Boolean)
            .join("; "),
        ] as const,
    ),
  ];
  const known = facts.filter(([, text]) => text !== "");
  return (
    <div className="mb-5 grid gap-x-8 gap-y-3 md:grid-cols-[minmax(0,1fr)_13rem]">
      <div>
        <p className="mb-3 max-w-3xl">{props.model.note}</p>
        {known.length > 0 && (
          <dl className="grid w-fit gap-x-5 gap-y-1 sm:grid-cols-[max-content_minmax(0,1fr)]">
            {known.map(([name, text]) => (
              <div key={name} className="contents">
                <dt className="text-sm text-quiet">{name}</dt>
                <dd>{text}</dd>
              </div>
            ))}
          </dl>
        )}
        {known.length > 0 && (
          <div className="mt-1.5">
            <KnownFrom
              kind="identity"
              subject={props.model.id}
              what={`what the ${props.model.name} is known by`}
              source={identity.source}
              confirmed={props.confirmed}
            />
          </div>
        )}
      </div>
      {identity.layout && (
        <div className="max-h-52 [&_.key-card]:max-h-52">
          <KeyCard layout={identity.layout} step={undefined} />
        </div>
      )}
    </div>
  );
}

const WHERE: Record<NonNullable<PartReading["where"]>, string> = {
  menu: "in the menu",
  "power-on": "for a moment at power-on",
  keys: "behind a key combination",
  tool: "only in a tool",
};

export function HowToRead({
  part,
  confirmed,
}: {
  readonly part: DossierHead["parts"][number] | undefined;
  readonly confirmed: readonly ShownConfirmed[];
}) {
  const reading = part?.reading;
  if (!part || !reading?.where) return null;
  return (
    <div className="text-sm">
      <p>
        Its version shows {WHERE[reading.where]}
        {reading.how && `: ${reading.how}`}
        {reading.sample && (
          <>
            . It looks like <span className="ver border border-line bg-base-100 px-1">{reading.sample}</span>
          </>
        )}
        .
      </p>
      <KnownFrom
        kind="part"
        subject={part.id}
        what={`how ${part.name} is read`}
        source={reading.source}
        confirmed={confirmed}
      />
    </div>
  );
}
