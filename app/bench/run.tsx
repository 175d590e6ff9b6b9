// One run at the bench: a step at a time, large, with its keys, what should be seen, and the answers.
import { useActionData } from "react-router";
import { runById } from "#db/runs.ts";
import { unitById } from "#db/units.ts";
import { idIn, mustBeAllowed, notFound, readInClub } from "../context.ts";
import { offlineSaid } from "../forms/offline.ts";
import { orSayAway } from "../shared/say-away.server.ts";
import { useMay } from "../ui/club.ts";
import { Said } from "../ui/said.tsx";
import type { Route } from "./+types/run";
import { answerByForm } from "./answer.server.ts";
import { Answers } from "./answers.tsx";
import { Here } from "./here.tsx";
import { shownRun } from "./load-run.server.ts";
import { Over } from "./over.tsx";
import { Ready } from "./ready.tsx";
import { StepList } from "./step-list.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData ? `${loaderData.tag}: ${loaderData.title}` : "Run"} · Mossy Cabinet` },
];

export const handle = { follows: ({ run }: { run: string }) => [`run:${run}`] };

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  return readInClub(context, async (tx, who) => {
    const id = idIn(params.run, "This run");
    const row = id === undefined ? undefined : await runById(tx, id);
    const unit = row && (await unitById(tx, row.unit_id));
    if (!row || !unit) throw notFound("This run");
    return shownRun(tx, row, unit, who.today);
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  const form = await request.formData();
  return orSayAway(form, () =>
    readInClub(context, async (tx, who) => {
      const row = await runById(tx, idIn(params.run, "This run") ?? "");
      if (!row) throw notFound("This run");
      return answerByForm(who, { tx, run: row.id, unit: row.unit_id, tag: row.tag }, form);
    }),
  );
}

export const clientAction = offlineSaid;

export default function Run({ loaderData: run }: Route.ComponentProps) {
  const said = useActionData<typeof action>();
  const mayWork = useMay("work-at-bench");
  const isOver = run.phase === "stopped" || run.phase === "finished";
  return (
    <div className="grid md:min-h-dvh md:grid-cols-[15rem_minmax(0,1fr)]">
      <StepList run={run} />
      <div className="flex min-w-0 flex-col gap-4 px-4 pt-4 pb-6 md:px-6">
        {said && said.says !== "" && <Said answer={said} />}
        {isOver ? <Over run={run} /> : run.phase === "ready" ? <Ready run={run} /> : <Here run={run} />}
        {!mayWork && !isOver && <p className="text-quiet">Who works at the bench answers here.</p>}
        {mayWork && !isOver && <Answers run={run} kept={said?.ok === false ? said.kept : undefined} />}
      </div>
    </div>
  );
}
