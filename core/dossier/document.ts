// A dossier as one document that clubs can exchange: our own open format. The Zod shape is the format.
import { z } from "zod";
import { modeShape } from "../modes/index.ts";
import { bad, good, type PlainDate, plainDate, type Result, sourceShape } from "../quantities/index.ts";
import {
  conditionsShape,
  fileShape,
  fixShape,
  isAhead,
  partName,
  releaseShape,
  withdrawalShape,
} from "../release/index.ts";
import { numberingShape, rangeShape } from "../version/index.ts";
import { identityShape, partReadingShape } from "./identity.ts";
import { BODIES } from "./layout.ts";
import { isGuarded, procedureShape } from "./procedure.ts";
import { serialRangeShape } from "./serial.ts";
import { codeShape, settingShape } from "./service.ts";

const releaseDocument = z.strictObject({
  ...releaseShape.shape,
  withdrawn: withdrawalShape.strict().optional(),
  fixes: z.array(fixShape.strict()).max(200).default([]),
  source: sourceShape.strict().optional(),
  conditions: conditionsShape.strict().optional(),
  file: fileShape.strict().optional(),
});

const quirkShape = z.strictObject({
  symptom: z.string().min(1).max(500),
  cause: z.string().max(1000).default(""),
  cure: z.string().max(1000).default(""),
  firmware: z.strictObject({ component: z.string().max(80), range: rangeShape }).optional(),
  source: sourceShape.strict(),
});

/** A mode; the procedures that lead in and out by their titles. Since version 2. */
const modeDocument = modeShape
  .extend({
    enter: z.string().max(120).optional(),
    leave: z.string().max(120).optional(),
    source: sourceShape.strict(),
  })
  .strict();

/** What a service menu holds, and the codes that radio and tool agree on. Since version 3. */
const settingDocument = settingShape.extend({ source: sourceShape.strict() }).strict();
const codeDocument = codeShape.extend({ source: sourceShape.strict() }).strict();

/** Signs of a document at most. */
export const LONGEST_DOSSIER = 4 * 1024 * 1024;

export const FORMAT = "mossy-cabinet/dossier";
/** 1 had no modes, 2 no service settings and codes, 3 nothing of Bluetooth; they are read as ones that know none. */
export const FORMAT_VERSION = 4;
const READ_TOO: readonly (readonly [version: number, lacks: readonly string[]])[] = [
  [1, ["modes", "settings", "codes"]],
  [2, ["settings", "codes"]],
  [3, []],
];

export const dossierDocument = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(FORMAT_VERSION),
  /** The club that wrote it. */
  from: z.string().min(1).max(200),
  writtenOn: plainDate,
  model: z.strictObject({
    maker: z.string().max(80),
    name: z.string().min(1).max(80),
    kind: z.enum(BODIES),
    note: z.string().max(2000).default(""),
    suffixes: z.array(z.string().max(40)).max(100).default([]),
    hardwareRevisions: z
      .array(
        z.strictObject({
          name: z.string().min(1).max(200),
          howToTell: z.string().max(1000).default(""),
          serials: z.array(serialRangeShape.strict()).max(50).default([]),
        }),
      )
      .max(200)
      .default([]),
    identity: identityShape.strict(),
  }),
  components: z
    .array(
      z.strictObject({
        name: partName,
        numbering: numberingShape.optional(),
        reading: partReadingShape.strict(),
        releases: z.array(releaseDocument).max(5000).default([]),
      }),
    )
    .min(1)
    .max(20),
  procedures: z
    .array(
      procedureShape.extend({ source: sourceShape.strict(), draft: z.boolean().default(false) }).strict(),
    )
    .max(500)
    .default([]),
  quirks: z.array(quirkShape).max(500).default([]),
  modes: z.array(modeDocument).max(60).default([]),
  settings: z.array(settingDocument).max(200).default([]),
  codes: z.array(codeDocument).max(60).default([]),
});

export type Dossier = z.output<typeof dossierDocument>;
export type DossierRelease = Dossier["components"][number]["releases"][number];

/** The same for those who may not see how a radio is unlocked: without those procedures, the settings that stand for them, and the service menu. */
export const withoutGuarded = (dossier: Dossier): Dossier => ({
  ...dossier,
  procedures: dossier.procedures.filter((one) => !isGuarded(one)),
  modes: dossier.modes.map(({ setting: _, ...mode }) => mode),
  settings: [],
  codes: [],
});

export type DocumentProblem =
  | { readonly kind: "not-json" }
  | { readonly kind: "other-format" }
  | { readonly kind: "other-version"; readonly version: string }
  | { readonly kind: "wrong"; readonly at: string; readonly message: string }
  /** A withdrawal that lies ahead of today; `releases` as "part version". */
  | { readonly kind: "withdrawn-ahead"; readonly releases: readonly string[] };

export type ReadDossier = {
  readonly dossier: Dossier /** Fields we do not know, left out. */;
  readonly unknown: readonly string[];
};

/**
 * Reads a document. Fields that the format does not have are left out and named.
 * Problems: `not-json`, `other-format`, `other-version`, `wrong` (where, and what was expected),
 * `withdrawn-ahead`.
 */
export function readDossier(text: string, today: PlainDate): Result<ReadDossier, DocumentProblem> {
  const raw = parseJson(text);
  if (raw === undefined) return bad({ kind: "not-json" });
  const head = z.looseObject({ format: z.literal(FORMAT), version: z.unknown() }).safeParse(raw);
  if (!head.success) return bad({ kind: "other-format" });
  const older = READ_TOO.find(([version]) => version === Number(head.data.version));
  if (older)
    Object.assign(raw as object, {
      ...Object.fromEntries(older[1].map((part) => [part, []])),
      version: FORMAT_VERSION,
    });
  else if (head.data.version !== FORMAT_VERSION) {
    return bad({ kind: "other-version", version: String(head.data.version).slice(0, 20) });
  }
  const unknown: string[] = [];
  let parsed = dossierDocument.safeParse(raw);
  for (let again = 0; !parsed.success && again < 20; again++) {
    const extra = parsed.error.issues.filter((issue) => issue.code === "unrecognized_keys");
    if (extra.length === 0) break;
    for (const issue of extra) {
      const at = issue.path.reduce<unknown>(
        (value, key) => (value as Record<PropertyKey, unknown>)?.[key],
        raw,
      );
      for (const key of issue.keys) {
        unknown.push([...issue.path, key].join("."));
        delete (at as Record<string, unknown>)[key];
      }
    }
    parsed = dossierDocument.safeParse(raw);
  }
  if (parsed.success) {
    const releases = parsed.data.components.flatMap((part) =>
      part.releases.filter((r) => isAhead(r.withdrawn, today)).map((r) => `${part.name} ${r.version}`),
    );
    if (releases.length > 0) return bad({ kind: "withdrawn-ahead", releases });
    return good({ dossier: parsed.data, unknown });
  }
  const [first] = parsed.error.issues;
  return bad({ kind: "wrong", at: first?.path.join(".") ?? "", message: first?.message ?? "" });
}

function parseJson(text: string): unknown {
  try {
    // The byte zero is no text, and no database keeps it.
    const value: unknown = JSON.parse(text, (_, told) =>
      typeof told === "string" ? told.replaceAll("\0", "") : told,
    );
    return typeof value === "object" && value !== null ? value : undefined;
  } catch {
    return undefined;
  }
}
