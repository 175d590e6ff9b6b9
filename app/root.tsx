// The document around every page: language, theme, scripts with their nonce, and the page for what goes wrong.
import "./no-eval.ts";
import mono from "@fontsource-variable/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-wght-normal.woff2?url";
import sans from "@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url";
import serif from "@fontsource-variable/bitter/files/bitter-latin-wght-normal.woff2?url";
import { type ReactNode, useEffect } from "react";
import {
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  type ShouldRevalidateFunctionArgs,
  useRouteError,
  useRouteLoaderData,
} from "react-router";
import type { Route } from "./+types/root";
import "./app.css";
import { checkForm } from "./auth/form.server.ts";
import { checkOrigin, findPerson } from "./auth/session.server.ts";
import { requestContext, sessionContext } from "./context.ts";
import { putBackEarly } from "./forms/keep/early.ts";
import { TroublePage } from "./frame/trouble.tsx";

export const middleware: Route.MiddlewareFunction[] = [checkOrigin, checkForm, findPerson];

export const meta: Route.MetaFunction = () => [{ title: "Mossy Cabinet" }];

export const links: Route.LinksFunction = () =>
  [sans, serif, mono].map((href) => ({
    rel: "preload",
    as: "font",
    type: "font/woff2",
    crossOrigin: "anonymous" as const,
    href,
  }));

export function loader({ context }: Route.LoaderArgs) {
  return {
    nonce: context.get(requestContext).nonce,
    theme: context.get(sessionContext)?.theme ?? "auto",
    lang: context.get(sessionContext)?.locale ?? "en-GB",
  };
}

export function shouldRevalidate({ formAction, actionStatus = 200 }: ShouldRevalidateFunctionArgs) {
  return formAction === "/sign-in" && actionStatus < 400;
}

export function Layout({ children }: { children: ReactNode }) {
  const data = useRouteLoaderData<typeof loader>("root");
  // The browser empties nonce attributes once read; so the client must not compare them.
  const nonce = typeof document === "undefined" ? data?.nonce : "";
  return (
    <html lang={data?.lang ?? "en-GB"} data-theme={data && data.theme !== "auto" ? data.theme : undefined}>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <link rel="icon" href="/icon.svg" type="image/svg+xml" />
        <Meta />
        <Links nonce={nonce} />
      </head>
      <body className="min-h-dvh">
        {children}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function App() {
  useEffect(() => {
    putBackEarly();
    document.documentElement.dataset.awake = "";
  }, []);
  return <Outlet />;
}

export function ErrorBoundary() {
  const error = useRouteError();
  return (
    <main id="work" className="p-8">
      <TroublePage error={error} />
    </main>
  );
}
