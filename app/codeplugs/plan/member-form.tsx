// The form of one channel of the plan.
import type { ChannelForm, ChannelFormField } from "#core/codeplug/index.ts";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import type { PlanAnswer } from "./plan.server.ts";

export function MemberForm(props: {
  readonly intent: "add-member" | "change-member";
  readonly version: number;
  readonly block: number;
  readonly member?: number;
  readonly form?: ChannelForm;
  readonly said: PlanAnswer | undefined;
}) {
  const { intent, version, block, member, form, said } = props;
  const of = (name: ChannelFormField) => said?.kept?.[name] ?? form?.[name];
  const errors = (name: ChannelFormField) => (said?.fields?.[name] ? [said.fields[name]] : undefined);
  const field = (name: ChannelFormField, label: string, box: string) => (
    <Labelled name={name} label={label} small mono value={of(name)} errors={errors(name)} box={box} />
  );
  const digital = ["colour", "slot", "talkgroup", "identity"] as const;
  return (
    <div className="sheet mt-2 p-3">
      <ActForm intent={intent} className="flex flex-col gap-2">
        <input type="hidden" name="version" value={version} />
        <input type="hidden" name="block" value={block} />
        {member !== undefined && <input type="hidden" name="member" value={member} />}
        <div className="flex flex-wrap gap-3">
          {field("name", "Name", "w-48")}
          {field("receive", "Receives, MHz", "w-36")}
          {field("transmit", "Transmits, MHz; empty: the same, or “off”", "w-72")}
          {field("width", "Width, kHz", "w-24")}
          {field("sends", "Tone sent", "w-24")}
          {field("hears", "Tone heard", "w-24")}
          {field("power", "Power, by name", "w-32")}
          <Labelled
            name="kind"
            label="Kind"
            small
            value={of("kind") ?? "analogue"}
            options={["analogue", "digital"]}
            box="w-32"
          />
        </div>
        <details open={digital.some((name) => (of(name) ?? "") !== "" || errors(name) !== undefined)}>
          <summary className="link w-fit cursor-pointer text-sm">If it is digital</summary>
          <div className="mt-1 flex flex-wrap gap-3">
            {field("colour", "Colour code", "w-28")}
            {field("slot", "Slot", "w-20")}
            {field("talkgroup", "Talkgroup", "w-32")}
            {field("identity", "Digital ID, if another than the radio's", "w-64")}
          </div>
        </details>
        <button type="submit" className="btn btn-primary btn-sm w-fit">
          {intent === "add-member" ? "Add it" : "Change it"}
        </button>
      </ActForm>
      {member !== undefined && (
        <ActForm intent="remove-member" className="mt-2">
          <input type="hidden" name="version" value={version} />
          <input type="hidden" name="block" value={block} />
          <input type="hidden" name="member" value={member} />
          <button type="submit" className="btn btn-outline btn-error btn-sm">
            Take it out
          </button>
        </ActForm>
      )}
    </div>
  );
}
