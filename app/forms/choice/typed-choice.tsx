// The list that is typed into, over the browser's own one, which it sets. Of thousands only those in sight are drawn.
import {
  Combobox,
  ComboboxItem,
  ComboboxPopover,
  ComboboxProvider,
  useComboboxStore,
  useStoreState,
} from "@ariakit/react";
import { useVirtualizer } from "@tanstack/react-virtual";
import { type RefObject, useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { type Options, optionParts } from "../baseline.tsx";

const folded = (text: string) => text.toLowerCase().replaceAll("_", " ");
const HEIGHT = 32;

/** What begins so comes before what has it somewhere. */
function matching(all: Choices, words: string): Choices {
  const found = all.filter(([, text]) => folded(text).includes(words));
  const begins = ([, text]: Choices[number]) => folded(text).startsWith(words);
  return [...found.filter(begins), ...found.filter((one) => !begins(one))];
}
type Choices = readonly (readonly [value: string, words: string])[];

export function TypedChoice(props: {
  readonly id: string | undefined;
  readonly select: RefObject<HTMLSelectElement | null>;
  readonly options: Options;
  readonly described: string | undefined;
  readonly invalid: boolean;
  readonly small: boolean;
}) {
  const { select, options } = props;
  const all = useMemo(() => options.map(optionParts), [options]);
  const chosen = () => select.current?.selectedOptions[0]?.text ?? "";
  const store = useComboboxStore({ defaultValue: chosen(), resetValueOnHide: false });
  const typed = useDeferredValue(useStoreState(store, "value"));
  const isOpen = useStoreState(store, "open");
  const [isTyped, setIsTyped] = useState(false);
  // What a kept form puts back is put into the browser's own list.
  useEffect(() => {
    const list = select.current;
    const follow = () => store.setValue(list?.selectedOptions[0]?.text ?? "");
    list?.addEventListener("input", follow);
    return () => list?.removeEventListener("input", follow);
  }, [select, store]);
  const words = folded(typed).trim();
  const found = isTyped && words !== "" ? matching(all, words) : all;
  const choose = (value: string) => {
    if (!select.current) return;
    select.current.value = value;
    setIsTyped(false);
    select.current.dispatchEvent(new Event("input", { bubbles: true }));
    select.current.dispatchEvent(new Event("change", { bubbles: true }));
  };
  return (
    <ComboboxProvider store={store}>
      <Combobox
        id={props.id}
        aria-describedby={props.described}
        aria-invalid={props.invalid || undefined}
        autoSelect={isTyped}
        className={`input absolute inset-0 h-full w-full ${props.small ? "input-sm" : ""}`}
        onChange={() => setIsTyped(true)}
        onFocus={(event) => event.target.select()}
        onBlur={() => {
          setIsTyped(false);
          store.setValue(chosen());
        }}
        autoComplete="off"
      />
      <ComboboxPopover gutter={2} sameWidth aria-label="Choices" className="sheet z-40 bg-base-100 shadow">
        {isOpen && <Found found={found} onChoose={choose} />}
      </ComboboxPopover>
    </ComboboxProvider>
  );
}

function Found(props: { readonly found: Choices; readonly onChoose: (value: string) => void }) {
  const { found } = props;
  const box = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: found.length,
    getScrollElement: () => box.current,
    estimateSize: () => HEIGHT,
    overscan: 12,
  });
  if (found.length === 0) return <p className="p-2 text-quiet">Nothing goes by that.</p>;
  return (
    <div ref={box} className="max-h-64 overflow-y-auto">
      <div className="relative w-full" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map(({ index, start }) => {
          const [value, words] = found[index] ?? ["", ""];
          return (
            <ComboboxItem
              key={value}
              value={words}
              aria-setsize={found.length}
              aria-posinset={index + 1}
              onClick={() => props.onChoose(value)}
              className="absolute left-0 flex w-full cursor-pointer items-center truncate px-2 data-[active-item]:bg-primary data-[active-item]:text-primary-content"
              style={{ height: HEIGHT, transform: `translateY(${start}px)` }}
            >
              {words || "none"}
            </ComboboxItem>
          );
        })}
      </div>
    </div>
  );
}
