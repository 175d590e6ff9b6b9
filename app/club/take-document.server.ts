// Takes a club's document and says what came of it. All of it comes in, or nothing.
import { readClubDocument } from "#core/club/document.ts";
import { type BroughtBack, bringClubBack } from "#db/club-document.ts";
import { isAway, type Tx } from "#db/pool.ts";
import { counted } from "../ui/words/count.ts";

type Saying = { readonly ok: boolean; readonly says: string };
type InClub = (bring: (tx: Tx) => Promise<BroughtBack>) => Promise<BroughtBack>;

const refused = (says: string): Saying => ({ ok: false, says });

export async function takeDocument(file: unknown, writeInClub: InClub): Promise<Saying> {
  if (!(file instanceof File) || file.size === 0)
    return refused("Choose the document of a club, a JSON file.");
  const read = readClubDocument(await file.text());
  if (!read.ok)
    return refused(
      read.problem.kind === "too-many-rows"
        ? `That is more than a document may hold (${counted(read.problem.rows, "row")}); use ./restore for it.`
        : `That is no document of a club: ${read.problem.at ? `at ${read.problem.at.slice(0, 80)}, ` : ""}${read.problem.says}.`,
    );
  try {
    const brought = await writeInClub((tx) => bringClubBack(tx, read.value));
    if (!brought.ok)
      return refused(
        brought.problem === "newer"
          ? "This document was made by a newer version of Mossy Cabinet. Bring this one up to date first."
          : "There is something in this club already, and a document is never laid over it. Found a new club for it, or use ./restore.",
      );
    const missing =
      brought.filesMissing > 0 ? ` ${counted(brought.filesMissing, "file")} were not in it.` : "";
    return { ok: true, says: `The club is back: ${counted(brought.rows, "row")}.${missing}` };
  } catch (error) {
    if (isAway(error) || error instanceof Response) throw error;
    // What a table does not take, or what cannot be worked out from it: nothing has happened.
    const why = error instanceof Error ? error.message.slice(0, 200) : "";
    return refused(`Something in it does not fit together, and nothing was changed: ${why}`);
  }
}
