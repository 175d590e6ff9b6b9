// What a serial number says about the hardware, where nobody has noted that or noted something else.

import { revisionsOfSerial, type WithSerials } from "#core/dossier/index.ts";
import type { UnitRow } from "#db/unit/index.ts";
import { ActForm } from "../forms/act-form.tsx";
import { useMay } from "../ui/club.ts";

type Says = { readonly revision: string; readonly id: string };

/** The revision that the serial number alone speaks for, if that is not the one noted. */
export function serialSays(
  unit: Pick<UnitRow, "serial" | "hardware_revision_id">,
  revisions: readonly (WithSerials & { readonly id: string })[],
): Says | undefined {
  const [one, ...more] = revisionsOfSerial(unit.serial, revisions);
  if (!one || more.length > 0 || one.id === unit.hardware_revision_id) return undefined;
  return { revision: one.name, id: one.id };
}

export function SerialSays({ says, unit }: { readonly says: Says; readonly unit: UnitRow }) {
  const mayEdit = useMay("edit-unit");
  return (
    <div className="doubt mb-3 flex w-fit flex-wrap items-center gap-x-3 gap-y-1 px-3 py-2">
      <span>
        Its serial number <span className="ver">{unit.serial}</span> speaks for hardware {says.revision};{" "}
        {unit.hardware_revision
          ? `noted is ${unit.hardware_revision}. Look at it before flashing.`
          : "nobody has noted which it is."}
      </span>
      {mayEdit && (
        <ActForm intent="hardware">
          <button
            type="submit"
            name="revision"
            value={says.id}
            className="btn btn-outline btn-primary btn-sm"
          >
            It is hardware {says.revision}
          </button>
        </ActForm>
      )}
    </div>
  );
}
