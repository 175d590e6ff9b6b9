// By which names the server is asked: only those it was told. A page elsewhere could otherwise give itself our address under
// a name of its own, and read with it.
import type { RequestHandler } from "express";

/** The name in a Host header without its port, folded; undefined for what is none. */
export function hostName(header: string | undefined): string | undefined {
  const match = /^(\[[0-9a-f:.]+\]|[a-z0-9]([a-z0-9.-]*[a-z0-9])?)(:\d{1,5})?$/i.exec(header ?? "");
  return match?.[1]?.toLowerCase();
}

/** Names of this machine to itself. */
export const LOOPBACK = ["127.0.0.1", "localhost", "[::1]"];

/** Answers 400 to a Host that is none, and 421 to one that is not ours. */
export function onlyOurNames(names: readonly string[]): RequestHandler {
  const ours = new Set(names.map((name) => name.toLowerCase()));
  return (request, response, next) => {
    const name = hostName(request.host);
    if (name === undefined || !request.originalUrl.startsWith("/"))
      response.status(400).type("text/plain").send("This address is none.\n");
    else if (!ours.has(name))
      response
        .status(421)
        .type("text/plain")
        .send(
          "This server does not go by that name. Start it with --name to say by which names it may be asked.\n",
        );
    else next();
  };
}
