// The frame of every page of what is noted over time: what was answered, what there is so far, and beside it the one form that adds to it.
import type { ComponentProps, ReactNode } from "react";
import { Go } from "./go.tsx";
import { Page } from "./page.tsx";
import { Said } from "./said.tsx";

export function Noted(props: {
  readonly title: string;
  readonly says?: string;
  readonly acts?: ReactNode;
  readonly links?: readonly { readonly to: string; readonly says: string }[];
  readonly said: (ComponentProps<typeof Said>["answer"] & { readonly says: string }) | undefined;
  /** Said where there is nothing yet; undefined: there is something. */
  readonly empty: ReactNode | undefined;
  /** The form that adds to it; absent for who may not. */
  readonly form: ReactNode;
  readonly children: ReactNode;
}) {
  const { links = [], said } = props;
  return (
    <Page title={props.title} says={props.says} acts={props.acts}>
      {links.length > 0 && (
        <p className="mb-3 flex flex-wrap gap-4">
          {links.map(({ to, says }) => (
            <Go key={to} to={to} className="link">
              {says}
            </Go>
          ))}
        </p>
      )}
      {said?.says && <Said answer={said} />}
      <div className="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <div className="flex min-w-0 flex-col gap-5">
          {props.empty !== undefined && <p className="doubt w-fit p-5 text-lg">{props.empty}</p>}
          {props.children}
        </div>
        {props.form}
      </div>
    </Page>
  );
}
