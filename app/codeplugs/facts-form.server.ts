// What a model's codeplug holds, as its form has it: its facts, and the mode for which the plan is laid out.
import { CODEPLUG_FACTS, type CodeplugFacts } from "#core/codeplug/index.ts";
import { shownFacts, typedFacts } from "#core/quantities/index.ts";
import { fieldText } from "../forms/perform.server.ts";

/** What its fields are drawn with. */
export const drawnFacts = (facts: CodeplugFacts | undefined, mode: string | null | undefined) => ({
  ...shownFacts(CODEPLUG_FACTS, facts),
  mode: mode ?? "",
});

/** What it is when it is sent. */
export const sentFacts = (model: string, form: FormData) => ({
  model,
  mode: fieldText(form, "mode"),
  facts: typedFacts(CODEPLUG_FACTS, (name) => fieldText(form, name)),
});
