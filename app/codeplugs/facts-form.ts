// What a model's codeplug holds, as its form has it.
import type { CodeplugFacts } from "#core/codeplug/facts.ts";

const mark = (is: boolean | undefined) => (is ? "on" : []);
const number = (value: number | undefined) => (value === undefined ? "" : String(value));

/** What its fields are drawn with. */
export const drawnFacts = (facts: CodeplugFacts | undefined, mode: string | null | undefined) => ({
  capacity: number(facts?.capacity),
  nameSigns: number(facts?.nameSigns),
  zones: number(facts?.zones),
  contacts: number(facts?.contacts),
  powers: facts?.powers.join(", ") ?? "",
  tonesFrom: facts?.tonesFrom ?? "",
  mode: mode ?? "",
  digital: mark(facts?.digital),
  everyTone: mark(facts?.everyTone),
  plainSigns: mark(facts?.plainSigns),
  byPosition: mark(facts?.byPosition),
});

/** What it is when it is sent. */
export function typedFacts(model: string, form: FormData) {
  const text = (name: string) => String(form.get(name) ?? "").trim();
  const count = (name: string) => {
    const typed = text(name);
    return typed === "" ? undefined : /^\d{1,7}$/.test(typed) ? Number(typed) : -1;
  };
  return {
    model,
    mode: text("mode") === "" ? undefined : text("mode"),
    facts: {
      capacity: count("capacity"),
      nameSigns: count("nameSigns"),
      zones: count("zones"),
      contacts: count("contacts"),
      digital: form.has("digital"),
      everyTone: form.has("everyTone"),
      plainSigns: form.has("plainSigns"),
      byPosition: form.has("byPosition"),
      tonesFrom: text("tonesFrom"),
      powers: text("powers")
        .split(",")
        .map((one) => one.trim())
        .filter((one) => one !== ""),
    },
  };
}
