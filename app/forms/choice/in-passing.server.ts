// What a field would pick and is not there yet is made in passing: a model, a place, a group, a connector or a person, by its name alone.
import { addGroup } from "#acts/club/add-group.ts";
import { addPlace } from "#acts/club/add-place.ts";
import { writeThing } from "#acts/kit/write-thing.ts";
import { writeModel } from "#acts/model/write-model.ts";
import { addPerson } from "#acts/person/add-person.ts";
import { typedList } from "#core/quantities/index.ts";
import { PLAIN_POLICY } from "#core/unit/index.ts";
import { groups, people, places } from "#db/club/index.ts";
import { loadKnown } from "#db/kit/index.ts";
import { modelsToPick } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import type { SignedIn } from "../../context.ts";
import { KEY } from "../form-key.tsx";
import { performForm } from "../perform.server.ts";
import type { Errors } from "../save.server.ts";
import { type Makes, newNameOf } from "./pick.tsx";

/** A name however it is written: blanks and the case of letters tell nothing apart. */
export const inCase = (name: string): string => name.trim().replace(/\s+/g, " ").toLowerCase();

/** Those that are there, by id. */
async function there(
  tx: Tx,
  makes: Makes,
): Promise<readonly { readonly id: string; readonly name: string }[]> {
  switch (makes) {
    case "model":
      return modelsToPick(tx);
    case "place":
      return places(tx);
    case "group":
      return groups(tx);
    case "person":
      return people(tx);
    case "connector":
      return (await loadKnown(tx)).connectors;
  }
}

/** The id of what was made; undefined: that name cannot be one's. */
async function make(makes: Makes, name: string, who: SignedIn, form: FormData): Promise<string | undefined> {
  switch (makes) {
    case "model": {
      const input = { name, kind: "handheld", components: ["main"] };
      const done = await performForm(writeModel, who, form, input);
      return done.ok ? done.value.answer.model : undefined;
    }
    case "place": {
      const done = await performForm(addPlace, who, form, { name, kind: "shelf" });
      return done.ok ? done.value.answer.place : undefined;
    }
    case "group": {
      const done = await performForm(addGroup, who, form, { name, purpose: "", policy: PLAIN_POLICY });
      return done.ok ? done.value.answer.group : undefined;
    }
    case "person": {
      const done = await performForm(addPerson, who, form, { name, role: "member" });
      return done.ok ? done.value.answer.person : undefined;
    }
    case "connector": {
      const done = await performForm(writeThing, who, form, { kind: "connectors", values: { name } });
      return done.ok ? done.value.answer.thing : undefined;
    }
  }
}

/**
 * Makes what is named beside fields that pick, and has the fields pick it: in the form itself, so that it goes on as if it had been chosen.
 * One of that name that is there already is taken. What is wrong stands under the field's name; undefined: all is well.
 * @param fields names of fields, with what they pick; `adds`: it holds the names of several, and what was made is added to them.
 */
export async function madeInPassing(
  tx: Tx,
  who: SignedIn,
  form: FormData,
  fields: Readonly<Record<string, Makes | { readonly adds: Makes }>>,
): Promise<Errors | undefined> {
  for (const [field, told] of Object.entries(fields)) {
    const makes = typeof told === "string" ? told : told.adds;
    const typed = form.get(newNameOf(field));
    const name = typeof typed === "string" ? typed.trim() : "";
    if (name === "") continue;
    const known = (await there(tx, makes)).find((one) => inCase(one.name) === inCase(name));
    const id = known?.id ?? (await make(makes, name, who, keyed(form, field)));
    if (id === undefined) return { [newNameOf(field)]: `“${name.slice(0, 40)}” cannot be the name of one.` };
    form.set(field, makes === told ? id : withName(String(form.get(field) ?? ""), known?.name ?? name));
    form.delete(newNameOf(field));
  }
  return undefined;
}

const withName = (typed: string, name: string): string =>
  typedList(typed, ";").some((one) => inCase(one) === inCase(name))
    ? typed
    : [typed.trim(), name].filter(Boolean).join("; ");

/** A key of its own, since one form may make several; the same again if it is sent again. */
export function keyed(form: FormData, field: string): FormData {
  const own = new FormData();
  own.set(KEY, `${String(form.get(KEY) ?? "")}-${field}`.slice(0, 100));
  return own;
}
