// The models that the rows of a sheet name: one of the club's, one of several, or one to be made on the way.
import { groupBy } from "../quantities/index.ts";
import { folded, modelKey } from "./names.ts";
import { isNearly } from "./near.ts";

export type KnownModel = {
  readonly id: string;
  readonly maker: string;
  readonly name: string;
  readonly revisions: readonly string[];
  /** Names of its components, in their order. */
  readonly components: readonly string[];
};

/** With the hardware revisions and the components that its rows name. */
export type NewModel = Omit<KnownModel, "id">;

/** What the first component of a model is called if nothing says otherwise. */
export const FIRST_COMPONENT = "main";

/** The club's models by maker and name; by name alone where no other has it, or where the radio is one of those already. */
export class ModelNames {
  readonly #byKey: ReadonlyMap<string, KnownModel>;
  readonly #byName: ReadonlyMap<string, readonly KnownModel[]>;
  readonly #byId: ReadonlyMap<string, KnownModel>;

  constructor(models: readonly KnownModel[]) {
    this.#byKey = new Map(models.map((model) => [modelKey(model.maker, model.name), model]));
    this.#byName = groupBy(models, (model) => folded(model.name));
    this.#byId = new Map(models.map((model) => [model.id, model]));
  }

  byId(id: string | undefined): KnownModel | undefined {
    return id === undefined ? undefined : this.#byId.get(id);
  }

  named(
    { maker, model }: { readonly maker: string; readonly model: string },
    known: { readonly model: string } | undefined,
  ): KnownModel | "several" | undefined {
    if (model === "") return undefined;
    const just = this.#byKey.get(modelKey(maker, model));
    if (just || maker !== "") return just;
    const all = this.#byName.get(folded(model)) ?? [];
    return all.find((one) => one.id === known?.model) ?? (all.length > 1 ? "several" : all[0]);
  }

  /** The models that a name may be a slip of, where it is none of ours. */
  near({ maker, model }: { readonly maker: string; readonly model: string }): KnownModel[] {
    const all = [...this.#byId.values()];
    return all.filter(
      (one) =>
        isNearly(one.name, model) &&
        (maker === "" || one.maker === "" || isNearly(one.maker, maker)) &&
        modelKey(one.maker, one.name) !== modelKey(maker, model),
    );
  }

  makersOf(model: string): string[] {
    return (this.#byName.get(folded(model)) ?? []).map((one) => one.maker);
  }
}
