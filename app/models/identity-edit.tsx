// What a model is known by, where its keys are, and how the versions of its parts are read.
import { data, Form, Link, redirect } from "react-router";
import { identityShape, partReadingShape, SHOWN_WHERE } from "#core/dossier/identity.ts";
import { keysTwice, layoutShape } from "#core/dossier/layout.ts";
import { dossierHead, putIdentity, putPartReading } from "#db/dossier.ts";
import { tell } from "#db/log.ts";
import { inClub, mustBeAllowed } from "../context.ts";
import { Input } from "../ui/input.tsx";
import { KeyCard } from "../ui/key-card.tsx";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/identity-edit";
import { mustHaveModel } from "./dossier.server.ts";

type Values = Record<string, string>;

export const meta: Route.MetaFunction = () => [{ title: "What a model is known by · Mossy Cabinet" }];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-model");
  return inClub(context, async (tx) => {
    const model = await mustHaveModel(tx, params.model);
    const { identity, parts } = await dossierHead(tx, model.id);
    const { layout } = identity;
    const values: Values = {
      soldAs: identity.soldAs.join("; "),
      pickInTool: identity.pickInTool,
      plugs: identity.plugs.join("; "),
      labels: identity.labels.join("; "),
      screens: identity.screens.join("; "),
      screen: layout?.screen === false ? "no" : "yes",
      lamp: layout?.lamp ?? "top",
      antenna: layout?.antenna === false ? "no" : "yes",
      knobs: layout?.knobs.join(", ") ?? "",
      top: layout?.top.join(", ") ?? "",
      left: layout?.left.join(", ") ?? "",
      right: layout?.right.join(", ") ?? "",
      rows: layout?.rows.map((row) => row.join(", ")).join("\n") ?? "",
    };
    for (const part of parts) {
      values[`where-${part.id}`] = part.reading.where ?? "";
      values[`how-${part.id}`] = part.reading.how;
      values[`sample-${part.id}`] = part.reading.sample;
    }
    return { model, parts, layout, values };
  });
}

const list = (text: string | undefined, by = ",") =>
  (text ?? "")
    .split(by)
    .map((part) => part.trim())
    .filter(Boolean);

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-model");
  const values: Values = Object.fromEntries([...(await request.formData())].map(([k, v]) => [k, String(v)]));
  return inClub(context, async (tx) => {
    const model = await mustHaveModel(tx, params.model);
    const { parts } = await dossierHead(tx, model.id);
    const layout = layoutShape.safeParse({
      body: model.kind,
      screen: values.screen !== "no",
      lamp: values.lamp,
      antenna: values.antenna !== "no",
      knobs: list(values.knobs),
      top: list(values.top),
      left: list(values.left),
      right: list(values.right),
      rows: (values.rows ?? "")
        .split(/\r?\n/)
        .map((row) => list(row))
        .filter((row) => row.length > 0),
    });
    const errors: Values = {};
    if (!layout.success) {
      for (const issue of layout.error.issues) errors[String(issue.path[0])] ??= issue.message;
      return data({ values, errors }, { status: 400 });
    }
    const twice = keysTwice(layout.data);
    if (twice.length > 0)
      errors.rows = `Two keys are called ${twice.join(", ")}; each needs a name of its own.`;
    const empty =
      [
        ...layout.data.knobs,
        ...layout.data.top,
        ...layout.data.left,
        ...layout.data.right,
        ...layout.data.rows,
      ].length === 0;
    const identity = identityShape.safeParse({
      soldAs: list(values.soldAs, ";"),
      pickInTool: values.pickInTool,
      plugs: list(values.plugs, ";"),
      labels: list(values.labels, ";"),
      screens: list(values.screens, ";"),
      ...(!empty && { layout: layout.data }),
    });
    if (!identity.success) {
      for (const issue of identity.error.issues) errors[String(issue.path[0])] ??= issue.message;
    }
    if (!identity.success || Object.keys(errors).length > 0) return data({ values, errors }, { status: 400 });
    await putIdentity(tx, model.id, identity.data);
    for (const part of parts) {
      const where = SHOWN_WHERE.find((w) => w === values[`where-${part.id}`]);
      const reading = {
        ...(where && { where }),
        how: values[`how-${part.id}`] ?? "",
        sample: values[`sample-${part.id}`] ?? "",
      };
      await putPartReading(
        tx,
        part.id,
        partReadingShape.parse({
          ...reading,
          how: reading.how.slice(0, 500),
          sample: reading.sample.slice(0, 200),
        }),
      );
    }
    await tell(
      tx,
      { kind: "model-changed", name: model.name, what: "what it is known by" },
      { model: model.id },
    );
    return redirect(`/models/${model.id}`);
  });
}

export default function EditIdentity({ loaderData, actionData }: Route.ComponentProps) {
  const { model, parts, layout } = loaderData;
  const values = actionData?.values ?? loaderData.values;
  const errors: Values = actionData?.errors ?? {};
  const of = (name: string) => ({ name, value: values[name], error: errors[name] });
  const yesNo = [
    ["yes", "yes"],
    ["no", "no"],
  ] as const;
  return (
    <Page title={`What the ${model.name} is known by`}>
      <p className="mb-3">
        <Link className="link" to={`/models/${model.id}`}>
          Back to the {model.name}
        </Link>
      </p>
      <Form method="post" noValidate className="grid gap-x-8 gap-y-6 lg:grid-cols-2">
        <fieldset className="flex flex-col gap-3">
          <legend className="mb-2 font-serif text-lg font-bold">
            Names and marks (parted by semicolons)
          </legend>
          <Input {...of("soldAs")} label="Also sold as" />
          <Input {...of("pickInTool")} label="What to pick in a tool where it is not listed" />
          <Input {...of("labels")} label="Texts on its label" mono />
          <Input {...of("screens")} label="Texts on its screen" mono />
          <Input {...of("plugs")} label="Plugs at the radio" />
          {parts.map((part) => (
            <div key={part.id} className="grid gap-3 sm:grid-cols-[9rem_minmax(0,1fr)_8rem]">
              <Input
                {...of(`where-${part.id}`)}
                label={`${part.name} shows`}
                options={[["", "nobody knows"], ...SHOWN_WHERE.map((w) => [w, w] as const)]}
              />
              <Input {...of(`how-${part.id}`)} label="how" />
              <Input {...of(`sample-${part.id}`)} label="looks like" mono />
            </div>
          ))}
        </fieldset>
        <fieldset className="flex flex-col gap-3">
          <legend className="mb-2 font-serif text-lg font-bold">Its keys, as a hand finds them</legend>
          <div className="grid grid-cols-3 gap-3">
            <Input {...of("screen")} label="Screen" options={yesNo} />
            <Input
              {...of("lamp")}
              label="Lamp"
              options={[
                ["top", "on top"],
                ["front", "in front"],
                ["none", "none"],
              ]}
            />
            <Input {...of("antenna")} label="Antenna" options={yesNo} />
          </div>
          <div className="grid grid-cols-2 gap-3">
            <Input {...of("knobs")} label="Knobs, left to right" mono />
            <Input {...of("top")} label="Keys on top" mono />
            <Input {...of("left")} label="Keys on the left side, from the top" mono />
            <Input {...of("right")} label="Keys on the right side" mono />
          </div>
          <Input {...of("rows")} label="Keys in front: a line a row" rows={5} mono />
          {layout && (
            <div className="[&_.key-card]:max-h-64">
              <KeyCard layout={layout} step={undefined} />
            </div>
          )}
        </fieldset>
        <button type="submit" className="btn btn-primary w-fit">
          Save
        </button>
      </Form>
    </Page>
  );
}
