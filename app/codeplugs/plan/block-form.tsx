// The form of a block: what it is called, what it weighs, where it stands; and its rule, where it is one.
import { useState } from "react";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import type { PlanData } from "./load-plan.server.ts";
import type { PlanAnswer } from "./plan.server.ts";
import { RULE_BANDS, ruleForm } from "./rule-form.ts";

const WEIGHTS = ["9", "8", "7", "6", "5", "4", "3", "2", "1"] as const;

export function BlockForm(props: {
  readonly intent: "add-block" | "change-block";
  readonly version: number;
  readonly at?: number;
  readonly block?: PlanData["blocks"][number] | undefined;
  readonly said: PlanAnswer | undefined;
}) {
  const { intent, version, at, block, said } = props;
  const kept = said?.kept;
  const [by, setBy] = useState(kept?.by ?? (block?.rule ? "rule" : "list"));
  const rule = ruleForm(block?.rule);
  // A mark that was taken out sends nothing: what was kept has it not.
  const of = (name: string, otherwise: string | undefined) => (kept ? (kept[name] ?? "") : otherwise);
  const errors = (name: string) => (said?.fields?.[name] ? [said.fields[name]] : undefined);
  const field = (name: string, label: string, otherwise: string | undefined, box: string, mono = false) => (
    <Labelled
      name={name}
      label={label}
      small
      mono={mono}
      value={of(name, otherwise)}
      errors={errors(name)}
      box={box}
    />
  );
  return (
    <ActForm intent={intent} className="sheet mt-2 flex flex-col gap-2 p-3">
      <input type="hidden" name="version" value={version} />
      {at !== undefined && <input type="hidden" name="block" value={at} />}
      <div className="flex flex-wrap gap-3">
        {field("name", "Name", block?.name, "w-48")}
        {field("purpose", "What it is for (may stay empty)", block?.purpose, "w-56")}
        <Labelled
          name="priority"
          label="Weighs, where not all fits"
          small
          value={of("priority", String(block?.priority ?? 5))}
          options={WEIGHTS.map(
            (n) => [n, n === "9" ? "9, must be in" : n === "1" ? "1, if there is room" : n] as const,
          )}
          box="w-44"
        />
        {field(
          "at",
          "From position (empty: behind the one before)",
          block?.at === undefined ? "" : String(block.at),
          "w-72",
        )}
      </div>
      <Labelled
        name="listens"
        label="Where a model may not transmit, it takes them to listen only"
        type="checkbox"
        small
        value={of("listens", !block || block.listens ? "on" : "")}
      />
      <fieldset className="flex flex-wrap gap-4 text-sm">
        <legend className="sr-only">Its members</legend>
        {(
          [
            ["list", "a list of channels"],
            ["rule", "repeaters near a place"],
          ] as const
        ).map(([value, words]) => (
          <label key={value} className="flex items-center gap-2">
            <input
              type="radio"
              name="by"
              value={value}
              defaultChecked={by === value}
              onChange={() => setBy(value)}
              className="radio radio-sm"
            />
            {words}
          </label>
        ))}
      </fieldset>
      <details open={by === "rule"}>
        <summary className="link w-fit cursor-pointer text-sm">Which repeaters</summary>
        <div className="mt-1 flex flex-col gap-2">
          <div className="flex flex-wrap gap-3">
            {field("around", "Around", rule.around, "w-48")}
            {field("latitude", "Degrees north", rule.latitude, "w-32", true)}
            {field("longitude", "Degrees east", rule.longitude, "w-32", true)}
            {field("kilometres", "Within, km", rule.kilometres, "w-28", true)}
            {field("months", "Heard within, months", rule.months, "w-44", true)}
            {field("most", "So many at most", rule.most, "w-36", true)}
          </div>
          <div className="flex flex-wrap gap-3">
            {Array.from({ length: RULE_BANDS }, (_, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: their place is all there is of them
              <span key={i} className="flex gap-1">
                {field(`from${i}`, `Band ${i + 1}: from MHz`, rule[`from${i}`], "w-36", true)}
                {field(`to${i}`, "to MHz", rule[`to${i}`], "w-28", true)}
              </span>
            ))}
          </div>
          <div className="flex flex-wrap gap-4">
            {(
              [
                ["analogue", "analogue"],
                ["digital", "digital"],
                ["openOnly", "open to all only"],
              ] as const
            ).map(([name, words]) => (
              <Labelled
                key={name}
                name={name}
                label={words}
                type="checkbox"
                small
                value={of(name, rule[name])}
                errors={errors(name)}
              />
            ))}
          </div>
        </div>
      </details>
      <button type="submit" className="btn btn-primary btn-sm w-fit">
        {intent === "add-block" ? "Add it" : "Change it"}
      </button>
    </ActForm>
  );
}
