// Which units a change would touch, shown before anybody makes it.
import type { SomeTags } from "#db/model/index.ts";
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
      {parts.every(([, { count }]) => count === 0) && <p>No radio: nothing would change for any of them.</p>}
      <ul className="flex flex-col gap-3">
        {parts
          .filter(([, { count }]) => count > 0)
          .map(([words, some]) => (
            <li key={words}>
              <strong>
                {some.count} {words}
              </strong>
              <p className="tag">
                <Tags some={some} />
              </p>
            </li>
          ))}
      </ul>
    </section>
  );
}

export const Tags = ({ some: { count, tags } }: { readonly some: SomeTags }) => (
  <>
    {tags.join(" ")}
    {count > tags.length && ` and ${count - tags.length} more`}
  </>
);
