// The club's table of USB ids is filled from a list that the system has; what is in it already stays.
import { z } from "zod";
import { good } from "#core/quantities/index.ts";
import { addUsbIds } from "#db/kit/index.ts";
import { defineAct } from "../define.ts";
import { usbIdShape } from "./name-usb-id.ts";

/** Adds the USB ids of a list; those that the club knows already stay as they are. */
export const fillUsbIds = defineAct({
  name: "fill-usb-ids",
  input: z.object({ ids: z.array(usbIdShape).max(50_000) }),
  may: "edit-kit",
  run: async (tx, { ids }) => {
    const added = await addUsbIds(tx, ids);
    const entry = { kind: "kit-added" as const, what: `${added} USB ids from the system's list` };
    return good({ answer: { added }, log: added > 0 ? [{ entry }] : [] });
  },
});
