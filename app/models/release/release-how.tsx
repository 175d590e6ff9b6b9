// The folds of a release that say how it is brought in, its file, whence it is known, and that it was withdrawn.
import { ERASES, stretchesSaid, WAYS } from "#core/release/index.ts";
import { Field } from "../../forms/field.tsx";
import { ERASES_WORD, RISK_WORD, WAY_WORD } from "../../ui/words/route.ts";
import { SourceFields } from "../procedure/shared-fields.tsx";
import { Fold } from "./release-folds.tsx";
import { Cell, Marks, RangePick } from "./release-rows.tsx";

import type { ReleaseParts } from "./release-when.tsx";

export function CostFold({ fields, held, old }: ReleaseParts) {
  return (
    <Fold
      title="How it is brought in, and at what cost"
      all={old}
      held={held}
      names={[
        "erases",
        "minutes",
        "risk",
        ...WAYS.map((way) => `way-${way}`),
        "tool",
        "tool-0-low",
        "tool-0-high",
      ]}
      usual={{ erases: "nothing", minutes: "5", risk: "2" }}
    >
      <div className="grid items-end gap-3 sm:grid-cols-[minmax(0,1fr)_6rem_minmax(0,1fr)]">
        <Field of={fields.erases} label="It" options={ERASES.map((e) => [e, ERASES_WORD[e]] as const)} />
        <Field of={fields.minutes} label="Minutes" type="number" />
        <Field
          of={fields.risk}
          label="Risk"
          options={[1, 2, 3, 4, 5].map((n) => [String(n), `${n}: ${RISK_WORD[n]}`] as const)}
        />
      </div>
      <Marks
        held={held}
        title="How it can be brought in"
        hint="none marked: any way"
        marks={WAYS.map((way) => [`way-${way}`, WAY_WORD[way]] as const)}
      />
      <fieldset className="flex flex-col gap-1">
        <legend className="text-sm font-semibold">Software that must match it</legend>
        <Cell held={held} field="tool" label="Its name" list="known-tools" placeholder="any" box="max-w-80" />
        <RangePick
          held={held}
          name="tool"
          what="Software"
          said={stretchesSaid(held.values, "tool")}
          list="known-tool-versions"
        />
      </fieldset>
    </Fold>
  );
}

export function FileFold({ fields, held, old }: ReleaseParts) {
  return (
    <Fold title="Its file" all={old} held={held} names={["fileName", "fileSize", "sha256", "content"]}>
      <div className="grid grid-cols-[minmax(0,1fr)_9rem] gap-3">
        <Field of={fields.fileName} label="File" mono />
        <Field of={fields.fileSize} label="Bytes" type="number" />
      </div>
      <Field of={fields.sha256} label="SHA-256 of the file" mono />
      <Field of={fields.content} type="file" label="Or put the file itself here: it is kept by its content" />
    </Fold>
  );
}

export function SourceFold({ fields, held, old }: ReleaseParts) {
  return (
    <Fold
      title="Whence it is known"
      all={old}
      held={held}
      names={["sourceKind", "sourceWhat"]}
      usual={{ sourceKind: "" }}
    >
      <div className="grid items-end gap-3 sm:grid-cols-2">
        <SourceFields of={(name) => fields[name]} open />
      </div>
    </Fold>
  );
}

export function WithdrawnFold({ fields, held, old }: ReleaseParts) {
  return (
    <Fold title="It was withdrawn" all={old} held={held} names={["withdrawnOn", "withdrawnWhy"]}>
      <div className="grid items-end gap-3 sm:grid-cols-[10rem_minmax(0,1fr)]">
        <Field of={fields.withdrawnOn} label="Withdrawn on" type="date" />
        <Field of={fields.withdrawnWhy} label="Why it was withdrawn" />
      </div>
    </Fold>
  );
}
