// Advice about pairing: for a type of device, with one model or with any, which menu, which presses, and what is set and why.
import { type Step, stepText } from "../../dossier/index.ts";
import { SOURCE_KINDS, SOURCE_WORD, type Source } from "../../quantities/index.ts";
import { type PairSetting, pairSettingText, readPairSetting, readPairStep } from "../entry.ts";
import { joined, type Kind, named, nameOf } from "./field.ts";

export const pairing = {
  table: "pair_advice",
  one: "piece of pairing advice",
  many: "Advice about pairing",
  name: "what",
  json: ["steps", "settings", "source"],
  order: ["what", "model"],
  fields: [
    { name: "what", label: "Type of device", quick: true },
    {
      name: "model_id",
      label: "With",
      options: (k) => named(k.models, "any model"),
      quick: true,
      makes: "model",
    },
    { name: "menu", label: "The right menu", quick: true },
    { name: "wrong_menu", label: "The menu that looks right and is not", quick: true },
    { name: "wrong_shows", label: "What one sees in that one" },
    {
      name: "steps",
      label: "Presses on both sides in order, a line each: press menu, ok",
      rows: 5,
      mono: true,
    },
    { name: "pin", label: "PIN", mono: true },
    { name: "pin_seconds", label: "It expires after, seconds", mono: true },
    { name: "shows", label: "What the screen shows when it holds" },
    { name: "settings", label: "Settings, a line each: hold time = 2 s: or it drops", rows: 4 },
    { name: "fails", label: "What is known to fail with this pair", rows: 2 },
    {
      name: "sourceKind",
      label: "Known from",
      options: () => SOURCE_KINDS.map((k) => [k, SOURCE_WORD[k]] as const),
    },
    { name: "sourceWhat", label: "Which one (leaflet, evening, club)" },
  ],
  read: (r) => {
    const menu = r.text("menu", 200);
    const wrong_menu = r.text("wrong_menu", 200);
    if (menu !== "" && menu.toLowerCase() === wrong_menu.toLowerCase())
      r.errors.wrong_menu ??= "That is the right menu.";
    const steps = r.lines("steps", readPairStep);
    if (steps.length > 60) r.errors.steps ??= "At most 60 steps.";
    const settings = r.lines("settings", readPairSetting);
    if (settings.length > 30) r.errors.settings ??= "At most 30 settings.";
    return {
      columns: {
        what: r.needed("what", 80, "Say for which type of device."),
        model_id: r.ref("model_id", r.known.models),
        menu,
        wrong_menu,
        wrong_shows: r.text("wrong_shows"),
        steps,
        pin: r.text("pin", 20),
        pin_seconds: r.number("pin_seconds", { least: 1, most: 3600, whole: true, such: "60" }),
        shows: r.text("shows", 200),
        settings,
        fails: r.text("fails", 500),
        source: { kind: r.choice("sourceKind", SOURCE_KINDS, "bench"), what: r.text("sourceWhat") },
      },
    };
  },
  begin: { sourceKind: "bench" },
  values: (row: { steps: readonly Step[]; settings: readonly PairSetting[]; source: Source }) => ({
    steps: row.steps.map(stepText).join("\n"),
    settings: row.settings.map(pairSettingText).join("\n"),
    sourceKind: row.source.kind,
    sourceWhat: row.source.what,
  }),
  says: (v, k) =>
    joined([
      `with ${nameOf(k.models, v.model_id) ?? "any model"}`,
      v.menu && `in ${v.menu}`,
      v.wrong_menu && `not in ${v.wrong_menu}`,
    ]),
} as const satisfies Kind;
