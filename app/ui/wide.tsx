// What may be wider than the screen, a table mostly: it is moved sideways within its own edges, with the keys too.
import type { ReactNode } from "react";

/** `label`: what it is, for those who come upon it by ear. */
export const Wide = (props: {
  readonly label: string;
  readonly className?: string;
  readonly children: ReactNode;
}) => (
  // biome-ignore lint/a11y/noNoninteractiveTabindex: keys can move only what they can reach
  <section aria-label={props.label} tabIndex={0} className={`overflow-x-auto ${props.className ?? "sheet"}`}>
    {props.children}
  </section>
);
