// Entry in the order in which one has things in the hand: this plug, this lead, this computer; then another like this one.
import { Link } from "react-router";
import { type ShownField, SYSTEMS } from "#core/kit/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { PickField } from "../forms/choice/pick.tsx";
import { Field } from "../forms/field.tsx";
import { hasSomething, PostForm } from "../forms/form.tsx";
import { offlineForm } from "../forms/offline.ts";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/in-hand";
import { loadInHand, putInHand } from "./in-hand.server.ts";
import { KitTabs } from "./tabs.tsx";

export const meta: Route.MetaFunction = () => [{ title: "In the hand · Mossy Cabinet" }];

export async function loader({ context, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-kit");
  const { searchParams: asked } = new URL(request.url);
  return readInClub(context, (tx) => loadInHand(tx, asked.get("like"), asked.get("computer")));
}

export async function action({ context, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-kit");
  const form = await request.formData();
  return readInClub(context, (tx, who) => putInHand(tx, who, form));
}

export const clientAction = offlineForm;

export { afterMaking as shouldRevalidate } from "../forms/choice/pick.tsx";

const ANOTHER = ["name", "version"] as const;

export default function InHand({ loaderData, actionData }: Route.ComponentProps) {
  const { lead, computers, before, values } = loaderData;
  const spec = (name: string): ShownField => {
    const found = lead.fields.find((field) => field.name === name);
    if (!found) throw new Error(`leads have no ${name}`);
    return found;
  };
  const options = (name: string) => spec(name).options ?? [];
  return (
    <Page
      title="Kit"
      says="what you have in the hand: a plug, a lead, a computer"
      acts={<KitTabs here="own" />}
    >
      {before && (
        <p role="status" className="sheet mb-4 w-fit border-l-4 border-primary p-3">
          {before} is in the kit. Another like this one: its tag is enough.
        </p>
      )}
      <PostForm
        key={before ?? ""}
        lastResult={actionData}
        defaults={values}
        submit="Put it in the kit"
        className="flex max-w-4xl flex-col gap-4"
        also={
          <Link className="link text-sm" to="/kit/own">
            To the inventory
          </Link>
        }
      >
        {(fields) => (
          <>
            <Part nth={1} title="This plug" says="it goes into the radio">
              <PickField
                name="radio_end"
                of={fields}
                makes="connector"
                label="At the radio"
                options={options("radio_end")}
              />
            </Part>
            <Part nth={2} title="This lead" says="with its tag on it">
              <Field of={fields.tag} label="Tag" mono autoFocus={before !== undefined} />
              <Field of={fields.kind} label="Kind" options={options("kind")} />
              <PickField
                name="computer_end"
                of={fields}
                makes="connector"
                label="At the computer"
                options={options("computer_end")}
              />
              <Field
                of={fields.ids}
                label="What the device list says of it"
                hint="pasted: the chip is known by its ids"
                rows={2}
                mono
              />
              <Field
                of={fields.chip_family}
                label="Its chip"
                hint="if you know it; ? is some chip, but which"
              />
              <Field of={fields.chip_grade} label="It is" options={options("chip_grade")} />
            </Part>
            <Part nth={3} title="This computer" says="into which it goes">
              <Field
                of={fields.computer}
                label="Computer"
                hint="the plug is noted among its ports"
                options={[["", "none just now"], ...computers.map(({ id, name }) => [id, name] as const)]}
              />
              <details
                className="sm:col-span-2"
                open={computers.length === 0 || ANOTHER.some((name) => hasSomething(fields[name]))}
              >
                <summary className="link w-fit cursor-pointer text-sm">another computer</summary>
                <div className="grid items-start gap-x-4 gap-y-1 sm:grid-cols-3">
                  <Field of={fields.name} label="Its name" />
                  <Field
                    of={fields.system}
                    label="System"
                    options={SYSTEMS.map((one) => [one, one] as const)}
                  />
                  <Field of={fields.version} label="System version" hint="as it says it: 11, 64 bit" mono />
                </div>
              </details>
            </Part>
          </>
        )}
      </PostForm>
    </Page>
  );
}

function Part(props: {
  readonly nth: number;
  readonly title: string;
  readonly says: string;
  readonly children: React.ReactNode;
}) {
  return (
    <fieldset className="sheet p-4">
      <legend className="float-left mb-1 w-full font-serif text-lg font-semibold">
        {props.nth} {props.title}{" "}
        <span className="font-sans text-sm font-normal text-quiet">{props.says}</span>
      </legend>
      <div className="clear-both grid items-start gap-x-4 gap-y-1 sm:grid-cols-3">{props.children}</div>
    </fieldset>
  );
}
