// What the finder finds, as a list that arrows and Enter go through.
import { Combobox, ComboboxItem, ComboboxList, ComboboxProvider } from "@ariakit/react";
import { useLayoutEffect, useRef } from "react";
import { useFetcher, useNavigate } from "react-router";
import type { Found } from "./find.tsx";
import { FINDER_FIELD } from "./finder-field.ts";

export default function FinderList(props: { readonly early: string; readonly onClose: () => void }) {
  const fetcher = useFetcher<{ found: Found[] }>();
  const navigate = useNavigate();
  const field = useRef<HTMLInputElement>(null);
  const found = fetcher.data?.found ?? [];
  const find = (typed: string) => fetcher.load(`/find?q=${encodeURIComponent(typed)}`);
  // Once, before the next key: it goes on behind what was typed already.
  const begin = useRef(() => {
    field.current?.focus();
    field.current?.setSelectionRange(props.early.length, props.early.length);
    if (props.early !== "") find(props.early);
  });
  useLayoutEffect(() => begin.current(), []);
  const go = (to: string) => {
    props.onClose();
    navigate(to);
  };
  return (
    <>
      <ComboboxProvider open resetValueOnHide={false} defaultValue={props.early} setValue={find}>
        <Combobox {...FINDER_FIELD} ref={field} autoSelect="always" />
        <ComboboxList alwaysVisible aria-label="Found" className="mt-2 flex flex-col">
          {found.map((item) => (
            <ComboboxItem
              key={item.to}
              value={item.to}
              setValueOnClick={false}
              hideOnClick={false}
              focusOnHover
              className="flex cursor-pointer gap-3 px-2 py-1.5 text-left data-[active-item]:bg-primary data-[active-item]:text-primary-content"
              onClick={() => go(item.to)}
            >
              <span className="tag shrink-0">{item.name}</span>
              <span className="truncate">{item.what}</span>
            </ComboboxItem>
          ))}
        </ComboboxList>
      </ComboboxProvider>
      {fetcher.data && found.length === 0 && fetcher.state === "idle" && (
        <p className="mt-3 text-quiet">Nothing goes by that. Try a tag, a model or the name of a page.</p>
      )}
    </>
  );
}
