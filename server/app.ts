// The HTTP process: headers, compression, static files, log lines, and React Router for the rest.
import { randomBytes } from "node:crypto";
import type { AddressInfo } from "node:net";
// The framework's own name for what it built.
import * as build from "virtual:react-router/server-build";
import { createRequestHandler } from "@react-router/express";
import compression from "compression";
import express from "express";
import helmet from "helmet";
import { RouterContextProvider, type ServerBuild } from "react-router";
import { requestContext } from "#app/context.ts";
import { closePool } from "#db/pool.ts";
import type { Worker } from "#db/queue.ts";
import { startWorking } from "#db/work.ts";
import { requestLog } from "./request-log.ts";

export type Running = { readonly address: string; readonly stop: () => Promise<void> };

export function makeApp(clientFolder: string): express.Express {
  const app = express();
  app.disable("x-powered-by");
  app.use((_request, response, next) => {
    response.locals.nonce = randomBytes(16).toString("base64");
    next();
  });
  app.use(headers());
  // Pages are made anew each time: a quick squeeze is worth more than the smallest one.
  app.use(compression({ level: 2 }));
  // Pages come whole: there is nothing to send ahead of the rest.
  app.use((_request, response, next) => {
    response.flush = () => {};
    next();
  });
  app.use("/assets", express.static(`${clientFolder}/assets`, { immutable: true, maxAge: "1y" }));
  app.use(express.static(clientFolder, { maxAge: "1h" }));
  app.use(requestLog(process.env.MOSSY_LOG ?? "warn"));
  app.use(
    createRequestHandler({
      build: build as unknown as ServerBuild,
      mode: "production",
      getLoadContext: (request, response) => {
        const context = new RouterContextProvider();
        context.set(requestContext, {
          nonce: String(response.locals.nonce),
          address: request.socket.remoteAddress ?? "",
        });
        return context;
      },
    }),
  );
  return app;
}

function headers() {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: [
          "'self'",
          // The solver for what to get is a program of its own, compiled for browsers, and shipped with us.
          "'wasm-unsafe-eval'",
          (_request, response) => `'nonce-${(response as express.Response).locals.nonce}'`,
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
    // Plain http on loopback: the browser must not be told to insist on https.
    strictTransportSecurity: false,
    referrerPolicy: { policy: "same-origin" },
  });
}

/** Serves on loopback until stopped. A taken port rejects with code EADDRINUSE. */
export function serve(options: { port: number; clientFolder: string }): Promise<Running> {
  return new Promise((resolve, reject) => {
    const working = keepWorking();
    const server = makeApp(options.clientFolder).listen(options.port, "127.0.0.1");
    server.once("error", (error) => working.stop().finally(() => reject(error)));
    server.once("listening", () => {
      const { port } = server.address() as AddressInfo;
      resolve({
        address: `http://127.0.0.1:${port}`,
        stop: async () => {
          server.closeAllConnections();
          await new Promise((done) => server.close(done));
          await working.stop();
          await closePool();
        },
      });
    });
  });
}

/** Takes work from the queue as long as the server runs; where the database cannot be reached yet, tries again. */
function keepWorking(): { stop: () => Promise<void> } {
  let over = false;
  let again: NodeJS.Timeout | undefined;
  const begin = (): Promise<Worker | undefined> =>
    startWorking(process.env.MOSSY_DATABASE_URL ?? "").catch((error: Error) => {
      console.error(`The queue of work waits: ${error.message}`);
      if (!over)
        again = setTimeout(() => {
          started = begin();
        }, 5000);
      return undefined;
    });
  let started = begin();
  return {
    stop: async () => {
      over = true;
      clearTimeout(again);
      await (await started)?.stop();
    },
  };
}
