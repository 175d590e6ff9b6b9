// A choice among so many that one types to find it. The browser's own list is what the form sends, and all there is without scripts.
import { type ComponentProps, type ComponentType, useEffect, useRef, useState } from "react";
import { type Options, optionParts } from "../baseline.tsx";
import type { TypedChoice } from "./typed-choice.tsx";

/** A list longer than this is typed into. */
export const LONG = 40;

type Props = ComponentProps<"select"> & { readonly options: Options; readonly small: boolean };

/** The choices of the browser's own list. */
export const Choices = ({ options }: { readonly options: Options }) =>
  options.map(optionParts).map(([value, words]) => (
    <option key={value} value={value}>
      {words}
    </option>
  ));

export function LongChoice({ options, small, id, className, onChange, ...rest }: Props) {
  const own = useRef<HTMLSelectElement>(null);
  const [Typed, setTyped] = useState<ComponentType<ComponentProps<typeof TypedChoice>>>();
  useEffect(() => {
    let gone = false;
    // Where its script does not arrive, the browser's own list stays.
    import("./typed-choice.tsx").then(
      (module) => gone || setTyped(() => module.TypedChoice),
      () => {},
    );
    return () => {
      gone = true;
    };
  }, []);
  return (
    // The browser's own list keeps its place, so that nothing moves when the other is there.
    <div className="relative">
      <select
        {...rest}
        ref={own}
        id={Typed ? undefined : id}
        onChange={onChange}
        className={`${className} ${Typed ? "invisible" : ""}`}
      >
        <Choices options={options} />
      </select>
      {Typed && (
        <Typed
          id={id}
          select={own}
          options={options}
          described={rest["aria-describedby"]}
          invalid={rest["aria-invalid"] === true}
          small={small}
        />
      )}
    </div>
  );
}
