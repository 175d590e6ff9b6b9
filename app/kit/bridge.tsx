// Which lead is this? From a pasted device list or the browser’s word on a serial port: the chip, the driver it needs here, the port to pick, and which of our leads it may be.

import { useEffect, useState } from "react";
import { data, Form, useSubmit } from "react-router";
import { usbText } from "#core/kit/index.ts";
import { listed } from "#core/quantities/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { orOffline } from "../forms/offline.ts";
import { useMay } from "../ui/club.ts";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import type { Route } from "./+types/bridge";
import { answerBridge, fillIds, loadBridge, nameId, type ShownBridge } from "./answer-bridge.server.ts";
import { KitTabs } from "./tabs.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Which lead is this? · Mossy Cabinet" }];

export const loader = ({ context }: Route.LoaderArgs) => readInClub(context, (tx) => loadBridge(tx));

export async function action({ context, request }: Route.ActionArgs) {
  const form = await request.formData();
  switch (form.get("intent")) {
    case "fill":
      return fillIds(mustBeAllowed(context, "edit-kit"), form);
    case "name": {
      const told = await nameId(mustBeAllowed(context, "edit-kit"), form);
      return data(told, { status: told.ok ? 200 : 400 });
    }
    default:
      return readInClub(context, (tx, who) => answerBridge(tx, who, form));
  }
}

export const clientAction = (sending: Route.ClientActionArgs) =>
  orOffline(sending, (form, says): { ok: boolean; says: string; text?: string; computer?: string } => {
    const { text, computer } = Object.fromEntries(form);
    const list = { text: String(text), computer: String(computer) };
    return { ok: false, says, ...(text !== undefined && list) };
  });

type SerialPort = { getInfo: () => { usbVendorId?: number; usbProductId?: number } };
type WithSerial = { readonly serial?: { requestPort: () => Promise<SerialPort> } };

export default function WhichLead({ loaderData, actionData }: Route.ComponentProps) {
  const answer = actionData && "found" in actionData ? actionData : undefined;
  const said = actionData && "says" in actionData ? actionData : undefined;
  // Typed into the device list, whether that was answered or could not be sent.
  const typed = actionData && "text" in actionData ? actionData : undefined;
  const mayEdit = useMay("edit-kit");
  return (
    <Page title="Kit" says="which chip, which driver, which port" acts={<KitTabs here="which" />}>
      {said && <Said answer={said} />}
      <div className="grid items-start gap-6 lg:grid-cols-2">
        <Form
          method="post"
          encType="multipart/form-data"
          className="sheet flex flex-col gap-3 p-4"
          key={typed?.text}
        >
          <Labelled
            name="text"
            label="Paste what the system's device list says, whichever system it is"
            value={typed?.text}
            rows={9}
            mono
          />
          <Labelled
            name="computer"
            label="Plugged into"
            value={typed?.computer}
            options={[["", "some computer"], ...loaderData.computers.map((c) => [c.id, c.name] as const)]}
          />
          <div className="flex flex-wrap items-center gap-4">
            <button type="submit" className="btn btn-primary">
              Which is it?
            </button>
            <AskBrowser />
          </div>
        </Form>
        <div className="flex flex-col gap-4" aria-live="polite">
          {!answer && (
            <p className="doubt w-fit p-4">
              Plug the lead in, open the list of devices, copy all of it. Ids, ports and faults are found by
              themselves.
            </p>
          )}
          {answer?.nothing && <p className="doubt w-fit p-4">{answer.nothing}</p>}
          {answer?.found.map((bridge) => (
            <Found key={bridge.ids + bridge.port} bridge={bridge} />
          ))}
          {answer && answer.ports.length > 0 && (
            <p className="text-sm text-quiet">
              It also names {listed(answer.ports)}, without saying whose they are.
            </p>
          )}
        </div>
      </div>
      <section className="mt-8" id="ids">
        <h2 className="mb-1">USB ids we know</h2>
        <ul
          // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, so the keyboard must reach it
          tabIndex={0}
          aria-label="USB ids we know"
          className="sheet max-h-80 divide-y divide-line overflow-y-auto"
        >
          {loaderData.ids.map((id) => (
            <li key={usbText(id)} className="grid grid-cols-[7rem_9rem_minmax(0,1fr)] gap-x-3 px-3 py-1">
              <span className="ver">{usbText(id)}</span>
              <span className="font-semibold">{id.family || "no chip named"}</span>
              <span className="text-quiet">{id.name}</span>
            </li>
          ))}
        </ul>
        {mayEdit && (
          <div className="mt-2 flex flex-wrap items-end gap-x-8 gap-y-3">
            <ActForm className="flex flex-wrap items-end gap-2" aria-label="Name an id">
              {(
                [
                  ["ids", "Ids, such as f1c7:2001", "w-48"],
                  ["family", "Chip, as advice calls it", "w-40"],
                  ["name", "What it says it is", "w-56"],
                ] as const
              ).map(([name, label, look]) => (
                <Labelled key={name} name={name} label={label} small mono={name === "ids"} box={look} />
              ))}
              <button type="submit" name="intent" value="name" className="btn btn-outline btn-primary btn-sm">
                Note it
              </button>
            </ActForm>
            <ActForm>
              <button type="submit" name="intent" value="fill" className="btn btn-outline btn-primary btn-sm">
                Fill it from this system's list
              </button>
            </ActForm>
          </div>
        )}
      </section>
    </Page>
  );
}

