// The ways in which a table of channels is taken out: in our own columns, as our own document, in a dialect that was kept, as a card.
import { Link } from "react-router";

/** `of`: a revision of a radio, or the plan's table of a model. */
export function TakeTable(props: {
  readonly kind: "codeplug" | "table";
  readonly of: string | undefined;
  readonly dialects: readonly { readonly id: string; readonly name: string }[];
}) {
  const { kind, of, dialects } = props;
  const out = (file: string) => `/codeplugs/out/${kind}/${of}/${file}`;
  return (
    <p className="my-2 flex flex-wrap gap-x-4 gap-y-1 text-sm">
      Take the table:
      <a href={out("channels.csv")} download className="link">
        CSV
      </a>
      <a href={out("channels.json")} download className="link">
        JSON
      </a>
      {dialects.map(({ id, name }) => (
        <a key={id} href={out(`as-${id}.csv`)} download className="link">
          as {name}
        </a>
      ))}
      <Link to={`/codeplugs/card/${kind}/${of}`} className="link">
        a card for the pocket
      </Link>
    </p>
  );
}
