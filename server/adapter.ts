// Between Node's requests and the framework's: the address is made from what the server knows of itself, the body is the one
// that was taken in, and the answer goes out as it is.
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import type { Request as ExpressRequest, Response as ExpressResponse } from "express";

/** The request as the framework wants it. A body that was refused is left out: the pages then say why. */
export function frameworkRequest(
  request: ExpressRequest,
  response: ExpressResponse,
  body: Buffer<ArrayBuffer> | ReadableStream<Uint8Array> | undefined,
): Request {
  const leaving = new AbortController();
  response.once("close", () => leaving.abort());
  const headers = new Headers();
  for (const [name, values] of Object.entries(request.headers))
    for (const value of [values ?? []].flat()) headers.append(name, value);
  const carries = request.method === "POST";
  return new Request(`${request.protocol}://${request.host}${request.originalUrl}`, {
    method: request.method,
    headers,
    signal: leaving.signal,
    ...(carries && { body: body ?? "", duplex: "half" }),
  });
}

/** Sends the framework's answer. Nothing of ours may be kept by a browser or on the way: all of it is private. */
export async function sendAnswer(response: ExpressResponse, answer: Response): Promise<void> {
  if (response.destroyed || response.writableEnded) return answer.body?.cancel();
  response.status(answer.status);
  for (const [name, value] of answer.headers) response.append(name, value);
  response.setHeader("Cache-Control", "no-store");
  if (!answer.body) {
    response.end();
    return;
  }
  // As fast as whoever asked can take it, and no faster: a large file must not wait in memory for a slow line.
  const body = answer.body as Parameters<typeof Readable.fromWeb>[0];
  await pipeline(Readable.fromWeb(body), response).catch((error: unknown) => {
    if (!response.destroyed) throw error;
  });
}
