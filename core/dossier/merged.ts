// Two models that are one: what the one that stays would gain from the other, and what of the other would be lost.
import { onceEach } from "../quantities/list.ts";
import { type Difference, differencesOf } from "./differences.ts";
import type { Dossier } from "./document.ts";

/**
 * What is known of a model, told as of another that it turned out to be: under that one's name, its own among the names it is sold under.
 * Lists of the model itself (plugs, labels, endings, revisions) are joined, so that taking them over takes nothing away.
 */
export function toldOf(into: Dossier, gone: Dossier): Dossier {
  const joined = (pick: (identity: Dossier["model"]["identity"]) => readonly string[], most: number) =>
    onceEach([...pick(into.model.identity), ...pick(gone.model.identity)]).slice(0, most);
  const { identity } = into.model;
  return {
    ...gone,
    model: {
      ...gone.model,
      maker: into.model.maker,
      name: into.model.name,
      kind: into.model.kind,
      note: onceEach([into.model.note, gone.model.note])
        .filter((text) => text !== "")
        .join(" ")
        .slice(0, 2000),
      suffixes: onceEach([...into.model.suffixes, ...gone.model.suffixes]).slice(0, 100),
      hardwareRevisions: [
        ...into.model.hardwareRevisions,
        ...gone.model.hardwareRevisions.filter(
          ({ name }) => !into.model.hardwareRevisions.some((own) => isSame(own.name, name)),
        ),
      ],
      identity: {
        ...gone.model.identity,
        ...identity,
        pickInTool: identity.pickInTool || gone.model.identity.pickInTool,
        soldAs: onceEach([...identity.soldAs, gone.model.name, ...gone.model.identity.soldAs])
          .filter((name) => !isSame(name, into.model.name))
          .slice(0, 20),
        plugs: joined((one) => one.plugs, 10),
        labels: joined((one) => one.labels, 20),
        screens: joined((one) => one.screens, 20),
      },
    },
  };
}

export type MergeEffect = {
  /** What only the one that goes knows: it comes along, if it is picked. */
  readonly gains: readonly Difference[];
  /** What both know, and otherwise: the one that stays keeps its own, unless the other's is picked. */
  readonly differs: readonly Difference[];
};

/** What a merge would bring and what it would cost, fact by fact. */
export function mergeEffect(into: Dossier, gone: Dossier): MergeEffect {
  const all = differencesOf(into, toldOf(into, gone));
  // What the model is known by is joined: it only gains.
  const isGain = (one: Difference) => one.kind === "identity" || one.fields.every((field) => !field.ours);
  return { gains: all.filter(isGain), differs: all.filter((one) => !isGain(one)) };
}

const isSame = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();
