// Which bridge chip answers with a USB id, as somebody has found out.
import { z } from "zod";
import { usbText } from "#core/kit/index.ts";
import { good } from "#core/quantities/index.ts";
import { putUsbId } from "#db/kit/index.ts";
import { defineAct } from "../define.ts";

const sixteenBits = z.number().int().min(0).max(0xffff);
export const usbIdShape = z.object({
  vendor: sixteenBits,
  product: sixteenBits,
  family: z.string().trim().max(80),
  name: z.string().trim().max(200),
});

/** A USB id gets the chip that answers under it. */
export const nameUsbId = defineAct({
  name: "name-usb-id",
  input: usbIdShape,
  may: "edit-kit",
  run: async (tx, input) => {
    const changed = await putUsbId(tx, input);
    const entry = { kind: "kit-changed" as const, what: `USB id ${usbText(input)}` };
    return good({ answer: { changed }, log: changed ? [{ entry }] : [] });
  },
});
