// One run at the bench: a step at a time, large, with its keys, what should be seen, and the answers.
import { data, useActionData } from "react-router";
import { runById } from "#db/run/index.ts";
import { unitById } from "#db/unit/index.ts";
import { idIn, mustBeAllowed, notFound, readInClub, signedIn } from "../../context.ts";
import { KEY } from "../../forms/form-key.tsx";
import { isOurs, offlineSaid } from "../../forms/offline.ts";
import { withForm } from "../../forms/with-form.server.ts";
import type { ActAnswer } from "../../shared/act-answer.server.ts";
import { following, useClub, useMay } from "../../ui/club.ts";
import { Said } from "../../ui/said.tsx";
import { counted } from "../../ui/words/count.ts";
import { AirBench } from "../air.tsx";
import { forgetLate, keepLate, useLate, useOthersWait, waitingOf, whoseDevice } from "../late.ts";
import { Ready } from "../ready.tsx";
import { useSendLate } from "../send-late.ts";
import { shownRun } from "../shown.ts";
import type { Route } from "./+types/run";
import { answerByForm, answerPlainly } from "./answer.server.ts";
import { Answers } from "./answers.tsx";
import { CurrentStep } from "./current-step.tsx";
import { EndedRun } from "./ended-run.tsx";
import { happeningsOf } from "./happenings.ts";
import { loadRun } from "./load-run.server.ts";
import { StepList } from "./step-list.tsx";
import { Faults, TakeOver } from "./take-over.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData ? `${loaderData.tag}: ${loaderData.title}` : "Run"} · Mossy Cabinet` },
];

export const handle = { follows: following<typeof loader>(({ id }) => [`run:${id}`]) };

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
    (async () => {
      // Most answers need nothing read before: the act looks at the run itself.
      const plain = happeningsOf(String(form.get("intent") ?? ""), form);
      if (plain.length > 0)
        return answerPlainly(signedIn(context), idIn(params.run, "This run") ?? "0", form, plain);
      return readInClub(context, async (tx, who) => {
        const row = await runById(tx, idIn(params.run, "This run") ?? "");
        if (!row) throw notFound("This run");
        return answerByForm(who, { tx, run: row.id, unit: row.unit_id, tag: row.tag }, form);
      });
    })(),
  );
}

/** What cannot be sent is kept on the device; with something kept, everything goes the same way, so that its order stays. */
export async function clientAction(sending: Route.ClientActionArgs) {
  const form = await sending.request.clone().formData();
  const intent = String(form.get("intent") ?? "");
  const { run } = sending.params;
  const whose = whoseDevice();
  const whats = happeningsOf(intent, form);
  const keep = () =>
    whats.length > 0 && keepLate({ run, whose }, String(form.get(KEY)), Number(form.get("number")), whats);
  const kept = (): ActAnswer => ({ ok: true, intent, says: "" });
  // With this status nothing else of the page is asked for: there is nobody to answer.
  if (intent !== "late" && waitingOf({ run, whose }).length > 0 && keep())
    return data(kept(), { status: 503 });
  const answer = await offlineSaid(sending);
  const body = answer.data;
  if (intent === "late" && !isOurs(body)) forgetLate({ run, whose });
  return isOurs(body) && intent !== "late" && keep() ? data(kept(), { status: 503 }) : answer;
}

export default function Run({ loaderData }: Route.ComponentProps) {
  const said = useActionData<ActAnswer>();
  const { person } = useClub();
  const late = useLate(loaderData.id, person);
  const others = useOthersWait(loaderData.id, person);
  const lateSaid = useSendLate(loaderData.id, late);
  const run = shownRun(loaderData, late);
  const mayWork = useMay("work-at-bench");
  // One that was lined up is begun by whoever has the time.
  const isHere = mayWork && (run.byId === person || run.phase === "ready");
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
        {others && (
          <p role="status" className="doubt px-3 py-2">
            Answers that somebody else gave on this device wait to be sent. They go when that person is signed
            in here.
          </p>
        )}
        {lateSaid && !lateSaid.ok && run.waiting === 0 && <Said answer={lateSaid} />}
        {said && said.says !== "" && <Said answer={said} />}
        {isOver ? (
          <EndedRun run={run} />
        ) : run.phase === "ready" ? (
          <Ready run={run} />
        ) : (
          <CurrentStep run={run} />
        )}
        {!mayWork && !isOver && <p className="text-quiet">Who works at the bench answers here.</p>}
        {isHere && !isOver && <Answers run={run} kept={said?.ok === false ? said.kept : undefined} />}
        {mayWork && !isHere && !isOver && <TakeOver run={run} />}
        {isHere && run.air && run.phase === "going" && <AirBench kind={run.air} />}
        {isHere && run.radio && run.phase === "going" && <Faults run={run} />}
      </div>
    </div>
  );
}
