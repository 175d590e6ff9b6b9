// The two presses that note how a try with some chain went.

import type { Operation } from "#core/kit/index.ts";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import type { ShownChain } from "../../ui/chain.tsx";
import { useMay } from "../../ui/club.ts";

type Props = {
  readonly chain: ShownChain;
  readonly operation: Operation;
  /** The tag of the radio it was tried on; of a model as a whole, none. */
  readonly unit: string | undefined;
};

/** The same behind a fold, for chains that stand in a list. */
export function TriedFold(props: Props) {
  const mayConfirm = useMay("confirm-fact");
  if (!mayConfirm) return null;
  return (
    <details className="text-sm open:w-full">
      <summary className="link w-fit cursor-pointer list-none">
        Tried it<span className="sr-only"> with {props.chain.short}</span>
      </summary>
      <Tried {...props} />
    </details>
  );
}

/** How it went, in one press or with a word about what was seen. */
export function Tried(props: Props) {
  const { chain } = props;
  const mayConfirm = useMay("confirm-fact");
  if (!mayConfirm) return null;
  return (
    <ActForm intent="tried" className="mt-2 flex flex-wrap items-center gap-2" preventScrollReset>
      <input type="hidden" name="operation" value={props.operation} />
      <input type="hidden" name="unit" value={props.unit ?? ""} />
      <input type="hidden" name="lead" value={chain.parts.lead} />
      <input type="hidden" name="computer" value={chain.parts.computer} />
      <input type="hidden" name="tool" value={chain.parts.tool} />
      <span className="text-sm text-quiet">Tried it?</span>
      <button type="submit" name="worked" value="yes" className="btn btn-outline btn-primary btn-sm">
        It worked
      </button>
      <Labelled
        name="symptom"
        label="What was seen when it failed"
        quiet
        small
        most={300}
        placeholder="what was seen"
        box="w-56"
      />
      <button type="submit" name="worked" value="no" className="btn btn-outline btn-error btn-sm">
        It failed
      </button>
      <Labelled name="settled" type="checkbox" small label="and never will: that is settled" />
    </ActForm>
  );
}
