// Needs of the whole radio, which hang on no release: its backup, its mode, its measurement, what it is paired with, its codeplug, its identities.
import { classOf, exceedsOn, type ModeFacts, modeStanding } from "../modes/standing.ts";
import { daysAfter, laterOf } from "../quantities/date.ts";
import type { Catalogue } from "../release/catalogue.ts";
import type { Fact } from "../unit/facts.ts";
import type { Policy } from "../unit/policy.ts";
import type { UnitFacts } from "../unit/unit.ts";
import { NONE, pastHolds } from "./holds.ts";
import type { Need } from "./need.ts";

/** Those that are of the whole radio and hang on no release: its backup, its mode, its measurement, what it is paired with, its codeplug, its identities. */
export function needsOfWhole(unit: UnitFacts, catalogue: Catalogue, policy: Policy): Need[] {
  const { backup: kept, mode, unpaired, codeplug, awaited } = unit;
  if (!kept && !mode && !unpaired && !codeplug && !awaited && !policy.measure) return [];
  const backup = backupNeed(unit, catalogue, policy);
  const measurement = measurementNeed(unit, catalogue, policy);
  return [
    ...(backup ? [backup] : []),
    ...modeNeeds(unit, catalogue, policy),
    ...(measurement ? [measurement] : []),
    ...pairingNeeds(unit, catalogue, policy),
    ...codeplugNeeds(unit, catalogue, policy),
    ...identityNeeds(unit, catalogue, policy),
  ];
}

/** Where its group carries the plan: from the day on which that counts, until it is in. It stands with the first component. */
function codeplugNeeds(unit: UnitFacts, catalogue: Catalogue, policy: Policy): Need[] {
  const [component] = catalogue.keys();
  const { codeplug } = unit;
  if (component === undefined || !codeplug || policy.codeplug !== "plan") return [];
  const need: Need = {
    ...{ unit: unit.id, kind: "codeplug", component, cause: "not-the-plan", urgency: "routine" },
    ...{ dueFrom: laterOf(codeplug.since, unit.addedOn), targets: NONE },
    because: [{ kind: "codeplug", ...codeplug }],
  };
  return [pastHolds(need, unit, policy)];
}

/** One for all that have not arrived: at once while one was not asked for, else from the day after the first should have come. */
function identityNeeds(unit: UnitFacts, catalogue: Catalogue, policy: Policy): Need[] {
  const [component] = catalogue.keys();
  const due = (unit.awaited ?? []).flatMap((one) => {
    if (one.askedOn === undefined) return [{ one, from: one.since }];
    const from = one.by && daysAfter(one.by, 1);
    return from?.ok ? [{ one, from: from.value }] : [];
  });
  const dueFrom = due.map(({ from }) => from).sort()[0];
  if (component === undefined || dueFrom === undefined) return [];
  const need: Need = {
    ...{ unit: unit.id, kind: "identity", component, cause: "no-identity", urgency: "routine" },
    ...{ dueFrom, targets: NONE },
    because: due.map(({ one: { what, askedOn, by } }) => ({
      ...{ kind: "identity" as const, what },
      ...(askedOn && { askedOn }),
      ...(by && { by }),
    })),
  };
  return [pastHolds(need, unit, policy)];
}

/** One for all devices with which it holds no more, from the first day on which one of them did not. It stands with the first component. */
function pairingNeeds(unit: UnitFacts, catalogue: Catalogue, policy: Policy): Need[] {
  const [component] = catalogue.keys();
  const broken = [...(unit.unpaired ?? [])].sort((a, b) =>
    a.on === b.on ? (a.device < b.device ? -1 : 1) : a.on < b.on ? -1 : 1,
  );
  const [first] = broken;
  if (component === undefined || !first) return [];
  const need: Need = {
    ...{ unit: unit.id, kind: "pairing", component, cause: "unpaired", urgency: "routine" },
    ...{ dueFrom: first.on, targets: NONE },
    because: broken.map(({ device, why, on }) => ({ kind: "pairing" as const, device, why, on })),
  };
  return [pastHolds(need, unit, policy)];
}

