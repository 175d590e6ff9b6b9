// The headers of every answer: what a page may load and run, and where it may be shown.
import type { IncomingMessage } from "node:http";
import type { Request, RequestHandler, Response } from "express";
import helmet, { type HelmetOptions } from "helmet";
import { LOOPBACK } from "./hosts.ts";

/** What browsers heed only where nobody can have changed the page on its way: elsewhere they complain of it on every page. */
const isTrusted = (request: IncomingMessage): boolean =>
  (request as Request).secure || LOOPBACK.includes((request as Request).hostname);

export const headers = (): RequestHandler => {
  const trusted = helmet(OPTIONS);
  const plain = helmet({ ...OPTIONS, crossOriginOpenerPolicy: false, originAgentCluster: false });
  return (request, response, next) => (isTrusted(request) ? trusted : plain)(request, response, next);
};

const OPTIONS: HelmetOptions = {
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      scriptSrc: [
        "'self'",
        // The solver for what to get is a program of its own, compiled for browsers, and shipped with us.
        "'wasm-unsafe-eval'",
        (_request, response) => `'nonce-${(response as Response).locals.nonce}'`,
      ],
      styleSrc: ["'self'"],
      // Places of drawn things are computed, and React writes them as style attributes.
      styleSrcAttr: ["'unsafe-inline'"],
      fontSrc: ["'self'"],
      imgSrc: ["'self'", "data:", "blob:"],
      connectSrc: ["'self'"],
      workerSrc: ["'self'", "blob:"],
      formAction: ["'self'"],
      frameAncestors: ["'none'"],
      baseUri: ["'self'"],
      objectSrc: ["'none'"],
    },
  },
  // Whether all of a name is to be asked by https is for whoever owns the name to say; see docs/hosting.md.
  strictTransportSecurity: false,
  referrerPolicy: { policy: "same-origin" },
};
