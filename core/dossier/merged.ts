// Two models that are one: what the one that stays would gain from the other, and what of the other would be lost.
import { joinedFacts, onceEach, shapeOf } from "../quantities/index.ts";
import { type Difference, differencesOf } from "./differences.ts";
import type { Dossier } from "./document.ts";
import { IDENTITY_FACTS } from "./identity.ts";

const identityFacts = shapeOf(IDENTITY_FACTS);

/**
 * What is known of a model, told as of another that it turned out to be: under that one's name, its own among the names it is sold under.
 * Lists of the model itself (plugs, labels, endings, revisions) are joined, so that taking them over takes nothing away.
 */
export function toldOf(into: Dossier, gone: Dossier): Dossier {
  const { identity } = into.model;
  const facts = identityFacts.parse(joinedFacts(IDENTITY_FACTS, identity, gone.model.identity));
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
        ...facts,
        soldAs: onceEach([...facts.soldAs, gone.model.name])
          .filter((name) => !isSame(name, into.model.name))
          .slice(0, 20),
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
