// The blocks of the plan in their order: dragged, moved by the keyboard, or pressed up and down; each leads to its members.
import { Link } from "react-router";
import { ActForm } from "../../forms/act-form.tsx";
import { useMay } from "../../ui/club.ts";
import { BlockForm } from "./block-form.tsx";
import type { PlanData } from "./load-plan.server.ts";
import type { PlanAnswer } from "./plan.server.ts";
import { Handle, Sortable, useSorted } from "./sortable.tsx";

export function Blocks({ data, said }: { readonly data: PlanData; readonly said: PlanAnswer | undefined }) {
  const mayPlan = useMay("edit-plan");
  const { blocks, version, chosen } = data;
  const isAsked = said?.ok === false && said.intent === "add-block";
  return (
    <section aria-labelledby="blocks">
      <h2 id="blocks" className="mb-1.5">
        {chosen ? <Link to="/codeplugs/plan">Blocks</Link> : "Blocks"}
      </h2>
      <Sortable
        intent="move-block"
        moved="block"
        fields={{ version }}
        names={blocks.map((block) => block.name)}
      >
        <ol className="flex flex-col gap-1">
          {blocks.map((block, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: their place is what they are known by, another order is another draft
            <Row key={`${block.name} ${i}`} block={block} at={i} data={data} />
          ))}
        </ol>
      </Sortable>
      {mayPlan && (
        <details className="mt-3" open={isAsked || blocks.length === 0}>
          <summary className="btn btn-outline btn-primary btn-sm">Add a block</summary>
          <BlockForm intent="add-block" version={version} said={isAsked ? said : undefined} />
        </details>
      )}
    </section>
  );
}

function Row(props: {
  readonly block: PlanData["blocks"][number];
  readonly at: number;
  readonly data: PlanData;
}) {
  const { block, at, data } = props;
  const mayPlan = useMay("edit-plan");
  const { box, handle } = useSorted(at);
  const isChosen = data.chosen?.index === at;
  return (
    <li
      {...box}
      className={`strip-row flex items-center gap-1 ${isChosen ? "outline-2 outline-primary" : ""}`}
    >
      {mayPlan && <Handle name={block.name} handle={handle} />}
      <Link
        to={`?block=${at}`}
        className="min-w-0 grow px-1 py-1 leading-tight"
        aria-current={isChosen || undefined}
      >
        <span className="flex justify-between gap-2 font-semibold">
          <span className="truncate">{block.name}</span>
          <span className="ver">{block.of}</span>
        </span>
        <span className="block truncate text-xs text-quiet">
          weighs {block.priority}
          {block.at !== undefined && `, from position ${block.at}`}
          {block.rule && `, within ${block.rule.kilometres} km`}
          {block.purpose && `; ${block.purpose}`}
        </span>
      </Link>
      {mayPlan && (
        <span className="flex flex-col">
          {([-1, 1] as const).map((by) => (
            <ActForm key={by} intent="move-block">
              <input type="hidden" name="version" value={data.version} />
              <input type="hidden" name="block" value={at} />
              <input type="hidden" name="to" value={at + by} />
              <button
                type="submit"
                className="min-h-6 min-w-6 text-xs leading-none text-quiet disabled:opacity-30"
                disabled={at + by < 0 || at + by >= data.blocks.length}
                aria-label={`Move ${block.name} ${by < 0 ? "up" : "down"}`}
              >
                {by < 0 ? "▲" : "▼"}
              </button>
            </ActForm>
          ))}
        </span>
      )}
    </li>
  );
}
