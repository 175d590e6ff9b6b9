// One run at the bench: a step at a time, large, with its keys, what should be seen, and the answers.
import { data, useActionData } from "react-router";
import { runById } from "#db/runs.ts";
import { unitById } from "#db/units.ts";
import { idIn, mustBeAllowed, notFound, readInClub, signedIn } from "../context.ts";
import { KEY } from "../forms/form-key.tsx";
import { isOurs, offlineSaid } from "../forms/offline.ts";
import { withForm } from "../forms/with-form.server.ts";
import { type ActAnswer, orSayAway } from "../shared/say-away.server.ts";
import { useMay } from "../ui/club.ts";
import { Said } from "../ui/said.tsx";
import { counted } from "../ui/words/count.ts";
import type { Route } from "./+types/run";
import { AirBench } from "./air.tsx";
import { answerByForm, answerPlainly } from "./answer.server.ts";
import { Answers, Faults } from "./answers.tsx";
import { happeningsOf } from "./happenings.ts";
import { Here } from "./here.tsx";
import { forgetLate, keepLate, useLate, waitingOf } from "./late.ts";
import { loadRun } from "./load-run.server.ts";
import { Over } from "./over.tsx";
import { Ready } from "./ready.tsx";
import { useSendLate } from "./send-late.ts";
import { shownRun } from "./shown.ts";
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
    return loadRun(tx, row, unit, who);
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  return withForm(request, (form) =>
    orSayAway(form, async () => {
      // Most answers need nothing read before: the act looks at the run itself.
      const plain = happeningsOf(String(form.get("intent") ?? ""), form);
      if (plain.length > 0)
        return answerPlainly(signedIn(context), idIn(params.run, "This run") ?? "0", form, plain);
      return readInClub(context, async (tx, who) => {
        const row = await runById(tx, idIn(params.run, "This run") ?? "");
        if (!row) throw notFound("This run");
        return answerByForm(who, { tx, run: row.id, unit: row.unit_id, tag: row.tag }, form);
      });
    }),
  );
}

/** What cannot be sent is kept on the device; with something kept, everything goes the same way, so that its order stays. */
export async function clientAction(sending: Route.ClientActionArgs) {
  const form = await sending.request.clone().formData();
  const intent = String(form.get("intent") ?? "");
  const { run } = sending.params;
  const whats = happeningsOf(intent, form);
  const keep = () =>
    whats.length > 0 && keepLate(run, String(form.get(KEY)), Number(form.get("number")), whats);
  const kept = (): ActAnswer => ({ ok: true, intent, says: "" });
  // With this status nothing else of the page is asked for: there is nobody to answer.
  if (intent !== "late" && waitingOf(run).length > 0 && keep()) return data(kept(), { status: 503 });
  const answer = await offlineSaid(sending);
  const body = answer.data;
  if (intent === "late" && !isOurs(body)) forgetLate(run);
  return isOurs(body) && intent !== "late" && keep() ? data(kept(), { status: 503 }) : answer;
}

export default function Run({ loaderData }: Route.ComponentProps) {
  const said = useActionData<ActAnswer>();
  const late = useLate(loaderData.id);
  const lateSaid = useSendLate(loaderData.id, late);
  const run = shownRun(loaderData, late);
  const mayWork = useMay("work-at-bench");
  const isOver = run.phase === "stopped" || run.phase === "finished";
  return (
    <div className="grid md:min-h-dvh md:grid-cols-[15rem_minmax(0,1fr)] print:block">
      <StepList run={run} />
      <div className="flex min-w-0 flex-col gap-4 px-4 pt-4 pb-6 md:px-6">
        {run.waiting > 0 && (
          <p role="status" className="doubt sticky top-0 z-20 px-3 py-2 font-semibold">
            Nothing answers just now. {counted(run.waiting, "answer")} kept on this device; sent as soon as it
            can be.
          </p>
        )}
        {lateSaid && !lateSaid.ok && run.waiting === 0 && <Said answer={lateSaid} />}
        {said && said.says !== "" && <Said answer={said} />}
        {isOver ? <Over run={run} /> : run.phase === "ready" ? <Ready run={run} /> : <Here run={run} />}
        {!mayWork && !isOver && <p className="text-quiet">Who works at the bench answers here.</p>}
        {mayWork && !isOver && <Answers run={run} kept={said?.ok === false ? said.kept : undefined} />}
        {mayWork && run.air && run.phase === "going" && <AirBench kind={run.air} />}
        {mayWork && run.radio && run.phase === "going" && <Faults run={run} />}
      </div>
    </div>
  );
}
