// What works with what: the board of all models and computers; choose a model or a radio and see its chains, and note how a
// try with one of them went.

import { data, Form, Link } from "react-router";
import { may } from "#core/club/index.ts";
import {
  type Chain,
  type Chains,
  chainsOfModel,
  OPERATIONS,
  type Operation,
  withOnly,
} from "#core/kit/index.ts";
import { listed } from "#core/quantities/index.ts";
import { loadKit, plugsOf } from "#db/kit/index.ts";
import { modelsToPick } from "#db/model/index.ts";
import { unitByTag } from "#db/unit/index.ts";
import { notAllowed, readInClub } from "../context.ts";
import { Labelled } from "../forms/field.tsx";
import { offlineSaid } from "../forms/offline.ts";
import { noteTry } from "../shared/tools/note-try.server.ts";
import { kitNames, shownChains } from "../shared/tools/shown-chains.ts";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { counted } from "../ui/words/count.ts";
import type { Route } from "./+types/kit";
import { Board, type Cell } from "./board.tsx";
import { Chosen } from "./chosen.tsx";
import { chosenModel, chosenUnit } from "./load-chosen.server.ts";
import { KitTabs } from "./tabs.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Kit · Mossy Cabinet" }];

export const handle = { follows: ["club", "model"] };

export async function loader({ context, request }: Route.LoaderArgs) {
  const search = new URL(request.url).searchParams;
  const operation: Operation = OPERATIONS.find((o) => o === search.get("for")) ?? "flash";
  const typed = (search.get("unit") ?? "").trim();
  return readInClub(context, async (tx, who) => {
    const kit = await loadKit(tx);
    const models = await modelsToPick(tx);
    const plugs = await plugsOf(
      tx,
      models.map((m) => m.id),
      kit,
    );
    const unit = typed === "" ? undefined : await unitByTag(tx, typed);
    const { computers } = kit.prepared.kit;
    const chainsOf = (id: string) =>
      chainsOfModel({ model: id, plugs: plugs.get(id) ?? [] }, operation, kit.prepared);
    const found = new Map<string, Chains>(models.map((m) => [m.id, chainsOf(m.id)]));
    const model = unit ? undefined : models.find((m) => m.id === search.get("model"));
    const only = computers.find((c) => c.id === search.get("computer"));
    const onOnly = (id: string, computer: string) =>
      chainsOfModel({ model: id, plugs: plugs.get(id) ?? [] }, operation, withOnly(kit.prepared, computer));
    const chains = model && (only ? onOnly(model.id, only.id) : found.get(model.id));
    const names = kitNames(kit, who.locale);
    return {
      operation,
      typed,
      unknownUnit: typed !== "" && !unit,
      computers: computers.map((c) => ({ id: c.id, name: c.name, system: `${c.system} ${c.version}` })),
      rows: models.map((m) => {
        const own = found.get(m.id);
        return {
          id: m.id,
          name: m.name,
          cells: computers.map((c): Cell => {
            const there = own?.chains.filter((chain) => chain.computer.id === c.id) ?? [];
            if (there.length > 0) return cellOf(there);
            const { near, none, stopped } = shownChains(onOnly(m.id, c.id), m.name, names);
            const open = (near[0] ?? stopped)?.links.filter(({ state }) => state === "broken") ?? [];
            const why =
              open.length > 0 ? open.map(({ label, under }) => `${label}: ${under}`).join("; ") : none;
            return {
              tries: 0,
              worked: 0,
              computer: c.id,
              ...(why && { none: why }),
              mends: near.map(({ changes, cost }) => ({ says: listed(changes), cost })),
            };
          }),
          ready: own?.chains.some((chain) => chain.evidence.verdict !== "known-bad") ?? false,
        };
      }),
      chosen: unit
        ? await chosenUnit(tx, who, unit.tag, operation, kit, chainsOf(unit.model_id))
        : model &&
          chains &&
          chosenModel(
            { ...model, name: only ? `${model.name} at ${only.name}` : model.name },
            chains,
            kit,
            who,
          ),
    };
  });
}

function cellOf(chains: readonly Chain[]): Cell {
  const [best] = chains;
  if (!best) return { tries: 0, worked: 0 };
  const { verdict, tries, worked } = best.evidence;
  return { verdict, tries, worked, ...(best.lead && { lead: best.lead.tag }) };
}

/** A try that somebody notes from here, of a radio or of a model as a whole. */
export async function action({ context, request }: Route.ActionArgs) {
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    if (!may(who.role, "confirm-fact")) throw notAllowed("confirm-fact");
    const tag = String(form.get("unit") ?? "");
    const unit = tag === "" ? undefined : await unitByTag(tx, tag);
    const { ok, says } =
      tag !== "" && !unit
        ? { ok: false, says: `No radio has the tag ${tag.slice(0, 40)}.` }
        : await noteTry(who, unit?.id ?? null, form);
    return data({ ok, intent: "tried", says }, { status: ok ? 200 : 400 });
  });
}

export const clientAction = offlineSaid;

export default function Kit({ loaderData, actionData }: Route.ComponentProps) {
  const { rows, computers, operation, chosen } = loaderData;
  const without = rows.filter((row) => !row.ready);
  return (
    <Page
      title="Kit"
      says={
        computers.length === 0
          ? "nothing is noted yet"
          : without.length === 0
            ? `every model can be reached to ${operation}`
            : `${counted(without.length, "model")} cannot be reached to ${operation}: ${listed(without.map((r) => r.name))}`
      }
      acts={<KitTabs here="board" />}
    >
      <Form className="mb-3 flex flex-wrap items-end gap-3" action="/kit">
        <Labelled name="for" label="To" small value={operation} options={OPERATIONS} box="w-28" />
        <Labelled
          name="unit"
          label="Radio"
          small
          mono
          value={loaderData.typed}
          placeholder="W-03"
          box="w-28"
        />
        <button type="submit" className="btn btn-primary btn-sm">
          Show
        </button>
        {loaderData.unknownUnit && (
          <p role="alert" className="text-sm font-semibold text-rust">
            No radio has the tag {loaderData.typed.slice(0, 40)}.
          </p>
        )}
      </Form>
      {actionData && <Said answer={actionData} />}
      {computers.length === 0 ? (
        <p className="doubt w-fit p-5 text-lg">
          No computer, lead or tool is noted yet.{" "}
          <Link className="link" to="/kit/own">
            Begin the inventory
          </Link>
        </p>
      ) : (
        <div className="grid items-start gap-6 xl:grid-cols-[minmax(0,1fr)]">
          {chosen && <Chosen chosen={chosen} operation={operation} />}
          <Board rows={rows} computers={computers} operation={operation} chosen={chosen?.id} />
        </div>
      )}
    </Page>
  );
}
