// The demo's models with their parts and releases, laid into a club.
import { createHash } from "node:crypto";
import { parseSerials } from "#core/dossier/index.ts";
import { addDays, mustGet, type PlainDate, type Result } from "#core/quantities/index.ts";
import { type Conditions, conditionsShape } from "#core/release/index.ts";
import { type Policy, policyShape } from "#core/unit/index.ts";
import { parseRange } from "#core/version/index.ts";
import { addRelease, withdrawRelease } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { keepFile } from "#db/run/index.ts";
import * as seed from "#db/seed.ts";
import { firmwareImage, imageName } from "#simulators/firmware.ts";
import type { GROUPS } from "./data/club.ts";
import { type DemoConditions, type DemoRelease, MODELS } from "./data/models.ts";

type LaidModel = {
  readonly id: string;
  readonly revisions: ReadonlyMap<string, string>;
  readonly components: ReadonlyMap<
    string,
    { readonly id: string; readonly releases: { id: string; version: string }[] }
  >;
};
export type Laid = ReadonlyMap<string, LaidModel>;

export async function layModels(tx: Tx, ago: (days: number) => PlainDate, keeper: string): Promise<Laid> {
  const laid = new Map<string, LaidModel>();
  for (const { components, revisions = [], suffixes = [], ...model } of MODELS) {
    const id = await seed.seedModel(tx, { ...model, suffixes });
    const revisionIds = new Map<string, string>();
    for (const revision of revisions)
      revisionIds.set(
        revision.name,
        await seed.seedRevision(tx, id, { ...revision, serials: must(parseSerials(revision.serials)) }),
      );
    const laidComponents = new Map<string, { id: string; releases: { id: string; version: string }[] }>();
    for (const [position, { name, numbering, releases }] of components.entries()) {
      const component = await seed.seedComponent(tx, { model: id, name, position, numbering, by: keeper });
      const laidReleases: { id: string; version: string }[] = [];
      for (const release of releases) {
        laidReleases.push(
          await layRelease(tx, { model: model.name, part: name }, component, release, ago, revisionIds),
        );
      }
      laidComponents.set(name, { id: component, releases: laidReleases });
    }
    laid.set(model.name, { id, revisions: revisionIds, components: laidComponents });
  }
  return laid;
}

async function layRelease(
  tx: Tx,
  names: { model: string; part: string },
  component: string,
  release: DemoRelease,
  ago: (days: number) => PlainDate,
  revisions: ReadonlyMap<string, string>,
) {
  const releasedOn = ago(release.ago);
  const [year = "", month = "", day = ""] = releasedOn.split("-");
  const version = release.version
    .replace("{yyyymmdd}", `${year}${month}${day}`)
    .replace("{ddmmyy}", `${day}${month}${year.slice(2)}`);
  const image = firmwareImage(names.model, names.part, version);
  const sha256 = createHash("sha256").update(image).digest("hex");
  const name = imageName(names.model, names.part, version);
  // The club keeps the makers' files; of community firmware it knows the hash alone.
  if (release.track !== "community") await keepFile(tx, sha256, image);
  const id = await addRelease(tx, {
    file: { sha256, size: image.length, name },
    component,
    version,
    aliases: release.aliases ?? [],
    track: release.track ?? "factory",
    releasedOn,
    hardwareRevisions: release.revisions?.map((name) => mustGet(revisions, name)),
    regions: release.regions,
    fixes: (release.fixes ?? []).map(([tag, urgency, text]) => ({ tag, urgency, text })),
    notes: release.notes ?? "",
    source: release.source,
    ...(release.when && { conditions: conditionsOf(release.when) }),
  });
  if (release.withdrawn)
    await withdrawRelease(tx, id, { on: ago(release.withdrawn.ago), why: release.withdrawn.why });
  return { id, version };
}

export function must<Value>(read: Result<Value, { kind: string }>): Value {
  if (!read.ok)
    throw new Error(`the demo has something that cannot be read: ${JSON.stringify(read.problem)}`);
  return read.value;
}

function conditionsOf({ from, requires, tool, ...rest }: DemoConditions): Conditions {
  const range = (text: string) => must(parseRange(text));
  return conditionsShape.parse({
    ...rest,
    ...(from && { from: range(from) }),
    ...(requires && { requires: requires.map(([component, text]) => ({ component, range: range(text) })) }),
    ...(tool && { tool: { name: tool[0], ...(tool[1] && { range: range(tool[1]) }) } }),
  });
}

export function realPolicy(
  policy: (typeof GROUPS)[number]["policy"],
  catalogue: Laid,
  today: PlainDate,
): Policy {
  const { rule, hold, ...rest } = policy;
  return policyShape.parse({
    ...rest,
    rule:
      "pinned" in rule
        ? { kind: "pinned", releases: [releaseByPath(catalogue, rule.pinned)], otherwise: { kind: "newest" } }
        : rule,
    ...(hold && { hold: { until: addDays(today, hold.inDays), why: hold.why } }),
  });
}

export function releaseByPath(catalogue: Laid, path: string): string {
  const [model = "", component = "", version = ""] = path.split("/");
  const found = catalogue
    .get(model)
    ?.components.get(component)
    ?.releases.find((r) => r.version === version);
  if (!found) throw new Error(`the demo has no release ${path}`);
  return found.id;
}
