// Which way of programming is quickest today: on the keys, over Bluetooth or with a cable, for so many radios of a model with so many channels.
import { deviceRows } from "#db/kit/index.ts";
import { modelsToPick } from "#db/model/index.ts";
import { unitsByModel } from "#db/unit/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { Labelled } from "../forms/field.tsx";
import { Go } from "../ui/go.tsx";
import { chartFrom } from "../ui/later.tsx";
import { Page } from "../ui/page.tsx";
import { Wide } from "../ui/wide.tsx";
import { counted } from "../ui/words/count.ts";
import { sayMinutes } from "../ui/words/duration.ts";
import { sayPercent } from "../ui/words/kit/charge.ts";
import { WAY_NOUN, WAY_WORD } from "../ui/words/kit/ways.ts";
import type { Route } from "./+types/ways";
import { loadWays } from "./load-ways.server.ts";
import { KitTabs } from "./tabs.tsx";

const WaysChart = chartFrom(async () => (await import("./ways-chart.tsx")).WaysChart, 256);

export const meta: Route.MetaFunction = () => [{ title: "Ways compared · Mossy Cabinet" }];

export const handle = { follows: ["club"] };

const MOST = { radios: 500, channels: 4000 };
const USUAL = { radios: 10, channels: 16 };

export async function loader({ context, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  const query = new URL(request.url).searchParams;
  const number = (name: "radios" | "channels") => {
    const typed = (query.get(name) ?? "").trim().slice(0, 20);
    const value = Number(typed || USUAL[name]);
    const isRead = Number.isInteger(value) && value >= 1 && value <= MOST[name];
    return { typed: typed || String(USUAL[name]), value: isRead ? value : USUAL[name], isRead };
  };
  return readInClub(context, async (tx) => {
    const models = await modelsToPick(tx);
    // Without a choice: of those that a programmer serves the one of which there are most.
    const served = (await deviceRows(tx)).flatMap(({ serves }) => serves.map((one) => one.model));
    const counts = await unitsByModel(tx, served);
    const [usual] = [...counts].sort((a, b) => b.units - a.units);
    const model =
      models.find(({ id }) => id === query.get("model")) ??
      models.find(({ id }) => id === usual?.model) ??
      models[0];
    const [radios, channels] = [number("radios"), number("channels")];
    return {
      models: models.map(({ id, name }) => [id, name] as const),
      model: model && { id: model.id, name: model.name },
      radios: radios.value,
      channels: channels.value,
      typed: { radios: radios.typed, channels: channels.typed },
      /** What was typed and cannot be read. */
      unread: [...(radios.isRead ? [] : ["radios"]), ...(channels.isRead ? [] : ["channels"])],
      found: model && (await loadWays(tx, model, radios.value, channels.value)),
    };
  });
}

export default function Ways({ loaderData }: Route.ComponentProps) {
  const { model, radios, channels, found, typed, unread } = loaderData;
  const [first] = found?.compared ?? [];
  return (
    <Page
      title="Kit"
      says={
        model && first?.minutes !== undefined
          ? `quickest for ${counted(radios, model.name)}: ${WAY_WORD[first.id]}, ${sayMinutes(first.minutes)}`
          : "which way of programming is quickest today"
      }
      acts={<KitTabs here="bluetooth" />}
    >
      <p className="mb-3">
        <Go to="/kit/bluetooth" className="link">
          Back to what speaks Bluetooth
        </Go>
      </p>
      <form className="mb-4 flex flex-wrap items-end gap-3">
        <Labelled name="model" label="Model" small value={model?.id} options={loaderData.models} box="w-48" />
        <Labelled name="radios" label="Radios, 1 to 500" mono small value={typed.radios} box="w-36" />
        <Labelled name="channels" label="Channels, 1 to 4000" mono small value={typed.channels} box="w-40" />
        <button type="submit" className="btn btn-outline btn-primary btn-sm">
          Compare
        </button>
      </form>
      {unread.length > 0 && (
        <p className="doubt mb-4 w-fit px-4 py-2">
          That is no number of {unread.join(" and of ")} that can be compared; shown are{" "}
          {counted(radios, "radio")} and {counted(channels, "channel")}.
        </p>
      )}
      {!model && <p className="doubt max-w-xl p-5 text-lg">There is no model yet: nothing to compare.</p>}
      {model && found && (
        <div className="grid gap-5 xl:grid-cols-[minmax(0,1fr)_24rem]">
          <div className="flex min-w-0 flex-col gap-5">
            <Compared found={found} radios={radios} />
            <WaysChart
              curve={found.curve}
              radios={radios}
              breaks={found.breaks.flatMap(({ radios: from }) =>
                from !== undefined && from > 1 ? [from] : [],
              )}
            />
          </div>
          <div className="flex flex-col gap-5">
            <Breaks found={found} radios={radios} channels={channels} />
            <Charges found={found} />
          </div>
        </div>
      )}
    </Page>
  );
}

type Found = NonNullable<Route.ComponentProps["loaderData"]["found"]>;

function Compared({ found, radios }: { readonly found: Found; readonly radios: number }) {
  return (
    <Wide label="The ways, as a table">
      <table className="table">
        <thead>
          <tr>
            <th>Way</th>
            <th>Takes</th>
            <th>At once</th>
            <th>Known from</th>
          </tr>
        </thead>
        <tbody>
          {found.compared.map((one) => (
            <tr key={one.id}>
              <td className="font-semibold">{WAY_WORD[one.id]}</td>
              <td className={one.minutes === undefined ? "text-rust" : ""}>
                {one.minutes !== undefined
                  ? sayMinutes(one.minutes)
                  : one.atOnce === 0
                    ? "nothing of ours reaches into it that way"
                    : `the charge lasts for ${one.lasts ?? 0} of ${radios}`}
              </td>
              <td>{one.id === "keypad" ? "one, by one person" : one.atOnce}</td>
              <td className="text-quiet">
                {one.measured > 0
                  ? `our last ${one.measured} times, whatever was in them`
                  : "what is usual; our own times count from the third on"}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Wide>
  );
}

function Breaks(props: { readonly found: Found; readonly radios: number; readonly channels: number }) {
  const said = props.found.breaks.flatMap(({ a, b, radios, channels }) => {
    const [slow, quick] = [WAY_NOUN[a], WAY_NOUN[b]];
    return [
      ...(radios === undefined
        ? []
        : [
            `At ${counted(props.channels, "channel")} ${quick} is quicker than ${slow} from ${counted(radios, "radio")} on.`,
          ]),
      ...(channels === undefined
        ? []
        : [
            `For ${counted(props.radios, "radio")} ${quick} is quicker than ${slow} from ${counted(channels, "channel")} on.`,
          ]),
    ];
  });
  return (
    <section>
      <h2 className="mb-1">From where on</h2>
      {said.length === 0 ? (
        <p className="text-quiet">No way overtakes another.</p>
      ) : (
        <ul className="list-disc pl-5">
          {said.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Charges({ found }: { readonly found: Found }) {
  return (
    <section>
      <h2 className="mb-1">Programmers that reach it</h2>
      {found.charges.length === 0 ? (
        <p className="text-quiet">None of ours.</p>
      ) : (
        <ul>
          {found.charges.map(({ tag, percent, lasts }) => (
            <li key={tag}>
              <span className="tag">{tag}</span>{" "}
              {percent === undefined
                ? "nobody has noted how full it is"
                : `${sayPercent(percent)}${lasts === undefined ? "; nobody knows what it gives for each radio" : `: enough for ${counted(lasts, "radio")}`}`}
            </li>
          ))}
        </ul>
      )}
      <Go to="/kit/field-day" className="link mt-2 block w-fit">
        The sheet for a field day
      </Go>
    </section>
  );
}
