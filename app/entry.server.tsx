// Renders a page in one piece, which compresses and sends faster than a stream of many, with the nonce that the content security policy asks of scripts.
import { EventEmitter } from "node:events";
import { renderToPipeableStream } from "react-dom/server";
import { type EntryContext, type RouterContextProvider, ServerRouter } from "react-router";
import { withoutSecret } from "./auth/without-secret.ts";
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
          const page = new Collected((whole) => {
            clearTimeout(timer);
            headers.set("Content-Type", "text/html; charset=utf-8");
            headers.set("Cache-Control", "no-store");
            resolve(new Response(whole, { status, headers }));
          });
          pipe(page as unknown as NodeJS.WritableStream);
        },
        onShellError: reject,
        onError: (error) => console.error(error),
      },
    );
    timer = setTimeout(() => {
      abort();
      reject(new Error(`drawing ${withoutSecret(new URL(request.url).pathname)} took too long`));
    }, LONGEST_RENDER_MS);
  });
}

/** Takes what is rendered and hands it on whole. (A stream proper would cost a good part of the rendering itself.) */
class Collected extends EventEmitter {
  readonly #chunks: Uint8Array[] = [];
  readonly #done: (whole: Uint8Array<ArrayBuffer>) => void;

  constructor(done: (whole: Uint8Array<ArrayBuffer>) => void) {
    super();
    this.#done = done;
  }

  write(chunk: Uint8Array | string): boolean {
    this.#chunks.push(typeof chunk === "string" ? Buffer.from(chunk) : chunk);
    return true;
  }

  end(): void {
    this.#done(new Uint8Array(Buffer.concat(this.#chunks)));
  }

  destroy(error?: Error): void {
    if (error) console.error(error);
  }
}
