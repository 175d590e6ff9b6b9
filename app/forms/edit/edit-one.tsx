// The frame of every page on which one thing is corrected or a new one written down: the way back, its fields, save, shelve.
import type { ReactNode } from "react";
import { Go } from "../../ui/go.tsx";
import { Page } from "../../ui/page.tsx";
import { MostSigns } from "../field.tsx";
import { type Fields, PostForm, type PostFormProps } from "../form.tsx";

type Loaded = {
  /** It is there already, and can be shelved. */
  readonly known: boolean;
  readonly values: NonNullable<PostFormProps["defaults"]>;
  /** How long its texts may be, by the act that takes them. */
  readonly bounds: Readonly<Record<string, number>>;
};

export function EditOne(props: {
  readonly title: string;
  readonly says?: string;
  readonly back: { readonly to: string; readonly says: string };
  readonly loaded: Loaded;
  readonly lastResult: PostFormProps["lastResult"];
  /** The words of the press that takes it out; absent: it cannot be taken out here. */
  readonly shelve?: string;
  readonly width?: string;
  /** Presses in place of the usual save. */
  readonly buttons?: ReactNode;
  readonly children: (fields: Fields) => ReactNode;
}) {
  const { back, loaded, shelve, buttons } = props;
  return (
    <Page title={props.title} says={props.says}>
      <p className="mb-3">
        <Go className="link" to={back.to}>
          {back.says}
        </Go>
      </p>
      <MostSigns.Provider value={loaded.bounds}>
        <PostForm
          lastResult={props.lastResult}
          submit={buttons ? undefined : "Save"}
          defaults={loaded.values}
          className={`flex ${props.width ?? "max-w-2xl"} flex-col gap-3`}
          also={
            <>
              {buttons}
              {loaded.known && shelve && (
                <button type="submit" name="intent" value="shelve" className="link text-sm">
                  {shelve}
                </button>
              )}
            </>
          }
        >
          {props.children}
        </PostForm>
      </MostSigns.Provider>
    </Page>
  );
}
