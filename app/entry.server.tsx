// Renders a page to a stream, with the nonce that the content security policy asks of every script.
import { PassThrough } from "node:stream";
import { createReadableStreamFromReadable } from "@react-router/node";
import { renderToPipeableStream } from "react-dom/server";
import { type EntryContext, type RouterContextProvider, ServerRouter } from "react-router";
import { requestContext } from "./context.ts";

const LONGEST_RENDER_MS = 10_000;

export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  entry: EntryContext,
  context: Readonly<RouterContextProvider>,
): Promise<Response> {
  const { nonce } = context.get(requestContext);
  return new Promise((resolve, reject) => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const { pipe, abort } = renderToPipeableStream(
      <ServerRouter context={entry} url={request.url} nonce={nonce} />,
      {
        nonce,
        onShellReady() {
          const body = new PassThrough({
            final(done) {
              clearTimeout(timer);
              done();
            },
          });
          headers.set("Content-Type", "text/html; charset=utf-8");
          headers.set("Cache-Control", "no-store");
          pipe(body);
          resolve(new Response(createReadableStreamFromReadable(body), { status, headers }));
        },
        onShellError: reject,
        onError: (error) => console.error(error),
      },
    );
    timer = setTimeout(abort, LONGEST_RENDER_MS);
  });
}
