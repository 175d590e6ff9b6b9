// Lanternfen Radio Circle: all made up. People, places and groups. Days are counted back from today.
import type { Policy } from "#core/unit/index.ts";

export const CLUB = { name: "Lanternfen Radio Circle", timeZone: "Europe/London", locale: "en-GB" };

export const PASSWORD = "lantern on the causeway";

type DemoPerson = {
  readonly name: string;
  readonly role: "keeper" | "bench" | "member";
  readonly email?: string;
  readonly callSign?: string;
  readonly licence?: string;
};

/** Licence classes of an example band plan, which is no one's law. QZ is a prefix that nobody issues. */
export const PEOPLE: readonly DemoPerson[] = [
  {
    name: "Wren Oldacre",
    role: "keeper",
    email: "wren@lanternfen.example",
    callSign: "QZ1WO",
    licence: "example full",
  },
  {
    name: "Juno Reedholm",
    role: "bench",
    email: "juno@lanternfen.example",
    callSign: "QZ2JR",
    licence: "example full",
  },
  {
    name: "Tobin Weirside",
    role: "bench",
    email: "tobin@lanternfen.example",
    callSign: "QZ3TW",
    licence: "example middle",
  },
  { name: "Bram Hollinfold", role: "bench", email: "bram@lanternfen.example", licence: "example entry" },
  {
    name: "Ida Fallowgate",
    role: "member",
    email: "ida@lanternfen.example",
    callSign: "QZ3IF",
    licence: "example entry",
  },
  { name: "Perrin Alderby", role: "member", licence: "example entry" },
  { name: "Maud Whinmoor", role: "member", callSign: "QZ2MW", licence: "example middle" },
  { name: "Osric Teasel", role: "member" },
  { name: "Linnet Burbank-Fen", role: "member" },
  { name: "Hale Burdockley", role: "member", callSign: "QZ3HB", licence: "example entry" },
  { name: "Nan Quillbeck", role: "member" },
  { name: "Fitch Rowanlea", role: "member" },
];

export const PLACES = [
  { key: "S1", name: "Shelf 1", kind: "shelf", note: "boathouse cabinet, top" },
  { key: "S2", name: "Shelf 2", kind: "shelf", note: "boathouse cabinet" },
  { key: "S3", name: "Shelf 3", kind: "shelf", note: "boathouse cabinet, loans" },
  { key: "S4", name: "Shelf 4", kind: "shelf", note: "boathouse cabinet, modules" },
  { key: "S5", name: "Shelf 5", kind: "shelf", note: "boathouse cabinet, old hands" },
  { key: "HUT", name: "Tool hut", kind: "hut", note: "bench and spares" },
  { key: "SL1", name: "Sluice 1", kind: "hut", note: "lower gate" },
  { key: "SL2", name: "Sluice 2", kind: "hut", note: "alder bend" },
  { key: "SL3", name: "Sluice 3", kind: "hut", note: "mill race" },
  { key: "SL4", name: "Sluice 4", kind: "hut", note: "top pound" },
  { key: "VAN", name: "The van", kind: "vehicle", note: "marshals" },
] as const;

type Relative = Omit<Policy, "hold" | "rule"> & {
  readonly rule: Policy["rule"] | { readonly pinned: string; readonly until?: number };
  readonly hold?: { readonly inDays: number; readonly why: string };
};

type DemoGroup = {
  readonly key: string;
  readonly name: string;
  readonly purpose: string;
  readonly policy: Relative;
};

const usual = { tracks: [], safetyBreaksHold: true, recheckAfterDays: 365 };

export const GROUPS: readonly DemoGroup[] = [
  {
    key: "LANTERNS",
    name: "Lanterns kit",
    purpose: "the Night of Lanterns: marshals on the tidal causeway",
    policy: { ...usual, codeplug: "plan", rule: { kind: "settled", days: 14 } },
  },
  {
    key: "LOANS",
    name: "Loan pool",
    purpose: "the bat count: lent to volunteers all summer",
    policy: { ...usual, codeplug: "plan", rule: { kind: "newest" }, tracks: ["community"] },
  },
  {
    key: "SLUICES",
    name: "Sluice rota",
    purpose: "base sets in the four huts along the canal",
    policy: {
      ...usual,
      codeplug: "plan",
      rule: { kind: "fixes", tags: ["squelch", "clock"], atLeast: "safety" },
    },
  },
  {
    key: "MOBILES",
    name: "Marshals' mobiles",
    purpose: "the van and its mobiles",
    policy: {
      ...usual,
      codeplug: "plan",
      rule: { pinned: "Marl 40/main/B12" },
      hold: { inDays: 12, why: "nothing changes in the van before the Night of Lanterns" },
    },
  },
  {
    key: "TRIAL",
    name: "Bench trials",
    purpose: "spares that try betas before others get them",
    policy: {
      ...usual,
      rule: { kind: "newest" },
      tracks: ["beta", "community"],
      measure: { everyDays: 365, afterFlash: true },
    },
  },
  {
    key: "OLD",
    name: "Old hands",
    purpose: "works, so leave it alone unless it is a matter of safety",
    policy: { ...usual, rule: { kind: "fixes", tags: [], atLeast: "safety" }, recheckAfterDays: 730 },
  },
];
