// One block of the plan: its members, and beside each how it lies in every model; its form.
import { Link, useSearchParams } from "react-router";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import { useMay } from "../../ui/club.ts";
import { Wide } from "../../ui/wide.tsx";
import { counted } from "../../ui/words/count.ts";
import { sayHertz } from "../../ui/words/frequency.ts";
import { FitCell } from "../fit-cell.tsx";
import { BlockForm } from "./block-form.tsx";
import type { PlanData } from "./load-plan.server.ts";
import { MemberForm } from "./member-form.tsx";
import type { PlanAnswer } from "./plan.server.ts";
import { Handle, Sortable, useSorted } from "./sortable.tsx";

type Member = NonNullable<PlanData["chosen"]>["members"][number];

export function Block({ data, said }: { readonly data: PlanData; readonly said: PlanAnswer | undefined }) {
  const mayPlan = useMay("edit-plan");
  const [search] = useSearchParams();
  const { chosen, blocks, version, models } = data;
  const block = chosen && blocks[chosen.index];
  if (!chosen || !block) return null;
  const refused = (intent: string) => (said?.ok === false && said.intent === intent ? said : undefined);
  const edited = Number(search.get("member") ?? "-1");
  const isList = block.rule === undefined;
  return (
    <section aria-labelledby="block" className="flex flex-col gap-4">
      <h2 id="block">
        {block.name}: {counted(chosen.members.length, "channel")}
      </h2>
      {chosen.members.length > 0 && (
        <Wide label="Channels of the block">
          <Sortable
            intent="move-member"
            moved="member"
            fields={{ version, block: chosen.index }}
            names={chosen.members.map(({ name }) => name)}
          >
            <table className="table table-xs fit-table">
              <thead>
                <tr>
                  <th>Channel</th>
                  <th>Receives</th>
                  <th>Transmits</th>
                  {models.map((model) => (
                    <th key={model.id} scope="col" title={model.mode && `in its mode ${model.mode}`}>
                      {model.name}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {chosen.members.map((member, i) => (
                  <Row
                    // biome-ignore lint/suspicious/noArrayIndexKey: their place is what they are known by
                    key={`${member.name} ${i}`}
                    member={member}
                    at={i}
                    data={data}
                    movable={mayPlan && isList}
                    chosen={edited === i}
                  />
                ))}
              </tbody>
            </table>
          </Sortable>
        </Wide>
      )}
      {chosen.others && <Others others={chosen.others} />}
      {mayPlan && isList && (
        <>
          {chosen.members[edited] && (
            <MemberForm
              key={edited}
              intent="change-member"
              version={version}
              block={chosen.index}
              member={edited}
              form={chosen.members[edited].form}
              said={refused("change-member")}
            />
          )}
          <details open={refused("add-member") !== undefined || chosen.members.length === 0}>
            <summary className="btn btn-outline btn-primary btn-sm">Add a channel</summary>
            <MemberForm
              key={chosen.members.length}
              intent="add-member"
              version={version}
              block={chosen.index}
              said={refused("add-member")}
            />
          </details>
          <Paste version={version} block={chosen.index} said={refused("paste-members")} />
        </>
      )}
      {mayPlan && (
        <details open={refused("change-block") !== undefined}>
          <summary className="btn btn-outline btn-primary btn-sm">Change the block</summary>
          <BlockForm
            key={version}
            intent="change-block"
            version={version}
            at={chosen.index}
            block={block}
            said={refused("change-block")}
          />
          <ActForm intent="remove-block" className="mt-2">
            <input type="hidden" name="version" value={version} />
            <input type="hidden" name="block" value={chosen.index} />
            <button type="submit" className="btn btn-outline btn-error btn-sm">
              Take the block out
            </button>
          </ActForm>
        </details>
      )}
    </section>
  );
}

function Row(props: {
  readonly member: Member;
  readonly at: number;
  readonly data: PlanData;
  readonly movable: boolean;
  readonly chosen: boolean;
}) {
  const { member, at, data, movable } = props;
  const { box, handle } = useSorted(at);
  return (
    <tr {...box} className={props.chosen ? "bg-secondary" : ""}>
      <th scope="row" className="whitespace-nowrap">
        {movable && <Handle name={member.name} handle={handle} />}
        {movable ? (
          <Link to={`?block=${data.chosen?.index}&member=${at}`} className="link" preventScrollReset>
            {member.name}
          </Link>
        ) : (
          member.name
        )}
        {member.digital && <span className="ml-1 text-xs text-quiet">digital</span>}
      </th>
      <td className="ver whitespace-nowrap">{sayHertz(member.receive)}</td>
      <td className="ver whitespace-nowrap">
        {member.transmit === undefined ? "receives only" : sayHertz(member.transmit)}
      </td>
      {data.models.map((model, m) => (
        <FitCell key={model.id} fit={member.fits[m]} name={member.name} />
      ))}
    </tr>
  );
}

const WHY_NOT: Readonly<Record<string, string>> = {
  "no-place": "nobody has noted where they are",
  far: "too far",
  band: "in other bands",
  mode: "of the other kind",
  closed: "not open to all",
  unconfirmed: "not heard lately",
};

function Others({ others }: { readonly others: Readonly<Record<string, number>> }) {
  const said = Object.entries(others).map(([why, n]) => `${n} ${WHY_NOT[why] ?? why}`);
  if (said.length === 0) return null;
  return (
    <p className="text-sm text-quiet">
      Of the{" "}
      <Link to="/codeplugs/repeaters" className="link">
        directory
      </Link>{" "}
      not taken: {said.join(", ")}.
    </p>
  );
}

function Paste(props: {
  readonly version: number;
  readonly block: number;
  readonly said: PlanAnswer | undefined;
}) {
  return (
    <details open={props.said !== undefined}>
      <summary className="link w-fit cursor-pointer text-sm">Paste a table of channels</summary>
      <ActForm intent="paste-members" className="sheet mt-2 flex max-w-3xl flex-col gap-2 p-3">
        <input type="hidden" name="version" value={props.version} />
        <input type="hidden" name="block" value={props.block} />
        <Labelled
          name="text"
          label="With its headings"
          mono
          small
          rows={5}
          most={200_000}
          value={props.said?.kept?.text}
        />
        <button type="submit" className="btn btn-primary btn-sm w-fit">
          Add them
        </button>
      </ActForm>
    </details>
  );
}
