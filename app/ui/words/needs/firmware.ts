// The words for a need of kind firmware.
import type { WordsOfNeed } from "./kind.ts";

export const firmware: WordsOfNeed<"firmware"> = {
  namesPart: true,
  causes: {
    behind: (to) => `install ${to ?? "the newer release"}`,
    pinned: (to) => `bring to ${to ?? "the pinned release"}, which its group is pinned to`,
    withdrawn: (to) =>
      to ? `leave the withdrawn release for ${to}` : "runs a withdrawn release, and there is none to go to",
    aside: (to) => (to ? `leave its track for ${to}` : "on a track its group does not use"),
  },
  reasons: {},
  next: (component) => `its ${component} is to be updated`,
  groups: {
    install: { title: "Ready now", says: "here, with a release, a route and the kit for it" },
    kit: { title: "Waiting for kit", says: "here, but no chain of ours reaches into them" },
    "no-route": { title: "No route", says: "nothing leads to the release they should run" },
  },
  items: {
    install: ({ radios, tags }) => ({
      mark: "border-line bg-gradient-to-t from-[var(--moss-3)] from-50% to-transparent to-50%",
      head: `${radios} can be updated now`,
      text: tags,
      act: "Line them up",
      to: "/due?do=install",
    }),
    "at-bench": ({ radios, tags, one }) => ({
      mark: "border-t-4 border-line bg-plate",
      head: `${radios} to update ${one ? "is" : "are"} at the bench already`,
      text: tags,
      act: "Go on there",
      to: "/bench",
    }),
    kit: ({ radios, tags, one }) => ({
      mark: "border-b-4 border-brass",
      head: `${radios} ${one ? "waits" : "wait"} for kit`,
      text: `${tags}: there is a release, but no chain of ours reaches in.`,
      act: "See what is missing",
      to: "/due?do=kit",
    }),
    "no-route": ({ radios, tags, one }) => ({
      mark: "border-rust",
      head: `${radios} ${one ? "has" : "have"} no route`,
      text: `${tags}: nothing leads to the release ${one ? "it" : "they"} should run.`,
      act: "See what stops them",
      to: "/due?do=no-route",
    }),
  },
  press: "by-standing",
};
