// A labelled field of a plain form, with its trouble beside it: for forms that show values and errors by name.
import { useEffect, useRef } from "react";
import { inWords } from "./baseline.tsx";

export function Input(props: {
  readonly name: string;
  readonly label: string;
  readonly value: string | undefined;
  readonly error: string | undefined;
  readonly type?: string;
  readonly mono?: boolean;
  readonly rows?: number;
  readonly options?: readonly (readonly [string, string])[];
}) {
  const shared = {
    id: props.name,
    name: props.name,
    defaultValue: props.value,
    "aria-invalid": props.error ? true : undefined,
    "aria-describedby": props.error ? `${props.name}-trouble` : undefined,
  };
  const trouble = useRef<HTMLParagraphElement>(null);
  // The form may be longer than the screen, and its button at the foot: the first field in trouble comes into view.
  useEffect(() => {
    if (props.error && document.querySelector("form [role=alert]") === trouble.current)
      trouble.current?.parentElement?.scrollIntoView({ block: "center" });
  }, [props.error]);
  const look = `w-full ${props.mono ? "ver" : ""}`;
  return (
    <div>
      <label htmlFor={props.name} className="mb-1 block text-sm font-semibold">
        {props.label}
      </label>
      {props.options ? (
        <select {...shared} className={`select ${look}`}>
          {props.options.map(([value, text]) => (
            <option key={value} value={value}>
              {text}
            </option>
          ))}
        </select>
      ) : props.rows ? (
        <textarea {...shared} rows={props.rows} className={`textarea ${look}`} />
      ) : (
        <input {...shared} type={props.type ?? "text"} className={`input ${look}`} />
      )}
      {props.error && (
        <p
          ref={trouble}
          id={`${props.name}-trouble`}
          role="alert"
          className="mt-1 text-sm font-semibold text-rust"
        >
          {inWords(props.error, props.options)}
        </p>
      )}
    </div>
  );
}
