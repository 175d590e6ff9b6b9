// The words for a need of kind identity.
import type { WordsOfNeed } from "./kind.ts";

const WHAT = { digital: "digital ID", call: "call sign" } as const;

export const identity: WordsOfNeed<"identity"> = {
  namesPart: false,
  causes: { "no-identity": () => "ask for its ID or call sign; it has not come" },
  reasons: {
    identity: ({ what, askedOn, by }, { day }) => ({
      text: askedOn
        ? `Its ${WHAT[what]} was asked for on ${day(askedOn)}${by ? ` and should have come by ${day(by)}` : ""}.`
        : `Its ${WHAT[what]} is wanted, and nobody has asked for it.`,
      to: "channels",
    }),
  },
  next: () => "an ID or a call sign is awaited for it",
  groups: { "ask-for": { title: "Ask for", says: "a digital ID or a call sign that has not come" } },
  items: {
    "ask-for": ({ radios, tags, one }) => ({
      mark: "rounded-full border-dashed border-quiet",
      head: `${radios} ${one ? "waits" : "wait"} for an ID`,
      text: `${tags}: a digital ID or a call sign was not asked for, or has not come.`,
      act: "See which",
      to: "/codeplugs/identities",
    }),
  },
  press: { to: () => "/codeplugs/identities", words: "IDs and call signs" },
};
