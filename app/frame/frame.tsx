// The frame around every area: the rail with the seven plates, the finder, the keys, the person at the foot.
import { useEffect, useLayoutEffect, useState } from "react";
import { Outlet, useLocation, useNavigation, useRouteError } from "react-router";
import { aroundPages } from "#db/frame.ts";
import { askForPerson } from "../auth/session.server.ts";
import { readInClub, signedIn } from "../context.ts";
import { newKey } from "../forms/form-key.tsx";
import { LeaveGuard } from "../forms/keep/leave.tsx";
import type { FrameData } from "../ui/club.ts";
import { useGoing } from "../ui/go.tsx";
import { sayInstant } from "../ui/words/time.ts";
import type { Route } from "./+types/frame";
import { KeepAnswers } from "./answers.tsx";
import { areasOf, IN_STRIP } from "./areas.ts";
import { CHECK_FILE, CheckFile } from "./check-file.tsx";
import { Finder } from "./finder.tsx";
import { Keys, useKeys } from "./keys.tsx";
import { useLive } from "./live.ts";
import { TroublePage } from "./trouble.tsx";
import { Working } from "./working.tsx";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export const handle = { follows: ["need", "work"] };

export async function loader({ context }: Route.LoaderArgs): Promise<FrameData> {
  const who = signedIn(context);
  return {
    clubName: who.clubName,
    locale: who.locale,
    timeZone: who.timeZone,
    today: who.today,
    person: who.person,
    personName: who.name,
    role: who.role,
    theme: who.theme,
    formKey: newKey(),
    ...(await readInClub(context, async (tx) => {
      const { due, work, ahead } = await aroundPages(tx, who.today);
      return { dueUnits: due, work, toldAhead: ahead?.toISOString() };
    })),
  };
}

/** In the browser: what the frame showed last, for when it cannot be asked for anew. */
let shownLast: FrameData | undefined;

export default function Frame({ loaderData }: Route.ComponentProps) {
  return (
    <Around data={loaderData}>
      <KeepAnswers>
        <Outlet />
      </KeepAnswers>
    </Around>
  );
}

export function ErrorBoundary({ loaderData }: Route.ErrorBoundaryProps) {
  const error = useRouteError();
  const page = <TroublePage error={error} />;
  const data = loaderData ?? shownLast;
  if (!data) return <main className="p-8">{page}</main>;
  return (
    <Around data={data}>
      <div className="p-8">{page}</div>
    </Around>
  );
}

function Around({ data, children }: { readonly data: FrameData; readonly children: React.ReactNode }) {
  const [open, setOpen] = useState<"finder" | "keys" | undefined>();
  const close = () => setOpen(undefined);
  useEffect(() => {
    shownLast = data;
  }, [data]);
  useKeys(setOpen);
  useGoing();
  useLive();
  return (
    <div className="md:grid md:grid-cols-[6rem_minmax(0,1fr)] print:block">
      <a
        href="#work"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-base-100 focus:p-2"
      >
        To the page itself
      </a>
      <Rail data={data} onOpen={setOpen} />
      <main id="work" tabIndex={-1} className="min-h-dvh min-w-0 pb-20 outline-none md:pb-0">
        {data.toldAhead && <WrongClock told={data.toldAhead} data={data} />}
        {data.work.length > 0 && <Working work={data.work} />}
        {children}
      </main>
      {open === "finder" && <Finder onClose={close} />}
      {open === "keys" && <Keys onClose={close} />}
      <CheckFile />
      <LeaveGuard />
      <Busy />
    </div>
  );
}

/** Tells a screen reader that the page's work is being brought up to date; a component of its own, so that nothing else is drawn again. */
function Busy() {
  const busy = useNavigation().state !== "idle";
  useLayoutEffect(() => {
    document.getElementById("work")?.setAttribute("aria-busy", String(busy));
  }, [busy]);
  return null;
}

