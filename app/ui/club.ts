// What every part of a page may need to know of the club: its locale, its time zone, what day it is, who looks.
import { useRouteLoaderData } from "react-router";
import { may, type Permission, type Role } from "#core/club/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";

export type FrameData = {
  readonly clubName: string;
  readonly locale: string;
  readonly timeZone: string;
  readonly today: PlainDate;
  readonly person: string;
  readonly personName: string;
  readonly role: Role;
  readonly theme: "auto" | "fern" | "lamp";
  /** For the next form that is sent; see `FormKey`. */
  readonly formKey: string;
  readonly dueUnits: number;
  /** An instant in the log that has not come yet: the server's clock is wrong, or was. */
  readonly toldAhead?: string | undefined;
  /** Needs being worked out just now, after a change that touches many units. */
  readonly work: readonly { readonly why: string; readonly done: number; readonly total: number }[];
};

export const FRAME = "frame/frame";

export function useClub(): FrameData {
  const data = useRouteLoaderData<FrameData>(FRAME);
  if (!data) throw new Error("this part belongs inside the frame");
  return data;
}

/** Whether the person looking may do this: what is not allowed is not offered. */
export function useMay(act: Permission, about?: { holdsUnit?: boolean }): boolean {
  return may(useClub().role, act, about);
}

type Loader = (...args: never[]) => Promise<object | Response> | object;

/** For a route's `handle.follows`: topics that follow from what its own loader gives, so that a name the loader has not does not compile. */
export const following =
  <Of extends Loader>(topics: (data: Exclude<Awaited<ReturnType<Of>>, Response>) => readonly string[]) =>
  (data: never): readonly string[] =>
    topics(data);
