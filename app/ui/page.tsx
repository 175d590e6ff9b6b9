// The head of a page: its name, what it says in a sentence, and the acts that belong to it.
import type { ReactNode } from "react";

export function Page(props: {
  readonly title: ReactNode;
  readonly says?: ReactNode;
  readonly acts?: ReactNode;
  readonly children: ReactNode;
  /** It is printed as a list. */
  readonly list?: boolean;
}) {
  return (
    <div className={`px-4 pt-4 pb-8 md:px-6 ${props.list ? "list-page" : ""}`}>
      <header className="mb-4 flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <h1>{props.title}</h1>
        {props.says && <p className="text-quiet">{props.says}</p>}
        {props.acts && <div className="ml-auto flex flex-wrap gap-2">{props.acts}</div>}
      </header>
      {props.children}
    </div>
  );
}
