// The service settings of one radio: each with its value, who found or changed it, and how that stands to what is usual; and its code.
import { Link } from "react-router";
import { noteSetting } from "#acts/model/note-setting.ts";
import { codeOf, STANDING_ORDER, settingStanding } from "#core/dossier/index.ts";
import { groupBy } from "#core/quantities/index.ts";
import { codesIn, serviceItems, settingsIn, unitSettings } from "#db/model/index.ts";
import { mustBeAllowed, notAllowed, readInClub } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { orOffline } from "../forms/offline.ts";
import { performForm } from "../forms/perform.server.ts";
import { type ActAnswer, answer } from "../shared/act-answer.server.ts";
import { isHandedOut } from "../shared/guarded.server.ts";
import { leadToTag, loadUnit } from "../shared/load-unit.server.ts";
import { answerProblem, typedWrongly } from "../shared/refusals.server.ts";
import { Caution } from "../ui/caution.tsx";
import { useClub } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { sayInstant } from "../ui/words/time.ts";
import type { Route } from "./+types/service";

export const meta: Route.MetaFunction = ({ params }) => [
  { title: `Service settings of ${params.tag} · Mossy Cabinet` },
];

/** So many values of each setting are told of. */
const MOST = 6;

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "see-unlocking");
  return readInClub(context, async (tx, who) => {
    const { row } = await loadUnit(tx, params.tag, who.today);
    leadToTag(row, params.tag, "/service");
    if (!(await isHandedOut(who, { unit: row.id, service: "values" }))) throw notAllowed("see-unlocking");
    const items = await serviceItems(tx, row.model_id);
    const noted = groupBy(await unitSettings(tx, row.id, MOST), (one) => one.item_id);
    const settings = settingsIn(items).map(({ id, name, facts }) => {
      const had = (noted.get(id) ?? []).map((one) => ({ ...one, at: one.at.toISOString() }));
      return { id, name, ...facts, had, standing: settingStanding(facts, had[0]?.value) };
    });
    return {
      unit: { tag: row.tag, model: row.model, model_id: row.model_id, gone: row.shelved_at !== null },
      code: codeOf(codesIn(items), row.region ?? undefined),
      settings: settings.sort(
        (a, b) => STANDING_ORDER.indexOf(a.standing) - STANDING_ORDER.indexOf(b.standing),
      ),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const { row } = await loadUnit(tx, params.tag, who.today);
    const done = await performForm(noteSetting, who, form, {
      unit: row.id,
      changed: form.get("changed") === "yes",
    });
    if (done.ok) return answer(200, { ok: true, intent: "setting", says: "Noted." });
    const own = {
      "no-reason": typedWrongly("That one is never to be touched. If it was changed all the same, say why."),
      "no-setting": "That setting is not in its dossier any more.",
    };
    return answerProblem("setting", form, done.problem, own, { tag: row.tag });
  });
}

export const clientAction = (sending: Route.ClientActionArgs) =>
  orOffline(sending, (form, says): ActAnswer => {
    const kept = Object.fromEntries([...form].map(([name, value]) => [name, String(value)]));
    return { ok: false, intent: "setting", says, kept };
  });

type Data = Route.ComponentProps["loaderData"];
type Shown = Data["settings"][number];

const STANDING_WORD: Record<Shown["standing"], string> = {
  unknown: "nobody has noted it",
  "nothing to compare": "nobody knows what is usual",
  usual: "as usual",
  differs: "differs from the usual",
  touched: "differs, and is never to be touched",
};

