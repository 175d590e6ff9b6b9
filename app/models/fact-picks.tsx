// Facts that two dossiers tell otherwise, each to be picked.
import type { Difference } from "#core/dossier/index.ts";
import { groupBy } from "#core/quantities/index.ts";
import { RELEASE_FIELD_WORD } from "#core/release/index.ts";

const FIELD_WORD: Readonly<Record<string, string>> = {
  ...RELEASE_FIELD_WORD,
  fromTracks: "over tracks",
  from: "over",
  rollbackFloor: "nothing older than",
  bluetooth: "Bluetooth",
  firmware: "for",
  where: "shows",
  sample: "looks like",
  numbering: "counts",
};

const KIND_WORD: Record<Difference["kind"], string> = {
  identity: "The model",
  part: "Its parts",
  release: "Releases",
  procedure: "Procedures",
  quirk: "Oddities",
  mode: "Modes",
  setting: "Service settings",
  code: "Codes that radio and tool agree on",
};

/** Each fact with ours struck through beside theirs; what is picked is sent as `accept`. */
export function FactPicks(props: {
  readonly differences: readonly Difference[];
  readonly picked: (key: string) => boolean;
  /** Said of what only theirs has. */
  readonly isNew?: string;
  /** Where it stands under a heading of its own. */
  readonly under?: boolean;
}) {
  const Heading = props.under ? "h3" : "h2";
  return (
    <>
      {[...groupBy(props.differences, (d) => d.kind)].map(([kind, list]) => (
        <section key={kind}>
          <Heading className="mb-1.5">{KIND_WORD[kind]}</Heading>
          <ul className="sheet divide-y divide-line">
            {list.map((difference) => (
              <li key={difference.key} className="px-4 py-2.5">
                <label className="flex items-baseline gap-3 font-semibold">
                  <input
                    type="checkbox"
                    name="accept"
                    value={difference.key}
                    defaultChecked={props.picked(difference.key)}
                    className="checkbox checkbox-sm checkbox-primary self-center"
                  />
                  {difference.title}
                  {difference.fields.every((f) => f.ours === undefined) && (
                    <span className="border border-brass px-1 text-xs">{props.isNew ?? "new to us"}</span>
                  )}
                </label>
                <dl className="mt-1 ml-8 grid gap-x-4 text-sm sm:grid-cols-[9rem_minmax(0,1fr)]">
                  {difference.fields.map((field) => (
                    <div key={field.name} className="contents">
                      <dt className="text-quiet">{field.called ?? FIELD_WORD[field.name] ?? field.name}</dt>
                      <dd className="min-w-0 break-words">
                        {field.ours !== undefined && field.ours !== "" && (
                          <del className="mr-2 text-quiet">{field.ours.slice(0, 300)}</del>
                        )}
                        <ins className="no-underline">{field.theirs.slice(0, 300)}</ins>
                      </dd>
                    </div>
                  ))}
                </dl>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </>
  );
}
