// The typed steps of procedures, and the short language in which they are written: one line a step.
import { z } from "zod";
import { bad, good, type Result } from "../quantities/index.ts";
import { keyName } from "./layout.ts";

const text = z.string().trim().min(1).max(300);
const keys = z.array(keyName).min(1).max(8);
const seconds = z.number().int().min(1).max(7200);

/** What should be seen and heard. */
export const signsShape = z
  .object({ lamp: text, screen: text, sound: text })
  .partial()
  .refine((signs) => Object.values(signs).some((sign) => sign !== undefined), "Say what is seen or heard.");
export type Signs = z.infer<typeof signsShape>;

export const stepShape = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("hold"),
    keys,
    /** What is done while they are held. */
    turn: z.enum(["on", "off"]).optional(),
    seconds: seconds.optional(),
    signs: signsShape.optional(),
  }),
  z.object({ kind: z.literal("turn"), to: z.enum(["on", "off"]) }),
  z.object({ kind: z.literal("press"), keys }),
  z.object({ kind: z.literal("menu"), path: z.array(text).min(1).max(8) }),
  z.object({ kind: z.literal("connect"), what: text }),
  z.object({ kind: z.literal("watch"), signs: signsShape, seconds: seconds.optional() }),
  z.object({ kind: z.literal("wait"), seconds }),
  z.object({ kind: z.literal("port"), hint: text }),
  z.object({ kind: z.literal("file"), hint: text }),
  z.object({ kind: z.literal("tool"), name: text, act: text.optional() }),
  z.object({ kind: z.literal("confirm"), what: text }),
  z.object({ kind: z.literal("key-up"), what: text }),
  z.object({ kind: z.literal("note"), what: text }),
]);
export type Step = z.infer<typeof stepShape>;
export type StepKind = Step["kind"];

export type StepProblem =
  | { readonly kind: "unknown-step"; readonly word: string }
  | { readonly kind: "step-incomplete"; readonly step: StepKind; readonly expected: string };

const EXPECTED: Record<StepKind, string> = {
  hold: "hold talk + 5, turn on, 3 s; lamp amber; screen dark",
  turn: "turn on",
  press: "press menu, up, ok",
  menu: "menu Settings > About > Version",
  connect: "connect the data lead to the side plug",
  watch: "watch lamp amber; screen dark; 10 s",
  wait: "wait 20 s",
  port: "port the one that appears when the lead is plugged in",
  file: "file the one named like the release",
  tool: "tool Hedgewriter: write",
  confirm: "confirm the screen shows the new version",
  "key-up": "key up on 145.500 MHz into a dummy load",
  note: "note the screen stays dark for a while",
};

/** An example of each kind of step, as it is written. */
export const STEP_EXAMPLES: readonly string[] = Object.values(EXPECTED);

/**
 * Reads one line. The first word says the kind; "hold" and "watch" take their parts after commas or semicolons.
 * Problems: `unknown-step` with the word, `step-incomplete` with an example of what was expected.
 */
export function parseStep(line: string): Result<Step, StepProblem> {
  const clean = line.replace(/\s+/g, " ").trim();
  const words = /^(key up|\S+)(?: (.*))?$/i.exec(clean);
  const word = (words?.[1] ?? "").toLowerCase();
  const rest = words?.[2] ?? "";
  const kind =
    word === "key up"
      ? "key-up"
      : stepShape.options.find((o) => o.shape.kind.value === word)?.shape.kind.value;
  if (!kind) return bad({ kind: "unknown-step", word: word.slice(0, 40) });
  const parsed = stepShape.safeParse(readStep(kind, rest));
  if (parsed.success) return good(parsed.data);
  return bad({ kind: "step-incomplete", step: kind, expected: EXPECTED[kind] });
}

const parted = (text: string, by: RegExp): string[] =>
  text
    .split(by)
    .map((part) => part.trim())
    .filter(Boolean);

/** Parts end at a semicolon, or at a comma before what can only be a new part: "screen red, then dark" is one. */
const PART_END =
  /;|,(?= *(?:lamp |screen |sound |turn o(?:n|ff)\b|\d+ ?(?:s|sec|seconds?|min|minutes?)(?:[ ,;]|$)))/i;

