// What a model's service menu holds, and the codes that radio and tool agree on.

import type { CodeRow, ItemRow, SettingRow } from "#db/model/index.ts";
import { useMay } from "../../ui/club.ts";
import { Go } from "../../ui/go.tsx";
import { counted } from "../../ui/words/count.ts";
import { saySource } from "../../ui/words/step.ts";

export function ServiceList({
  model,
  count,
  items: shown,
}: {
  readonly model: string;
  readonly count: number;
  /** Only where they were asked for. */
  readonly items: readonly ItemRow[] | undefined;
}) {
  const mayWrite = useMay("write-procedure");
  const items = shown ?? [];
  const settings = items.filter((item) => item.kind === "setting");
  const codes = items.filter((item) => item.kind === "code");
  if (count === 0 && !mayWrite) return null;
  return (
    <section id="service">
      <h2 className="mb-1.5 flex flex-wrap items-baseline gap-3">
        Service menu and codes
        {mayWrite && (
          <>
            <Go to={`/models/${model}/service/new`} className="link font-sans text-sm">
              Add a setting
            </Go>
            <Go to={`/models/${model}/service/new?kind=code`} className="link font-sans text-sm">
              Add a code
            </Go>
          </>
        )}
      </h2>
      {count === 0 && <p className="text-quiet">Nobody has written any of it down.</p>}
      {count > 0 && !shown && (
        <p>
          <Go to={`/models/${model}?guarded=shown#service`} className="link">
            Show {counted(count, "item")}
          </Go>{" "}
          <span className="text-quiet">for bench and keeper; each showing is noted in the log</span>
        </p>
      )}
      {settings.length > 0 && (
        <div className="overflow-x-auto">
          <table className="table table-sm sheet w-full">
            <thead>
              <tr>
                <th>Setting</th>
                <th>What it does</th>
                <th>Usual</th>
                <th>Known from</th>
                <th>
                  <span className="sr-only">Correct</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {settings.map((item) => (
                <Setting key={item.id} model={model} item={item} mayWrite={mayWrite} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      {codes.length > 0 && (
        <ul className="sheet mt-2 divide-y divide-line">
          {codes.map((item) => (
            <Code key={item.id} model={model} item={item} mayWrite={mayWrite} />
          ))}
        </ul>
      )}
    </section>
  );
}

type Of<Row> = { readonly model: string; readonly item: Row; readonly mayWrite: boolean };

function Setting({ model, item, mayWrite }: Of<SettingRow>) {
  const { facts } = item;
  return (
    <tr>
      <th scope="row" className="align-top">
        <span className="ver">{item.name}</span>
        {facts.where && <span className="block text-xs font-normal text-quiet">{facts.where}</span>}
      </th>
      <td>
        {facts.meaning}
        {facts.never && (
          <span className="mt-1 block border-l-4 border-rust px-2 text-rust">
            Never touch it: {facts.never}
          </span>
        )}
      </td>
      <td className="ver align-top">{facts.usual || <span className="text-quiet">nobody knows</span>}</td>
      <td className="align-top text-sm text-quiet">{saySource(item.source)}</td>
      <td className="align-top">
        {mayWrite && (
          <Go
            to={`/models/${model}/service/${item.id}`}
            className="link text-sm"
            aria-label={`Correct ${item.name}`}
          >
            Correct
          </Go>
        )}
      </td>
    </tr>
  );
}

function Code({ model, item, mayWrite }: Of<CodeRow>) {
  const { facts } = item;
  return (
    <li className="px-4 py-2.5">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <strong className="tag">{item.name}</strong>
        <span>{facts.meaning}</span>
        {facts.tool && <span className="text-sm text-quiet">tool: {facts.tool}</span>}
      </p>
      {facts.symptom && (
        <p className="text-sm">
          Set for another: “{facts.symptom}”{facts.cure && `; what helps: ${facts.cure}`}
        </p>
      )}
      <p className="text-sm text-quiet">
        Known from {saySource(item.source)}{" "}
        {mayWrite && (
          <Go
            to={`/models/${model}/service/${item.id}`}
            className="link"
            aria-label={`Correct the code ${item.name}`}
          >
            Correct
          </Go>
        )}
      </p>
    </li>
  );
}
