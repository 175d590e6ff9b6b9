// "Why?" of a row of the board: a link to the reasons on the radio's page; with scripts they open here, asked for when
// they are wanted. (Sent with every row they were a third of the page.)
import { useEffect, useState } from "react";
import { Reasons, type ShownFact, type WhyAnswer } from "../ui/why.tsx";
import type { ShownRow } from "./shown.server.ts";

const pageOf = (row: ShownRow) => `/units/${encodeURIComponent(row.tag)}`;

export function WhyLink(props: {
  readonly row: ShownRow;
  readonly open: boolean;
  readonly onToggle: () => void;
}) {
  return (
    <a
      href={`${pageOf(props.row)}#needs`}
      className="why"
      aria-expanded={props.open}
      onClick={(event) => {
        // What the browser would open elsewhere it opens.
        if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
        event.preventDefault();
        props.onToggle();
      }}
    >
      Why?
    </a>
  );
}

/** Asks when it is drawn, and again when the row is loaded anew: what a reading changes, it changes here too. */
export function RowReasons({ row }: { readonly row: ShownRow }) {
  const [facts, setFacts] = useState<readonly ShownFact[] | "none" | "unknown">();
  useEffect(() => {
    const leaving = new AbortController();
    const about = new URLSearchParams({ kind: row.kind, component: row.component, due: row.due });
    const ask = async () => {
      const answer = await fetch(`${pageOf(row)}/why?${about}`, { signal: leaving.signal });
      return answer.ok ? (((await answer.json()) as WhyAnswer).why ?? "none") : "unknown";
    };
    // A session that is over answers with the sign-in page, which is no JSON.
    ask()
      .catch(() => "unknown" as const)
      .then((found) => leaving.signal.aborted || setFacts(found));
    return () => leaving.abort();
  }, [row]);
  if (facts !== undefined && typeof facts !== "string") return <Reasons facts={facts} />;
  return (
    <p className="w-full text-sm text-quiet">
      {facts === undefined && "…"}
      {facts === "none" && "This has been seen to since the page was loaded."}
      {facts === "unknown" && (
        <>
          That could not be asked just now;{" "}
          <a className="link" href={`${pageOf(row)}#needs`}>
            its own page
          </a>{" "}
          says it, too.
        </>
      )}
    </p>
  );
}
