// The finder: a few letters reach every radio, model, person and page. Arrows move, Enter goes. Its list is fetched when it is first wanted.
import { lazy, Suspense, useState } from "react";
import { Dialogue } from "../ui/dialogue.tsx";
import { FINDER_FIELD } from "./finder-field.ts";

const FinderList = lazy(() => import("./finder-list.tsx"));

export function Finder({ onClose }: { readonly onClose: () => void }) {
  // What is typed until the list is there goes on in it.
  const [early, setEarly] = useState("");
  return (
    <Dialogue title="Find" onClose={onClose}>
      <Suspense
        fallback={<input {...FINDER_FIELD} value={early} onChange={({ target }) => setEarly(target.value)} />}
      >
        <FinderList early={early} onClose={onClose} />
      </Suspense>
    </Dialogue>
  );
}
