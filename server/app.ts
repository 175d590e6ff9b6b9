// The HTTP process: names, headers, compression, static files, bodies, log lines, and React Router for the rest.
import { randomBytes } from "node:crypto";
import type { IncomingMessage, Server, ServerResponse } from "node:http";
import http from "node:http";
import https from "node:https";
import type { AddressInfo } from "node:net";
// The framework's own name for what it built.
import * as build from "virtual:react-router/server-build";
import compression from "compression";
import express, { type ErrorRequestHandler, type RequestHandler } from "express";
import { createRequestHandler, RouterContextProvider, type ServerBuild } from "react-router";
import { refusalBeforeSignIn } from "#app/auth/attempts.server.ts";
import { senderOf } from "#app/auth/session.server.ts";
import { answersAway } from "#app/away.server.ts";
import { type Refusal, requestContext } from "#app/context.ts";
import { isAway } from "#db/errors.ts";
import { closePool } from "#db/pool.ts";
import { startWorking } from "#jobs/needs.ts";
import type { Worker } from "#jobs/queue.ts";
import { frameworkRequest, sendAnswer } from "./adapter.ts";
import { takeBody } from "./body.ts";
import { headers } from "./headers.ts";
import { LOOPBACK, onlyOurNames } from "./hosts.ts";
import { type Hub, liveUpdates, makeHub, startLive } from "./live.ts";
import { requestLog } from "./request-log.ts";

export type Running = { readonly address: string; readonly stop: () => Promise<void> };

export type ServeOptions = {
  readonly port: number;
  readonly clientFolder: string;
  /** The address to listen on; loopback if none is given. */
  readonly host?: string | undefined;
  /** Further names under which it may be asked, besides those of the machine to itself. */
  readonly names?: readonly string[] | undefined;
  /** Addresses of proxies in front of it, whose word on address, name and https counts. */
  readonly proxies?: readonly string[] | undefined;
  readonly tls?: { readonly cert: string; readonly key: string } | undefined;
};

export function makeApp(
  { clientFolder, host, names = [], proxies = [] }: ServeOptions,
  hub: Hub = makeHub(),
): express.Express {
  const app = express();
  app.disable("x-powered-by");
  app.set("trust proxy", proxies.length > 0 ? [...proxies] : false);
  app.use((_request, response, next) => {
    response.locals.nonce = randomBytes(16).toString("base64");
    next();
  });
  app.use(headers());
  app.use(onlyOurNames([...LOOPBACK, ...(host ? [host.includes(":") ? `[${host}]` : host] : []), ...names]));
  app.use(onlyOurMethods);
  // Before what squeezes: its lines must not wait for one another.
  app.get("/live", liveUpdates(hub));
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
  app.use(pages());
  app.use(inAFewWords);
  return app;
}

/** Pages are asked for, forms are sent; nothing of ours answers anything else. */
const onlyOurMethods: RequestHandler = (request, response, next) => {
  if (["GET", "HEAD", "POST"].includes(request.method)) next();
  else
    response.status(405).set("Allow", "GET, HEAD, POST").type("text/plain").send("Not a way to ask here.\n");
};

function pages(): RequestHandler {
  const handle = createRequestHandler(answersAway(build as unknown as ServerBuild), "production");
  return async (request, response, next) => {
    try {
      const taken = await bodyOf(request, response);
      const context = new RouterContextProvider();
      context.set(requestContext, {
        nonce: String(response.locals.nonce),
        address: request.ip ?? "",
        refusal: taken.refusal,
      });
      await sendAnswer(response, await handle(frameworkRequest(request, response, taken.bytes), context));
    } catch (error) {
      next(error);
    }
  };
}

type Taken = {
  readonly bytes?: Buffer<ArrayBuffer> | ReadableStream<Uint8Array>;
  readonly refusal?: Refusal;
};

/** What a form carries. One that is not taken in is answered all the same, and its connection closed. */
async function bodyOf(request: express.Request, response: ServerResponse): Promise<Taken> {
  if (request.method !== "POST") return {};
  const tooMany = await refusalBeforeSignIn(request.path, request.ip ?? "", request.headers.cookie);
  const taken = tooMany
    ? { ok: false as const, refusal: tooMany }
    : await takeBody(request, () => senderOf(request.headers.cookie));
  if (taken.ok) return { bytes: taken.bytes };
  if (!request.complete) closeAfter(request, response);
  return { refusal: taken.refusal };
}

/** What is still coming is not read; it goes a moment after the answer, so that the answer can be seen. */
const CLOSES_AFTER_MS = 500;
function closeAfter(request: IncomingMessage, response: ServerResponse): void {
  response.setHeader("Connection", "close");
  response.once("finish", () => setTimeout(() => request.destroy(), CLOSES_AFTER_MS).unref());
}

const inAFewWords: ErrorRequestHandler = (
  error: { status?: unknown } | undefined,
  _request,
  response,
  next,
) => {
  if (response.headersSent) return next(error);
  if (isAway(error))
    return void response
      .status(503)
      .set("Retry-After", "3")
      .type("text/plain")
      .send("The records cannot be reached just now.\n");
  const status =
    typeof error?.status === "number" && error.status >= 400 && error.status < 500 ? error.status : 500;
  if (status === 500) console.error(error);
  response
    .status(status)
    .type("text/plain")
    .send(status === 500 ? "Something broke on our side.\n" : "That could not be taken.\n");
};

/** A form may take so long to come in, and its head so long; a file over a slow line takes a while. */
const FORM_COMES_MS = 120_000;
const HEAD_COMES_MS = 10_000;

/** Serves until stopped. A taken port rejects with code EADDRINUSE. */
export function serve(options: ServeOptions): Promise<Running> {
  const { host = "127.0.0.1", tls } = options;
  return new Promise((resolve, reject) => {
    const working = keepWorking();
    const hub = makeHub();
    const live = startLive(process.env.MOSSY_DATABASE_URL ?? "", hub);
    const stopAll = () => Promise.all([working.stop(), live.stop()]);
    const timeouts = { requestTimeout: FORM_COMES_MS, headersTimeout: HEAD_COMES_MS };
    const app = makeApp(options, hub);
    const server: Server | https.Server = tls
      ? https.createServer({ ...timeouts, ...tls }, app)
      : http.createServer(timeouts, app);
    server.once("error", (error) => stopAll().finally(() => reject(error)));
    server.once("listening", () => {
      const { port } = server.address() as AddressInfo;
      resolve({
        address: `${tls ? "https" : "http"}://${host.includes(":") ? `[${host}]` : host}:${port}`,
        stop: async () => {
          server.closeAllConnections();
          await new Promise((done) => server.close(done));
          await stopAll();
          await closePool();
        },
      });
    });
    server.listen(options.port, host);
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
