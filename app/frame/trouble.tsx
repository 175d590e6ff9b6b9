// The plain pages for what goes wrong: not allowed, not there, records or server away, our own defect.
import isNetworkError from "is-network-error";
import { useEffect, useLayoutEffect } from "react";
import { isRouteErrorResponse, Link, useRevalidator } from "react-router";
import { keepUnsaved } from "../forms/keep/keep.ts";
import { isSecret } from "../forms/keep/secret.ts";

type Trouble = { readonly title: string; readonly text: string };

function troubleOf(status: number, data: unknown): Trouble {
  switch (status) {
    case 400:
    case 413:
    case 415:
      return {
        title: "That could not be taken",
        text: textIn(data, "why") ?? "What was sent cannot be read.",
      };
    case 403:
      return {
        title: "That is not yours to do",
        text: "Your role in the club does not include this. A keeper can do it, or give you the role.",
      };
    case 404:
      return {
        title: "There is nothing here",
        text: `${textIn(data, "what") ?? "This page"} is not in the club's records. It may have been renamed or shelved.`,
      };
    case 503:
      return {
        title: "The records cannot be reached just now",
        text: "The database does not answer. This page tries again every few seconds and comes back by itself; nothing that was saved is lost.",
      };
    default:
      return {
        title: "Something broke on our side",
        text: "That was not your doing. What was saved before is safe. Go back and try once more; if it happens again, tell your keeper what you did.",
      };
  }
}

function textIn(data: unknown, field: "what" | "why"): string | undefined {
  const text =
    typeof data === "object" && data !== null ? (data as Record<string, unknown>)[field] : undefined;
  return typeof text === "string" ? text : undefined;
}

const NOTHING_ANSWERS: Trouble = {
  title: "Nothing answers",
  text: "The server cannot be reached. This page tries again every few seconds and comes back by itself; nothing that was saved is lost.",
};

/** The page for what a route threw. */
export function TroublePage({ error }: { readonly error: unknown }) {
  // What was sent and came to this is not saved.
  useLayoutEffect(keepUnsaved, []);
  const away = isNetworkError(error);
  const known = isRouteErrorResponse(error);
  const status = known ? error.status : 500;
  const typed = known ? typedIn(error.data) : undefined;
  const trouble = away ? NOTHING_ANSWERS : troubleOf(status, known ? error.data : undefined);
  return (
    <section className="max-w-xl" role="alert">
      {!away && <p className="text-sm text-quiet">Answer {status}</p>}
      <h1 className="mt-1 mb-3">{trouble.title}</h1>
      <p className="text-lg">{trouble.text}</p>
      {typed && <SendAgain typed={typed} />}
      <p className="mt-6">
        <Link className="link" to="/cabinet" reloadDocument>
          To the Cabinet
        </Link>
      </p>
      {status === 503 && !typed && <meta httpEquiv="refresh" content="5" />}
      {(away || (status === 503 && !typed)) && <TriesAgain />}
    </section>
  );
}

type Typed = { readonly name: string; readonly value: string; readonly tie: boolean };

/** What a form held that came without scripts. */
function typedIn(data: unknown): readonly Typed[] | undefined {
  const { typed, ties } = (data ?? {}) as { typed?: readonly (readonly [string, string])[]; ties?: string[] };
  return Array.isArray(typed)
    ? typed.map(([name, value]) => ({ name, value, tie: ties?.includes(name) === true }))
    : undefined;
}

/** The page that the form was on cannot be drawn; what was typed into it can, and be sent once more. */
function SendAgain({ typed }: { readonly typed: readonly Typed[] }) {
  return (
    <form method="post" className="sheet mt-6 flex flex-col gap-3 p-4">
      <p>Nothing was saved. What you typed is kept here: send it again in a moment.</p>
      {typed.map(({ name, value, tie }, i) => {
        const key = `${name}-${i}`;
        if (tie || name === "intent")
          return <input key={key} type="hidden" name={name} defaultValue={value} />;
        return (
          <p key={key} className="flex flex-col gap-1">
            <label htmlFor={key} className="text-sm font-semibold">
              {name}
            </label>
            {isSecret(name) ? (
              <input id={key} type="password" name={name} className="input w-full" autoComplete="off" />
            ) : (
              <textarea
                id={key}
                name={name}
                defaultValue={value}
                rows={Math.min(8, value.split("\n").length)}
                className="textarea w-full"
              />
            )}
          </p>
        );
      })}
      <button type="submit" className="btn btn-primary self-start">
        Send it again
      </button>
    </form>
  );
}

function TriesAgain() {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    const timer = setInterval(revalidate, 3000);
    return () => clearInterval(timer);
  }, [revalidate]);
  return null;
}
