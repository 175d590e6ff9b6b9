// Digital IDs and call signs of people and radios: asked for, expected by, arrived; and what is wrong among them.
import { daysAfter, type PlainDate } from "../quantities/index.ts";

export type Identity = {
  readonly id: string;
  readonly kind: "digital" | "call";
  /** Whose it is: a radio or a person, by id. */
  readonly of: string;
  /** Absent: it has not arrived. */
  readonly value?: string;
  readonly askedOn?: PlainDate;
  /** Those who give them out usually answer within so many days. */
  readonly usuallyDays?: number;
};

export type IdentityState =
  /** Nobody has asked for it. */
  | { readonly kind: "wanted" }
  /** `by` absent: nobody knows how long they take. */
  | { readonly kind: "asked"; readonly on: PlainDate; readonly by?: PlainDate; readonly late: boolean }
  | { readonly kind: "there"; readonly value: string };

/** How it stands on a day. What was asked for is late from the day after it was expected. */
export function identityState(identity: Identity, today: PlainDate): IdentityState {
  if (identity.value !== undefined) return { kind: "there", value: identity.value };
  if (identity.askedOn === undefined) return { kind: "wanted" };
  const by =
    identity.usuallyDays === undefined ? undefined : daysAfter(identity.askedOn, identity.usuallyDays);
  return {
    kind: "asked",
    on: identity.askedOn,
    late: by?.ok === true && by.value < today,
    ...(by?.ok && { by: by.value }),
  };
}

export type IdentityFinding =
  /** The same digital ID is with several. */
  | { readonly kind: "twice"; readonly value: string; readonly of: readonly string[] }
  /** A digital ID has seven digits for one who speaks, six for what repeats. */
  | { readonly kind: "length"; readonly id: string; readonly value: string; readonly digits: number };

/** Digits of a digital ID: of a person or a radio, and of what repeats. */
export const ID_DIGITS = [7, 6] as const;

/** A digital ID as it is compared: people part its digits with blanks. */
export const digitsOf = (value: string): string => value.replace(/\s/g, "");

/** What is wrong among identities: digital IDs that several have, and ones of another length. Call signs may be with several radios. */
export function identityFindings(all: readonly Identity[]): IdentityFinding[] {
  const holders = new Map<string, string[]>();
  const findings: IdentityFinding[] = [];
  for (const { id, kind, of, value } of all) {
    if (kind !== "digital" || value === undefined) continue;
    const digits = digitsOf(value);
    holders.set(digits, [...(holders.get(digits) ?? []), of]);
    if (!/^\d+$/.test(digits) || !ID_DIGITS.some((length) => length === digits.length))
      findings.push({ kind: "length", id, value, digits: digits.length });
  }
  for (const [value, of] of holders)
    if (new Set(of).size > 1) findings.push({ kind: "twice", value, of: [...new Set(of)] });
  return findings;
}
