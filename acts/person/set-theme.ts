// In which light somebody likes their pages.
import { z } from "zod";
import { good } from "#core/quantities/index.ts";
import { setTheme as set } from "#db/club/index.ts";
import { defineAct } from "../define.ts";

/** A person chooses day, night or the system's choice. */
export const setTheme = defineAct({
  name: "set-theme",
  input: z.object({ theme: z.enum(["auto", "fern", "lamp"]) }),
  may: "look",
  untold: "how somebody likes their own pages is nobody else's business",
  run: async (tx, { theme }, who) => {
    await set(tx, who.person, theme);
    return good({ answer: {}, log: [] });
  },
});
