// What a service menu holds, and the region or type codes that a radio and its tool must agree on.
import { z } from "zod";

/** An item of a hidden menu. */
export const settingShape = z.object({
  /** As the menu names it. */
  name: z.string().trim().min(1, "As the menu names it.").max(60, "At most 60 signs."),
  /** Where it is found. */
  where: z.string().trim().max(200, "At most 200 signs.").default(""),
  meaning: z.string().trim().min(1, "What does it do?").max(500, "At most 500 signs."),
  /** The value that it usually has; empty: nobody knows. */
  usual: z.string().trim().max(60, "At most 60 signs.").default(""),
  /** Why it is never to be touched; empty: it may be. */
  never: z.string().trim().max(300, "At most 300 signs.").default(""),
});
export type Setting = Readonly<z.output<typeof settingShape>>;

/** A code by which radio and tool know each other; a tool that is set for another one refuses, or does worse. */
export const codeShape = z.object({
  name: z
    .string()
    .trim()
    .min(1, "As it stands on it or as its screen shows it.")
    .max(40, "At most 40 signs."),
  meaning: z.string().trim().max(300, "At most 300 signs.").default(""),
  /** How a tool is set for it. */
  tool: z.string().trim().max(200, "At most 200 signs.").default(""),
  /** What is seen where radio and tool do not agree. */
  symptom: z.string().trim().max(300, "At most 300 signs.").default(""),
  cure: z.string().trim().max(500, "At most 500 signs.").default(""),
});
export type Code = Readonly<z.output<typeof codeShape>>;

export type SettingStanding =
  /** Nobody has noted its value. */
  | "unknown"
  /** Nobody has written down what is usual. */
  | "nothing to compare"
  | "usual"
  | "differs"
  /** It differs, and is never to be touched. */
  | "touched";

/** Numbers are the same however they are written; texts are without regard to case. */
const folded = (value: string): string => {
  const text = value.normalize("NFKC").trim().toLowerCase();
  return /^[+-]?\d+([.,]\d+)?$/.test(text) ? String(Number(text.replace(",", "."))) : text;
};

/** A value of one radio held against what is usual. */
export function settingStanding(
  { usual, never }: Pick<Setting, "usual" | "never">,
  value: string | undefined,
): SettingStanding {
  if (value === undefined) return "unknown";
  if (usual === "") return "nothing to compare";
  if (folded(usual) === folded(value)) return "usual";
  return never === "" ? "differs" : "touched";
}

/** Worst first: what should never have been touched, what differs, what nobody knows. */
export const STANDING_ORDER: readonly SettingStanding[] = [
  "touched",
  "differs",
  "unknown",
  "nothing to compare",
  "usual",
];

export type CodeStanding =
  | { readonly kind: "no-codes" }
  /** Nobody has noted which the radio has. */
  | { readonly kind: "unknown" }
  /** It has one that its dossier does not know. */
  | { readonly kind: "stranger"; readonly code: string }
  | { readonly kind: "known"; readonly code: Code };

/** Which of its model's codes a radio has. `own`: as it was noted. */
export function codeOf(codes: readonly Code[], own: string | undefined): CodeStanding {
  if (codes.length === 0) return { kind: "no-codes" };
  if (own === undefined || own.trim() === "") return { kind: "unknown" };
  const code = codes.find(({ name }) => folded(name) === folded(own));
  return code ? { kind: "known", code } : { kind: "stranger", code: own.trim() };
}

/** The errors that come of a tool set for another code than the radio has, as symptom, cause and cure; each symptom once. */
export function mismatches(
  codes: readonly Code[],
  own: string | undefined,
): { readonly symptom: string; readonly cause: string; readonly cure: string }[] {
  const standing = codeOf(codes, own);
  const said = new Set<string>();
  return codes.flatMap((code) => {
    if (code.symptom === "" || said.has(folded(code.symptom))) return [];
    // Of a radio whose code is known, what others show is not its error.
    if (standing.kind === "known" && standing.code !== code) return [];
    said.add(folded(code.symptom));
    return [
      {
        symptom: code.symptom,
        cause:
          standing.kind === "known"
            ? `the tool is not set for ${code.name}`
            : "the tool is set for another code than the radio has",
        cure: code.cure || (code.tool ? `set the tool to ${code.tool}` : ""),
      },
    ];
  });
}
