// Whether a tool on a computer can do a job: it runs there, knows the model, and is installed in a version that serves.
import type { Range } from "../../version/index.ts";
import type { Computer, Job, Tool } from "../shapes.ts";
import { inRange, someVersionIn } from "./versions.ts";

export type ToolBreak =
  | { readonly kind: "tool-missing"; readonly tool: string; readonly ranges: readonly Range[] }
  | {
      readonly kind: "tool-other";
      readonly tool: string;
      readonly has: string;
      readonly ranges: readonly Range[];
    }
  | { readonly kind: "tool-system"; readonly tool: string }
  /** The firmware that the radio runs is not one this tool can speak to. */
  | { readonly kind: "tool-firmware"; readonly tool: string };

export type ToolChange = {
  readonly kind: "put-tool";
  readonly computer: string;
  readonly tool: string;
  readonly ranges: readonly Range[];
  readonly had?: string;
};

export type ToolVerdict = {
  readonly tool: string;
  /** Untried: nobody has noted where it runs, or whether its version goes with the firmware. */
  readonly state: "sound" | "untried" | "broken";
  readonly version?: string;
  readonly breaks: readonly ToolBreak[];
  readonly changes?: readonly ToolChange[];
};

export const TOOL_MINUTES = { put: 15, replace: 8 } as const;

/** How long it takes to install a tool or to change its version, in minutes. */
export const toolMinutes = (change: ToolChange): number =>
  change.had === undefined ? TOOL_MINUTES.put : TOOL_MINUTES.replace;

const folded = (text: string) => text.normalize("NFKC").trim().toLowerCase();

/** The tools that know a job's model and operation, and are the one that the release asks for, if it asks for one. */
export const toolsFor = (job: Job, tools: readonly Tool[]): Tool[] =>
  tools.filter(
    (tool) =>
      (job.tool === undefined || folded(job.tool.name) === folded(tool.name)) &&
      tool.supports.some((s) => s.model === job.model && s.operations.includes(job.operation)),
  );

/** How a tool of `toolsFor` stands on a computer, by whichever of its supports is nearest to serving. */
export function toolVerdict(tool: Tool, computer: Computer, job: Job): ToolVerdict {
  const supports = tool.supports.filter((s) => s.model === job.model && s.operations.includes(job.operation));
  const verdicts = supports.map((support): ToolVerdict => {
    const runs = tool.runsOn.filter(
      (on) =>
        on.system === computer.system &&
        inRange(computer.version, on.versions) &&
        (on.bits === undefined || on.bits === computer.bits),
    );
    if (tool.runsOn.length > 0 && runs.length === 0) {
      return { tool: tool.id, state: "broken", breaks: [{ kind: "tool-system", tool: tool.id }] };
    }
    if (support.firmware && job.meets?.(support.firmware.component, support.firmware.range) === false) {
      return { tool: tool.id, state: "broken", breaks: [{ kind: "tool-firmware", tool: tool.id }] };
    }
    const ranges = [support.versions, job.tool?.range].filter((range) => range !== undefined);
    const has = computer.tools.get(tool.id);
    if (has !== undefined && ranges.every((range) => inRange(has, range))) {
      const blind =
        tool.runsOn.length === 0 || (tool.matchesFirmware && job.operation !== "read" && !job.tool?.range);
      return { tool: tool.id, state: blind ? "untried" : "sound", version: has, breaks: [], changes: [] };
    }
    const breaks: ToolBreak[] = [
      has === undefined
        ? { kind: "tool-missing", tool: tool.id, ranges }
        : { kind: "tool-other", tool: tool.id, has, ranges },
    ];
    if (someVersionIn(ranges) === undefined) return { tool: tool.id, state: "broken", breaks };
    const change = {
      kind: "put-tool",
      computer: computer.id,
      tool: tool.id,
      ranges,
      ...(has && { had: has }),
    } as const;
    return { tool: tool.id, state: "broken", ...(has && { version: has }), breaks, changes: [change] };
  });
  const rank = (v: ToolVerdict) =>
    v.breaks.length === 0 ? (v.state === "sound" ? 0 : 1) : v.changes ? 2 : 3;
  const [best] = verdicts.sort((a, b) => rank(a) - rank(b));
  return best ?? { tool: tool.id, state: "broken", breaks: [] };
}