function readStep(kind: StepKind, rest: string): Record<string, unknown> {
  switch (kind) {
    case "hold":
      return readHold(rest);
    case "turn":
      return { kind, to: rest.toLowerCase() };
    case "press":
      return { kind, keys: parted(rest, /,/) };
    case "menu":
      return { kind, path: parted(rest, />/) };
    case "watch": {
      const { signs, seconds: time, unread } = readParts(parted(rest, PART_END));
      return {
        kind,
        signs: unread.length > 0 ? undefined : signs,
        ...(time !== undefined && { seconds: time }),
      };
    }
    case "wait":
      return { kind, seconds: readSeconds(rest) };
    case "port":
    case "file":
      return { kind, hint: rest };
    case "tool": {
      const [name = "", ...act] = rest.split(":");
      return { kind, name, ...(act.join(":").trim() !== "" && { act: act.join(":") }) };
    }
    case "connect":
    case "confirm":
    case "key-up":
    case "note":
      return { kind, what: rest };
  }
}

function readHold(rest: string): Record<string, unknown> {
  const [held = "", ...more] = parted(rest, PART_END);
  const { signs, seconds: time, turn, unread } = readParts(more);
  return {
    kind: "hold",
    keys: unread.length > 0 ? [] : parted(held, /\+/),
    ...(turn && { turn }),
    ...(time !== undefined && { seconds: time }),
    ...(Object.keys(signs).length > 0 && { signs }),
  };
}

function readParts(parts: readonly string[]) {
  const signs: Record<string, string> = {};
  const unread: string[] = [];
  let time: number | undefined;
  let turn: string | undefined;
  for (const part of parts) {
    const sign = /^(lamp|screen|sound) (.+)$/i.exec(part);
    const turned = /^turn (on|off)$/i.exec(part);
    const spent = readSeconds(part);
    if (sign?.[1] && sign[2]) signs[sign[1].toLowerCase()] = sign[2];
    else if (turned?.[1]) turn = turned[1].toLowerCase();
    else if (spent !== undefined) time = spent;
    else unread.push(part);
  }
  return { signs, seconds: time, turn, unread };
}

function readSeconds(part: string): number | undefined {
  const time = /^(\d{1,5}) ?(s|sec|seconds?|min|minutes?)$/i.exec(part);
  if (!time?.[1] || !time[2]) return undefined;
  return Number(time[1]) * (time[2].toLowerCase().startsWith("m") ? 60 : 1);
}

/** The line that reads back as the same step. */
export function stepText(step: Step): string {
  switch (step.kind) {
    case "hold":
      return [
        `hold ${step.keys.join(" + ")}`,
        step.turn && `, turn ${step.turn}`,
        step.seconds !== undefined && `, ${timeText(step.seconds)}`,
        ...signsText(step.signs).map((sign) => `; ${sign}`),
      ]
        .filter(Boolean)
        .join("");
    case "turn":
      return `turn ${step.to}`;
    case "press":
      return `press ${step.keys.join(", ")}`;
    case "menu":
      return `menu ${step.path.join(" > ")}`;
    case "watch":
      return `watch ${[...signsText(step.signs), ...(step.seconds !== undefined ? [timeText(step.seconds)] : [])].join("; ")}`;
    case "wait":
      return `wait ${timeText(step.seconds)}`;
    case "port":
    case "file":
      return `${step.kind} ${step.hint}`;
    case "tool":
      return `tool ${step.name}${step.act ? `: ${step.act}` : ""}`;
    case "connect":
    case "confirm":
    case "note":
      return `${step.kind} ${step.what}`;
    case "key-up":
      return `key up ${step.what}`;
  }
}

const signsText = (signs: Signs | undefined): string[] =>
  (["lamp", "screen", "sound"] as const).flatMap((of) => (signs?.[of] ? [`${of} ${signs[of]}`] : []));

const timeText = (time: number): string => (time % 60 === 0 ? `${time / 60} min` : `${time} s`);
