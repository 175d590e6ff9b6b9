// How tries went, as forms tell it, and the last ones with a thing.
import { noteTry as note } from "#acts/kit/note-try.ts";
import { strikeTry } from "#acts/kit/strike-try.ts";
import { triesWith } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import type { SignedIn } from "../../context.ts";
import { performForm } from "../../forms/perform.server.ts";
import { refusalOf } from "../refusals.server.ts";

/** Notes a try with what it was tried on as that stands now. */
export async function noteTry(who: SignedIn, unit: string | null, form: FormData) {
  const worked = form.get("worked");
  const done = await performForm(note, who, form, {
    unit: unit ?? undefined,
    worked: worked === "yes" ? true : worked === "no" ? false : undefined,
  });
  if (done.ok) {
    const { what } = done.value.answer;
    return {
      ok: true,
      says: worked === "yes" ? `Noted: it worked with ${what}.` : `Noted: it failed with ${what}.`,
    };
  }
  const { says } = refusalOf(done.problem, { "not-in-kit": "What was tried is not in the kit any more." });
  return { ok: false, says };
}

const SHOWN = 12;
const WITH_TRIES: Readonly<Record<string, "lead" | "computer" | "tool" | undefined>> = {
  leads: "lead",
  computers: "computer",
  tools: "tool",
};

/** The last tries with a thing of the kit, as its page shows them. */
export async function triesOf(tx: Tx, kind: string, id: string) {
  const what = WITH_TRIES[kind];
  if (!what) return [];
  return (await triesWith(tx, what, id, SHOWN)).map(
    ({ lead, computer, tool, tag, struck_why, at, ...row }) => ({
      ...row,
      what: `${[lead ?? "straight in", computer, tool].filter(Boolean).join(", ")}${tag ? `, at ${tag}` : ""}`,
      at: at.toISOString(),
      struck: struck_why,
    }),
  );
}

/** Strikes a try of a thing; answers what is wrong, if something is. */
export async function strike(who: SignedIn, what: string, form: FormData): Promise<string | undefined> {
  const done = await performForm(strikeTry, who, form, { with: what });
  if (done.ok) return undefined;
  return refusalOf(done.problem, { struck: "That try is struck already." }).says;
}