export default function Service({ loaderData, actionData }: Route.ComponentProps) {
  const { unit, settings, code } = loaderData;
  const { locale, timeZone } = useClub();
  return (
    <Page title={`Service settings of ${unit.tag}`} says={`${unit.model}; shown to bench and keeper`}>
      <p className="mb-3 flex flex-wrap gap-4">
        <Link className="link" to={`/units/${encodeURIComponent(unit.tag)}`}>
          Back to {unit.tag}
        </Link>
        <Go className="link" to={`/models/${unit.model_id}#service`}>
          What the dossier says
        </Go>
      </p>
      {actionData && <Said answer={actionData} />}
      <p className="mb-3 max-w-3xl">{sayCode(code)}</p>
      {settings.length === 0 && (
        <p className="doubt w-fit p-4">Nobody has written down what its service menu holds.</p>
      )}
      <div className="flex flex-col gap-5">
        <ul className="sheet divide-y divide-line empty:hidden">
          {settings.map((one) => (
            <li
              key={one.id}
              className="grid gap-x-6 gap-y-1 px-4 py-3 md:grid-cols-[12rem_8rem_minmax(0,1fr)]"
            >
              <p>
                <strong className="ver">{one.name}</strong>
                {one.where && <span className="block text-xs text-quiet">{one.where}</span>}
              </p>
              <p>
                <span className="ver text-lg">{one.had[0]?.value ?? "?"}</span>
                {one.usual && <span className="block text-xs text-quiet">usual: {one.usual}</span>}
              </p>
              <div className="min-w-0 text-sm">
                <p
                  className={
                    one.standing === "touched"
                      ? "font-semibold text-rust"
                      : one.standing === "usual"
                        ? "text-quiet"
                        : "font-semibold"
                  }
                >
                  {STANDING_WORD[one.standing]}
                </p>
                <p>{one.meaning}</p>
                {one.never && (
                  <p className="mt-1 w-fit border-l-4 border-rust px-2 text-rust">
                    Never touch it: {one.never}
                  </p>
                )}
                {one.had.map((had) => (
                  <p key={`${had.at} ${had.value}`} className="text-quiet">
                    {had.changed ? "set to" : "found at"} <span className="ver">{had.value}</span> by {had.by}
                    , {sayInstant(had.at, locale, timeZone)}
                    {had.why && `: ${had.why}`}
                  </p>
                ))}
              </div>
            </li>
          ))}
        </ul>
        {settings.length > 0 && !unit.gone && <Note settings={settings} kept={actionData} />}
        <Caution of="unlocking" />
      </div>
    </Page>
  );
}

function Note({
  settings,
  kept,
}: {
  readonly settings: readonly Shown[];
  readonly kept: ActAnswer | undefined;
}) {
  const again = kept && !kept.ok ? kept.kept : undefined;
  const sorted = [...settings].sort((a, b) => a.name.localeCompare(b.name));
  return (
    <section>
      <h2 className="mb-1.5">Note a value</h2>
      <ActForm intent="setting" className="sheet flex flex-wrap items-end gap-3 p-3">
        <Labelled
          name="item"
          label="Setting"
          small
          value={again?.item ?? sorted[0]?.id}
          options={sorted.map(({ id, name }) => [id, name] as const)}
          box="w-56"
        />
        <Labelled name="value" label="Value" small mono most={60} value={again?.value} box="w-28" />
        <Labelled
          name="changed"
          label="How"
          small
          value={again?.changed ?? "no"}
          options={[
            ["no", "somebody looked"],
            ["yes", "it was set to this"],
          ]}
          box="w-48"
        />
        <Labelled name="why" label="Reason, if there is one" small most={300} value={again?.why} box="w-72" />
        <button type="submit" className="btn btn-primary btn-sm">
          Note it
        </button>
      </ActForm>
    </section>
  );
}

/** What is known of its code, in a sentence. */
function sayCode(code: Data["code"]): string {
  switch (code.kind) {
    case "no-codes":
      return "Its dossier knows no region or type codes.";
    case "unknown":
      return "Nobody has noted its region: which code its tool must be set for is not known.";
    case "stranger":
      return `Its region is noted as ${code.code}; its dossier knows no such code.`;
    case "known": {
      const { name, meaning, tool } = code.code;
      return `Its code is ${name}${meaning ? `, ${meaning}` : ""}${tool ? `: set the tool to ${tool}` : ""}.`;
    }
  }
}
