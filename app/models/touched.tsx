// Which units a change would touch, shown before anybody makes it.
import type { Touched } from "./load-touched.server.ts";

/** The answer stands below a form that fills the screen. */
const intoView = (answer: HTMLElement | null) => {
  answer?.scrollIntoView({ block: "nearest" });
};

export function TouchedUnits({ touched }: { readonly touched: Touched }) {
  const parts = [
    ["would need something", touched.newlyDue],
    ["would need something else than now", touched.changed],
    ["would be due later, on another day or for another reason", touched.later],
    ["would need nothing more", touched.freed],
  ] as const;
  return (
    <section role="status" ref={intoView} className="scroll-mb-20">
      <h2 className="mb-2">What it would touch</h2>
      {parts.every(([, tags]) => tags.length === 0) && <p>No radio: nothing would change for any of them.</p>}
      <ul className="flex flex-col gap-3">
        {parts
          .filter(([, tags]) => tags.length > 0)
          .map(([words, tags]) => (
            <li key={words}>
              <strong>
                {tags.length} {words}
              </strong>
              <p className="tag">{tags.join(" ")}</p>
            </li>
          ))}
      </ul>
    </section>
  );
}
