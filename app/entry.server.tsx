// Renders a page whole, with the nonce that the content security policy asks of every script. No page of ours waits
// for slow parts, so that one piece is quicker to compress and send than the thousand a stream would be cut into.
import { Writable } from "node:stream";
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
        onAllReady() {
          const chunks: Buffer[] = [];
          const whole = new Writable({
            write(chunk: Buffer, _encoding, done) {
              chunks.push(chunk);
              done();
            },
            final(done) {
              clearTimeout(timer);
              headers.set("Content-Type", "text/html; charset=utf-8");
              headers.set("Cache-Control", "no-store");
              resolve(new Response(new Uint8Array(Buffer.concat(chunks)), { status, headers }));
              done();
            },
          });
          pipe(whole);
        },
        onShellError: reject,
        onError: (error) => console.error(error),
      },
    );
    timer = setTimeout(abort, LONGEST_RENDER_MS);
  });
}
