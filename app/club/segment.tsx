// One line of the club's band plan: added, corrected, taken out.
import { shelveSegment } from "#acts/mode/shelve-segment.ts";
import { writeSegment } from "#acts/mode/write-segment.ts";
import { classesOf, type Segment, segmentShape } from "#core/modes/index.ts";
import { bad, good, listed } from "#core/quantities/index.ts";
import { bandPlan } from "#db/model/index.ts";
import { idIn, mustBeAllowed, notFound, readInClub } from "../context.ts";
import { boundsOf } from "../forms/edit/bounds.server.ts";
import { EditOne } from "../forms/edit/edit-one.tsx";
import { Field } from "../forms/field.tsx";
import { textsIn } from "../forms/merge.server.ts";
import { offlineForm } from "../forms/offline.ts";
import { performForm } from "../forms/perform.server.ts";
import { editOne } from "../shared/edit/edit-one.server.ts";
import { besideField, isGone } from "../shared/refusals.server.ts";
import { oddMhz, readMhz } from "../ui/words/frequency.ts";
import type { Route } from "./+types/segment";

export const meta: Route.MetaFunction = () => [{ title: "Band plan · Mossy Cabinet" }];

const valuesOf = (segment: Segment | undefined): Record<string, string> => ({
  class: segment?.class ?? "",
  from: segment ? String(segment.from / 1e6) : "",
  to: segment ? String(segment.to / 1e6) : "",
  watts: segment?.watts === undefined ? "" : String(segment.watts),
  bandwidth: segment?.bandwidth === undefined ? "" : String(segment.bandwidth / 1000),
  since: segment?.since ?? "",
  until: segment?.until ?? "",
  note: segment?.note ?? "",
});

function read(values: Readonly<Record<string, string>>) {
  const text = (name: string) => (values[name] ?? "").trim();
  const errors: Record<string, string> = {};
  const number = (name: string, scale: number, example: string) => {
    if (text(name) === "") return undefined;
    const value = Number(text(name).replace(",", ".")) * scale;
    if (!(value > 0)) errors[name] = example;
    return value;
  };
  const [from, to] = [readMhz(text("from")), readMhz(text("to"))];
  const odd = { from: oddMhz(text("from"), "144"), to: oddMhz(text("to"), "146") };
  if (odd.from) errors.from = odd.from;
  if (odd.to) errors.to = odd.to;
  const watts = number("watts", 1, "Watts, such as 25.");
  const bandwidth = number("bandwidth", 1000, "In kilohertz, such as 12.5.");
  const parsed = segmentShape.safeParse({
    class: text("class"),
    from: from ?? 0,
    to: to ?? 1,
    note: text("note"),
    ...(watts !== undefined && { watts }),
    ...(bandwidth !== undefined && { bandwidth: Math.round(bandwidth) }),
    ...(text("since") !== "" && { since: text("since") }),
    ...(text("until") !== "" && { until: text("until") }),
  });
  if (!parsed.success)
    for (const issue of parsed.error.issues) errors[String(issue.path[0])] ??= issue.message;
  if (!parsed.success || Object.keys(errors).length > 0) return bad({ kind: "fields" as const, errors });
  return good(parsed.data);
}

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-club");
  return readInClub(context, async (tx) => {
    const plan = await bandPlan(tx);
    const segment = plan.find((one) => one.id === params.segment);
    if (params.segment !== "new" && !segment) throw notFound("This line");
    return {
      known: segment !== undefined,
      classes: classesOf(plan),
      values: valuesOf(segment),
      bounds: boundsOf(writeSegment),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-club");
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const id = idIn(params.segment, "This line");
    return editOne(who, form, {
      write: writeSegment,
      shelve: id === undefined ? undefined : () => performForm(shelveSegment, who, form, { segment: id }),
      there: "/club/band-plan",
      own: {
        "no-segment": isGone("This line"),
        full: besideField("class", "The plan has as many lines as it may."),
      },
      read: (sent) => {
        const typed = read(textsIn(sent));
        return typed.ok ? good({ ...typed.value, ...(id !== undefined && { segment: id }) }) : typed;
      },
      drawn: async () => {
        const now = (await bandPlan(tx)).find((one) => one.id === id);
        return now && valuesOf(now);
      },
    });
  });
}

export const clientAction = offlineForm;

export default function SegmentPage({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <EditOne
      title={loaderData.known ? "A line of the band plan" : "A new line of the band plan"}
      back={{ to: "/club/band-plan", says: "Back to the band plan" }}
      loaded={loaderData}
      lastResult={actionData}
      shelve="Take it out"
      width="max-w-xl"
    >
      {(fields) => (
        <>
          <Field
            of={fields.class}
            label="For which class or service"
            {...(loaderData.classes.length > 0 && { hint: `so far ${listed(loaderData.classes, 9)}` })}
          />
          <div className="grid grid-cols-2 gap-3">
            <Field of={fields.from} label="From, MHz" mono />
            <Field of={fields.to} label="up to but not on, MHz" mono />
            <Field of={fields.watts} label="Watts at most (may stay empty)" mono />
            <Field of={fields.bandwidth} label="Width at most, kHz (may stay empty)" mono />
            <Field of={fields.since} label="Holds from (empty: always has)" type="date" />
            <Field of={fields.until} label="up to, not on (empty: no end)" type="date" />
          </div>
          <Field of={fields.note} label="Note: where that is from" />
        </>
      )}
    </EditOne>
  );
}
