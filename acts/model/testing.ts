// What the acts of this room are tried with.
import fc from "fast-check";
import { A_FILE, mostly, NOWHERE, type Some, type World, words } from "../trials/testing.ts";

export const modelTrials = (world: World, { day, unit, procedure }: Some) => {
  const quirk = fc.constantFrom(...world.quirks);
  const service = fc.constantFrom(...world.service);
  const release = fc.constantFrom(...world.releases);
  return {
    "bring-in-dossier": fc
      .subarray([...world.dossier.keys], { minLength: 1 })
      .map((accepted) => ({ text: world.dossier.text, accepted })),
    "merge-models": fc.record({
      model: fc.constantFrom(...world.models),
      into: fc.constantFrom(...world.models),
      accepted: fc.subarray([...world.dossier.keys]),
    }),
    "confirm-numbering": fc
      .tuple(
        fc.constantFrom(...world.parts),
        fc.constantFrom("listed", "decimal", "dotted", "lettered", "no"),
      )
      .map(([part, kind]) => ({
        ...part,
        numbering: kind === "no" ? null : { kind },
        words: "in some way",
      })),
    // Which leads meet a model hangs on its plugs.
    "write-identity": fc
      .tuple(fc.constantFrom(...world.identities), words, fc.constantFrom("same", "none", "other"))
      .map(([stands, pickInTool, plugs]) => ({
        ...stands,
        identity: {
          ...(stands.identity as object),
          pickInTool: pickInTool.slice(0, 250),
          ...(plugs !== "same" && { plugs: plugs === "none" ? [] : ["serial, nine-pin"] }),
        },
      })),
    "write-model": fc
      .tuple(
        fc.constantFrom(...world.modelFacts),
        fc.boolean(),
        words,
        fc.constantFrom("", "antenna"),
        fc.boolean(),
      )
      .map(([{ model, ...stands }, anew, note, part, turned]) => {
        const components = [...(stands.components as string[]), ...(part ? [part] : [])];
        return {
          ...stands,
          ...(anew ? { model } : { name: `${note.slice(0, 30)} new` }),
          note,
          components: turned ? components.reverse() : components,
        };
      }),
    "write-release": fc
      .tuple(release, fc.constantFrom("same", "day", "withdraw", "new", "floor", "file", "lie"), day)
      .map(([stands, how, on]) => ({
        ...stands,
        ...(how === "day" && { releasedOn: on }),
        ...(how === "withdraw" && { withdrawn: { on, why: "it drowned" } }),
        ...(how === "new" && { release: undefined, version: "9.9", releasedOn: on }),
        ...(how === "floor" && { draft: true }),
        // A file of which nothing but its hash was known; and one that is not what is said of it.
        ...((how === "file" || how === "lie") && {
          file: { sha256: how === "file" ? A_FILE.sha256 : "ab".repeat(32), size: 3, name: "a.img" },
          content: A_FILE.content,
        }),
      })),
    "write-releases": fc
      .tuple(
        release,
        fc.uniqueArray(fc.constantFrom("9.8", "9.9", "7.1", "no version at all"), {
          minLength: 1,
          maxLength: 3,
        }),
        day,
      )
      .map(([stands, versions, on]) => ({
        model: stands.model,
        component: stands.component,
        releases: versions.map((version) => ({ version, track: "factory", releasedOn: on })),
      })),
    "confirm-fact": quirk.map(({ model, quirk: subject }) => ({
      model,
      kind: "quirk",
      subject,
      firmware: "1.14",
    })),
    "shelve-procedure": procedure,
    "shelve-quirk": quirk,
    "write-procedure": fc
      .tuple(procedure, fc.boolean(), words, mostly([null], [[NOWHERE]]))
      .map(([{ model, procedure: id }, anew, title, revisions]) => ({
        model,
        ...(anew && { procedure: id }),
        title,
        purpose: "read-version",
        steps: [{ kind: "note", what: "look at the label" }],
        source: { kind: "bench", what: "" },
        component: null,
        firmware: null,
        revisions,
        draft: false,
      })),
    "write-quirk": fc
      .tuple(quirk, fc.boolean(), words, mostly([null], [NOWHERE]))
      .map(([{ model, quirk: id }, anew, symptom, component]) => ({
        model,
        ...(anew && { quirk: id }),
        symptom,
        cause: "",
        cure: "leave it on",
        component,
        firmware: null,
        source: { kind: "bench", what: "" },
      })),
    "write-service-item": fc
      .tuple(service, fc.boolean(), words)
      .map(([{ model, item, stands }, anew, meaning]) => ({
        ...stands,
        model,
        meaning: meaning || "anew",
        ...(anew ? { item } : { name: "one more" }),
      })),
    "shelve-service-item": service.map(({ model, item }) => ({ model, item })),
    "note-setting": fc
      .tuple(fc.constantFrom(...world.settings), fc.constantFrom("5", "62", "78"), fc.boolean(), words)
      .map(([one, value, changed, why]) => ({ ...one, value, changed, why })),
    "show-unlocking": fc.oneof(
      procedure,
      fc.constantFrom(...world.unlocking),
      fc.constantFrom(...world.modes.map(({ model, mode }) => ({ model, mode }))),
      fc.record({ model: fc.constantFrom(...world.models, NOWHERE), service: fc.constant("menu") }),
      fc.record({ model: fc.constantFrom(...world.models, NOWHERE), dossier: fc.constant("whole") }),
      fc.record({ unit, service: fc.constant("values") }),
      fc.record({ run: fc.constantFrom(...world.runs.map(({ run }) => run)) }),
      fc.constant({ club: "whole" }),
    ),
  };
};
