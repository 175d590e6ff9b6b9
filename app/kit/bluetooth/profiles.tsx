// What a programmer keeps to write into radios: from which radio each profile was read, into which it was written, and into which it may go.
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import { useClub, useMay } from "../../ui/club.ts";
import { Go } from "../../ui/go.tsx";
import { sayMoment } from "../../ui/words/time.ts";
import type { ShownDevice } from "./load-device.server.ts";

type Kept = Readonly<Record<string, string>> | undefined;

export function Profiles(props: { readonly device: ShownDevice; readonly kept: Kept }) {
  const { device, kept } = props;
  const mayWork = useMay("work-at-bench");
  return (
    <section id="profiles">
      <h2 className="mb-1">Profiles it keeps</h2>
      {device.profiles.length === 0 ? (
        <p className="text-quiet">
          None is noted. What was read out of a radio can be kept here under a name.
        </p>
      ) : (
        <ul className="sheet divide-y divide-line">
          {device.profiles.map((profile) => (
            <Profile key={profile.id} device={device} profile={profile} kept={kept} />
          ))}
        </ul>
      )}
      {mayWork && device.backups.length > 0 && (
        <details className="mt-2" open={kept?.intent === "keep-profile"}>
          <summary className="link w-fit cursor-pointer text-sm">It keeps another</summary>
          <ActForm intent="keep-profile" className="sheet mt-2 flex flex-wrap items-end gap-3 p-3">
            <input type="hidden" name="device" value={device.id} />
            <Labelled name="name" label="Name of the profile" small most={80} value={kept?.name} box="w-56" />
            <Labelled
              name="backup"
              label="Read from"
              small
              value={kept?.backup}
              options={device.backups}
              box="w-80"
            />
            <button type="submit" className="btn btn-outline btn-primary btn-sm">
              Keep it
            </button>
          </ActForm>
        </details>
      )}
    </section>
  );
}

function Profile(props: {
  readonly device: ShownDevice;
  readonly profile: ShownDevice["profiles"][number];
  readonly kept: Kept;
}) {
  const { profile } = props;
  const { locale, timeZone } = useClub();
  const mayWork = useMay("work-at-bench");
  const kept = props.kept?.intent === "program" && props.kept.profile === profile.id ? props.kept : undefined;
  return (
    <li className="flex flex-wrap items-end gap-x-6 gap-y-2 px-3 py-2">
      <div className="min-w-0 grow">
        <strong>{profile.name}</strong>
        <span className="block text-sm text-quiet">
          read from{" "}
          <Go className="link tag" to={`/units/${encodeURIComponent(profile.base)}`}>
            {profile.base}
          </Go>
          , a {profile.model}, {sayMoment(profile.readAt, locale, timeZone)}
        </span>
        <span className="block text-sm text-quiet">
          {profile.uses.length === 0
            ? "written into no radio yet"
            : `written into ${profile.uses
                .slice(0, 6)
                .map((use) => `${use.tag} (${sayMoment(use.at, locale, timeZone)}, ${use.by})`)
                .join(", ")}`}
        </span>
      </div>
      {mayWork && (
        <div className="flex flex-wrap items-end gap-3">
          <ActForm intent="program" className="flex items-end gap-2">
            <input type="hidden" name="profile" value={profile.id} />
            <Labelled
              name="unit"
              label="Write it into the radio"
              mono
              small
              placeholder={profile.base}
              value={kept?.unit}
              box="w-44"
            />
            <button
              type="submit"
              name="for"
              value="program"
              className="btn btn-outline btn-primary btn-sm"
              aria-label={`Take it to the bench to write ${profile.name}`}
            >
              To the bench
            </button>
          </ActForm>
          <ActForm intent="shelve-profile">
            <input type="hidden" name="profile" value={profile.id} />
            <button type="submit" className="link text-sm" aria-label={`Shelve the profile ${profile.name}`}>
              Shelve it
            </button>
          </ActForm>
        </div>
      )}
    </li>
  );
}
