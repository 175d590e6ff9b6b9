// Takes a club's document and says what came of it.
import { bringClubBack } from "#acts/club/bring-club-back.ts";
import type { SignedIn } from "../context.ts";
import { performForm } from "../forms/perform.server.ts";
import { refusalOf } from "../shared/refusals.server.ts";
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
  const { says } = refusalOf(done.problem, {
    "too-many-rows": ({ rows }) =>
      `That is more than a document may hold (${counted(rows, "row")}); use ./restore for it.`,
    "no-document": ({ at, says }) =>
      `That is no document of a club: ${at ? `at ${at.slice(0, 80)}, ` : ""}${says}.`,
    newer: "This document was made by a newer version of Mossy Cabinet. Bring this one up to date first.",
    "not-empty":
      "There is something in this club already, and a document is never laid over it. Found a new club for it, or use ./restore.",
    unfit: ({ why }) => `Something in it does not fit together, and nothing was changed: ${why}`,
  });
  return refused(says);
}