/**
 * One for each stretch of days on which it transmits where its user, or its group, should not: a band plan changes on its days. It stands
 * with the first component.
 */
function modeNeeds(unit: UnitFacts, catalogue: Catalogue, policy: Policy): Need[] {
  const [component] = catalogue.keys();
  const { mode } = unit;
  if (component === undefined || !mode || !policy.transmit) return [];
  const facts = {
    ...{ modes: [mode.now], now: mode.now.id, policy: policy.transmit, plan: mode.plan },
    holder: mode.holder,
  };
  return exceedsOn(facts, mode.on).map(({ from, to }) => {
    const standing = modeStanding(facts, from);
    const because: Fact[] = [
      { kind: "in-mode", mode: mode.now.name, on: mode.on },
      allowedBy(facts),
      ...(standing.kind === "exceeds" && standing.excess[0]
        ? [{ kind: "beyond" as const, ...standing.excess[0], width: standing.width }]
        : []),
    ];
    const need: Need = {
      ...{ unit: unit.id, kind: "mode", component, cause: "transmits-beyond", urgency: "fix" },
      ...{ dueFrom: from, ...(to && { dueTo: to }), targets: NONE, because },
    };
    return pastHolds(need, unit, policy);
  });
}

/** Where the group asks for one: once it is so old, or a flash lies behind it; at once for what was never measured. */
function measurementNeed(unit: UnitFacts, catalogue: Catalogue, policy: Policy): Need | undefined {
  const [component] = catalogue.keys();
  const { measured } = unit;
  if (component === undefined || !policy.measure) return undefined;
  const { everyDays, afterFlash } = policy.measure;
  const old = measured && everyDays !== undefined ? daysAfter(measured.on, everyDays) : undefined;
  const flashed =
    afterFlash && measured?.flashedOn !== undefined && measured.flashedOn > measured.on
      ? measured.flashedOn
      : undefined;
  const days = [...(old?.ok ? [old.value] : []), ...(flashed ? [flashed] : [])].sort();
  const dueFrom = measured ? days[0] : unit.addedOn;
  if (dueFrom === undefined) return undefined;
  const because: Fact[] = [
    { kind: "measured", ...(measured && { on: measured.on }), ...(everyDays !== undefined && { everyDays }) },
    ...(flashed ? [{ kind: "flashed-since" as const, on: flashed }] : []),
  ];
  const need: Need = {
    ...{ unit: unit.id, kind: "measurement", component, cause: "unmeasured", urgency: "routine" },
    ...{ dueFrom, targets: NONE, because },
  };
  return pastHolds(need, unit, policy);
}

function allowedBy({ policy, holder }: Pick<ModeFacts, "policy" | "holder">): Fact {
  if (policy.rule === "legacy") return { kind: "allowed-by", of: "approval" };
  const own = classOf({ policy, holder });
  return {
    ...{ kind: "allowed-by", of: holder ? "holder" : "group" },
    ...(own !== undefined && { class: own }),
  };
}

/**
 * One that was read out before and flashed on a later day is to be read out again. Of one that was never kept nothing is said: with nothing
 * to compare, nobody knows whether anything would be lost. It stands with the first component.
 */
function backupNeed(unit: UnitFacts, catalogue: Catalogue, policy: Policy): Need | undefined {
  const [component] = catalogue.keys();
  const { backup } = unit;
  if (component === undefined || backup?.writtenOn === undefined || backup.writtenOn <= backup.on)
    return undefined;
  const because: Fact[] = [
    { kind: "backed-up", on: backup.on },
    { kind: "written-since", on: backup.writtenOn },
  ];
  const need: Need = {
    ...{ unit: unit.id, kind: "backup", component, cause: "written-since-backup", urgency: "routine" },
    ...{ dueFrom: backup.writtenOn, targets: NONE, because },
  };
  return pastHolds(need, unit, policy);
}