/** Offered only where the browser can: it asks the person for a port, and tells its ids. */
function AskBrowser() {
  const submit = useSubmit();
  const [can, setCan] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  useEffect(() => setCan("serial" in navigator), []);
  if (!can) return null;
  const ask = async (event: React.MouseEvent<HTMLButtonElement>) => {
    const form = event.currentTarget.form;
    try {
      const port = await (navigator as unknown as WithSerial).serial?.requestPort();
      const { usbVendorId: vendor, usbProductId: product } = port?.getInfo() ?? {};
      if (vendor === undefined || product === undefined) {
        setTrouble("That port does not say which chip it is: it may not be a USB one.");
        return;
      }
      setTrouble(undefined);
      const told = new FormData(form ?? undefined);
      told.set("text", usbText({ vendor, product }));
      await submit(told, { method: "post" });
    } catch {
      setTrouble("No port was chosen.");
    }
  };
  return (
    <>
      <button type="button" className="btn btn-outline btn-primary" onClick={ask}>
        Ask the browser for a port
      </button>
      {trouble && (
        <span role="status" className="text-sm text-quiet">
          {trouble}
        </span>
      )}
    </>
  );
}

function Found({ bridge }: { readonly bridge: ShownBridge }) {
  return (
    <section className="sheet p-4" aria-label={`Device ${bridge.ids}`}>
      <h2>
        {bridge.family || "A chip we do not know"} <span className="ver text-base">{bridge.ids}</span>
      </h2>
      {bridge.name && <p className="text-quiet">{bridge.name}</p>}
      {bridge.fault && (
        <p className="hatch mt-2 border-l-4 border-rust p-2 text-rust">
          <strong>{bridge.fault.says}</strong> <span className="ver block text-sm">{bridge.fault.text}</span>
        </p>
      )}
      {bridge.port && (
        <p className="mt-2">
          Pick the port <strong className="ver">{bridge.port}</strong>.
        </p>
      )}
      {bridge.drivers.map((d) => (
        <p key={d.chip} className={`mt-2 ${d.state === "broken" ? "font-semibold text-rust" : ""}`}>
          {d.chip}: {d.says}
        </p>
      ))}
      {bridge.leads.length > 0 ? (
        <>
          <h3 className="mt-3 font-semibold">It may be</h3>
          <ul>
            {bridge.leads.map((lead) => (
              <li key={lead.tag}>
                <a className="link tag" href={`/kit/leads/${lead.id}`}>
                  {lead.tag}
                </a>{" "}
                {lead.says}
              </li>
            ))}
          </ul>
        </>
      ) : (
        <p className="mt-2 text-quiet">No lead of ours is noted with this chip.</p>
      )}
    </section>
  );
}
