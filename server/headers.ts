// The headers of every answer: what a page may load and run, and where it may be shown.
import type { Response } from "express";
import helmet from "helmet";

export const headers = () =>
  helmet({
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
  });
