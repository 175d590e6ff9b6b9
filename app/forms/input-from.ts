// What a form holds of an act's input: each field under its own name, by what its shape takes.
import type { z } from "zod";

/**
 * The fields of an act's input as a form holds them: texts as typed (of what may be missing, nothing typed is nothing), numbers with either decimal
 * sign, boxes that are ticked or not, lists of what was picked. What is neither (a part of another shape) is left to whoever asks.
 */
export function inputFrom(form: FormData, shape: z.ZodType): Record<string, unknown> {
  const { def } = shape as unknown as { readonly def: Def };
  if (def.type !== "object") return {};
  return Object.fromEntries(
    Object.entries(def.shape).flatMap(([name, field]) => {
      const kind = kindOf(field);
      return kind === undefined ? [] : [[name, fieldValue(form, name, kind, field)] as const];
    }),
  );
}

type Kind = "text" | "number" | "tick" | "texts";

/** What a shape takes, without what may be around it; undefined for what no field of a form holds by itself. */
function kindOf(shape: z.ZodType): Kind | undefined {
  const { def } = shape as unknown as { readonly def: Def };
  switch (def.type) {
    case "string":
    case "enum":
      return "text";
    case "literal":
      return def.values.every((value) => typeof value === "string") ? "text" : undefined;
    case "number":
      return "number";
    case "boolean":
      return "tick";
    case "array":
      return kindOf(def.element) === "text" ? "texts" : undefined;
    case "optional":
    case "nullable":
    case "default":
    case "prefault":
    case "readonly":
      return kindOf(def.innerType);
    case "pipe":
      return kindOf(def.in);
    default:
      return undefined;
  }
}

function fieldValue(form: FormData, name: string, kind: Kind, shape: z.ZodType): unknown {
  if (kind === "texts") return form.getAll(name).filter((one) => typeof one === "string");
  const value = form.get(name);
  const text = typeof value === "string" ? value : undefined;
  const mayMiss = shape.safeParse(undefined).success;
  switch (kind) {
    case "text":
      return mayMiss ? text || undefined : (text ?? "");
    case "tick":
      return text === "on" || text === "yes" || text === "true";
    case "number":
      return text === undefined || text.trim() === "" ? undefined : Number(text.trim().replace(",", "."));
  }
}

type Def =
  | { readonly type: "object"; readonly shape: Readonly<Record<string, z.ZodType>> }
  | { readonly type: "array"; readonly element: z.ZodType }
  | { readonly type: "literal"; readonly values: readonly unknown[] }
  | { readonly type: "pipe"; readonly in: z.ZodType }
  | {
      readonly type: "optional" | "nullable" | "default" | "prefault" | "readonly";
      readonly innerType: z.ZodType;
    }
  | { readonly type: "string" | "enum" | "number" | "boolean" | "union" };