/** Instants come from the server: if its clock is wrong, or was, whoever records something should know. */
function WrongClock({ told, data }: { readonly told: string; readonly data: FrameData }) {
  return (
    <p role="alert" className="sheet hatch m-3 border-rust p-3 font-semibold">
      The server's clock is wrong, or was: the log already tells of{" "}
      {sayInstant(told, data.locale, data.timeZone)}, which has not come yet. Have the clock looked at before
      much more is recorded; a reading with a wrong day can be struck.
    </p>
  );
}

type OnOpen = (what: "finder" | "keys") => void;

/** Plain anchors, which the page's one listener follows: the framework's own links cost more to draw than all the rest. */
function Rail({ data, onOpen }: { readonly data: FrameData; readonly onOpen: OnOpen }) {
  const { pathname } = useLocation();
  const areas = areasOf(data.role);
  const inStrip = areas.slice(0, IN_STRIP).some(({ to }) => pathname === to || pathname.startsWith(`${to}/`));
  const currentIn = (to: string) => (pathname === to || pathname.startsWith(`${to}/`) ? "page" : undefined);
  return (
    <nav
      aria-label="Areas"
      data-go
      className="no-print fixed inset-x-0 bottom-0 z-30 flex bg-rail text-neutral-content md:sticky md:top-0 md:bottom-auto md:h-dvh md:flex-col md:gap-2 md:p-2.5"
    >
      <a
        href="/club"
        aria-current={currentIn("/club")}
        className="hidden border-b border-brass/50 pb-2 font-serif text-sm leading-tight font-bold hover:underline md:block"
      >
        {data.clubName}
      </a>
      <ul className="flex w-full gap-px overflow-x-auto md:mt-1 md:flex-col md:gap-2 md:overflow-visible">
        {areas.map((area, i) => (
          <li key={area.to} className={i < IN_STRIP ? "flex-1 md:flex-none" : "hidden md:block"}>
            <Plate
              to={area.to}
              name={area.name}
              current={currentIn(area.to)}
              count={area.to === "/due" ? data.dueUnits : 0}
            />
          </li>
        ))}
        <li className="flex-1 md:hidden">
          <Plate to="/more" name="More" current={inStrip ? undefined : "page"} count={0} />
        </li>
      </ul>
      <div className="mt-auto hidden flex-col gap-3 text-xs md:flex">
        <p className="flex flex-col gap-1">
          <KeyHint letter="/" word="find" to="/find" onPress={() => onOpen("finder")} />
          <KeyHint letter="?" word="help" to="/keys" onPress={() => onOpen("keys")} />
          <label htmlFor={CHECK_FILE} className="cursor-pointer hover:underline">
            check a file
          </label>
        </p>
        <a href="/me" aria-current={currentIn("/me")} className="leading-snug hover:underline">
          {data.personName}
          <br />
          {data.role}
        </a>
      </div>
    </nav>
  );
}

function Plate(props: {
  readonly to: string;
  readonly name: string;
  readonly current: "page" | undefined;
  readonly count: number;
}) {
  const { to, name, current, count } = props;
  return (
    <a
      href={to}
      aria-current={current}
      className="flex h-14 items-center justify-center gap-1 px-1 font-serif text-[0.68rem] font-semibold aria-[current=page]:bg-plate aria-[current=page]:text-secondary-content md:h-9 md:justify-between md:rounded-xs md:rounded-tr-[0.6rem] md:border md:border-brass/70 md:text-[0.82rem] md:hover:bg-white/10 md:aria-[current=page]:hover:bg-plate"
    >
      {name}
      {count > 0 && (
        <span className="font-sans text-xs font-bold" title={`${count} radios need something`}>
          {count > 999 ? "999+" : count}
          <span className="sr-only"> radios need something</span>
        </span>
      )}
    </a>
  );
}

/** A link that works without scripts; with them it opens in place. */
function KeyHint(props: {
  readonly letter: string;
  readonly word: string;
  readonly to: string;
  readonly onPress: () => void;
}) {
  return (
    <a
      href={props.to}
      onClick={(event) => {
        event.preventDefault();
        props.onPress();
      }}
      className="flex items-center gap-1.5 hover:underline"
    >
      <kbd className="inline-grid size-5 place-items-center rounded-xs border border-brass/70 font-mono">
        {props.letter}
      </kbd>
      {props.word}
    </a>
  );
}
