// "Is this the right file?": a file dropped anywhere on any page, or chosen from the rail, is checked in a worker. Nothing
// of it is sent anywhere; only the list of known hashes comes from the server.
import { useCallback, useEffect, useState } from "react";
import { useMatches } from "react-router";
import type { CheckedFile, CheckProblem, KnownFiles } from "#core/bench/index.ts";
import type { Result } from "#core/quantities/index.ts";
import { Dialogue } from "../ui/dialogue.tsx";
import { sayChecked, sayCheckProblem } from "../ui/words/check.ts";
import type { CheckOrder } from "./file-checker.worker.ts";

type Answer = Result<CheckedFile, CheckProblem>;
type State =
  | { readonly kind: "working"; readonly name: string }
  /** `wanted`: it was held against the releases of a route, not against all. */
  | { readonly kind: "done"; readonly name: string; readonly answer: Answer; readonly wanted: boolean }
  | { readonly kind: "away"; readonly name: string };

/** On a radio's page the file should be one of its route's releases. */
function useWanted(): readonly string[] {
  const matches = useMatches();
  for (const match of matches) {
    const data = match.loaderData as
      | { ways?: { way?: { result: { value?: { steps: { release: string }[] } } } } }
      | undefined;
    const steps = data?.ways?.way?.result.value?.steps;
    if (steps) return steps.map((step) => step.release);
  }
  return [];
}

async function check(file: File, wanted: readonly string[]): Promise<Answer> {
  const response = await fetch("/known-files");
  if (!response.ok) throw new Error("away");
  const known = (await response.json()) as KnownFiles;
  const bytes = await file.arrayBuffer();
  const worker = new Worker(new URL("./file-checker.worker.ts", import.meta.url), { type: "module" });
  try {
    return await new Promise<Answer>((resolve, reject) => {
      worker.onmessage = ({ data }: MessageEvent<Answer>) => resolve(data);
      worker.onerror = () => reject(new Error("the check itself failed"));
      const order: CheckOrder = { name: file.name, bytes, known: known.files, wanted, models: known.models };
      worker.postMessage(order, [bytes]);
    });
  } finally {
    worker.terminate();
  }
}

/** The input's id: the rail has a label for it. */
export const CHECK_FILE = "check-file";

export function CheckFile() {
  const [state, setState] = useState<State>();
  const [over, setOver] = useState(false);
  const wanted = useWanted().join(" ");
  const take = useCallback(
    async (file: File) => {
      setState({ kind: "working", name: file.name });
      try {
        const answer = await check(file, wanted === "" ? [] : wanted.split(" "));
        setState({ kind: "done", name: file.name, answer, wanted: wanted !== "" });
      } catch {
        setState({ kind: "away", name: file.name });
      }
    },
    [wanted],
  );
  useEffect(() => {
    const carries = (event: DragEvent) => event.dataTransfer?.types.includes("Files") === true;
    const onOver = (event: DragEvent) => {
      if (!carries(event)) return;
      event.preventDefault();
      setOver(true);
    };
    const onLeave = (event: DragEvent) => event.relatedTarget === null && setOver(false);
    const onDrop = (event: DragEvent) => {
      const file = event.dataTransfer?.files[0];
      setOver(false);
      // A field that takes files itself keeps them.
      if (!file || (event.target instanceof HTMLInputElement && event.target.type === "file")) return;
      event.preventDefault();
      void take(file);
    };
    window.addEventListener("dragover", onOver);
    window.addEventListener("dragleave", onLeave);
    window.addEventListener("drop", onDrop);
    return () => {
      window.removeEventListener("dragover", onOver);
      window.removeEventListener("dragleave", onLeave);
      window.removeEventListener("drop", onDrop);
    };
  }, [take]);
  return (
    <section aria-label="File check" className="no-print">
      <input
        id={CHECK_FILE}
        type="file"
        aria-label="Check a file"
        className="sr-only focus:not-sr-only focus:fixed focus:bottom-4 focus:left-28 focus:z-40 focus:bg-base-100 focus:p-2"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) void take(file);
        }}
      />
      {over && (
        <div className="pointer-events-none fixed inset-3 z-50 grid place-items-center border-4 border-dashed border-primary bg-base-200/80 text-xl font-bold text-base-content">
          Let go: the file is looked at here, and sent nowhere.
        </div>
      )}
      {state && (
        <Dialogue title={`Is this the right file? ${state.name}`} onClose={() => setState(undefined)}>
          <Told state={state} />
        </Dialogue>
      )}
    </section>
  );
}

function Told({ state }: { readonly state: State }) {
  if (state.kind === "working") return <p role="status">Looking at it…</p>;
  if (state.kind === "away") {
    return <p role="alert">The list of known files cannot be fetched just now. Try again in a moment.</p>;
  }
  if (!state.answer.ok) return <p role="alert">{sayCheckProblem(state.answer.problem)}</p>;
  const { file, entries } = state.answer.value;
  const said = sayChecked(state.answer.value, state.wanted);
  return (
    <div role="status" className="flex flex-col gap-3 text-base-content">
      <p
        className={`text-lg font-bold ${said.sound ? "text-primary" : "hatch border-l-4 border-rust p-2 text-rust"}`}
      >
        {said.head}
      </p>
      <p>{said.text}</p>
      <table className="table table-sm">
        <tbody>
          {[file, ...entries].slice(0, 40).map((part) => (
            <tr key={part.name + part.sha256}>
              <th scope="row" className="ver font-normal">
                {part.name}
              </th>
              <td className="whitespace-nowrap">{part.bytes.toLocaleString("en-GB")} bytes</td>
              <td className="ver text-xs">{part.sha256.slice(0, 16)}…</td>
              <td>{part.releases.map((r) => r.title).join(", ") || part.mentions.slice(0, 5).join(", ")}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
