// Takes a club's document and says what came of it.
import { bringClubBack } from "#acts/club/bring-club-back.ts";
import type { SignedIn } from "../context.ts";
import { NOT_WHOLE, performForm } from "../forms/perform.server.ts";
import { counted } from "../ui/words/count.ts";

type Saying = { readonly ok: boolean; readonly says: string };
const refused = (says: string): Saying => ({ ok: false, says });

export async function takeDocument(who: SignedIn, form: FormData): Promise<Saying> {
  const file = form.get("file");
  if (!(file instanceof File) || file.size === 0)
    return refused("Choose the document of a club, a JSON file.");
  const done = await performForm(bringClubBack, who, form, { text: await file.text() });
  if (done.ok) {
    const { rows, filesMissing } = done.value.answer;
    const missing = filesMissing > 0 ? ` ${counted(filesMissing, "file")} were not in it.` : "";
    return { ok: true, says: `The club is back: ${counted(rows, "row")}.${missing}` };
  }
  const { problem } = done;
  switch (problem.kind) {
    case "too-many-rows":
      return refused(
        `That is more than a document may hold (${counted(problem.rows, "row")}); use ./restore for it.`,
      );
    case "no-document":
      return refused(
        `That is no document of a club: ${problem.at ? `at ${problem.at.slice(0, 80)}, ` : ""}${problem.says}.`,
      );
    case "newer":
      return refused(
        "This document was made by a newer version of Mossy Cabinet. Bring this one up to date first.",
      );
    case "not-empty":
      return refused(
        "There is something in this club already, and a document is never laid over it. Found a new club for it, or use ./restore.",
      );
    case "unfit":
      return refused(`Something in it does not fit together, and nothing was changed: ${problem.why}`);
    case "input":
    case "no-key":
      return refused(NOT_WHOLE);
  }
}
