// One line a request: what was asked, how it was answered, how long it took. No headers, which hold cookies, and nothing after the question mark, which people may have typed.
import pino, { type DestinationStream } from "pino";
import { pinoHttp } from "pino-http";
import { withoutSecret } from "#app/auth/without-secret.ts";

export const requestLog = (level: string, to?: DestinationStream) =>
  pinoHttp({
    logger: to ? pino({ level }, to) : pino({ level }),
    customLogLevel: (_request, response, error) => (error || response.statusCode >= 500 ? "error" : "info"),
    serializers: {
      req: (request: { method: string; url: string }) => ({
        method: request.method,
        path: withoutSecret(request.url.split("?")[0] ?? ""),
      }),
      res: (response: { statusCode: number }) => ({ status: response.statusCode }),
    },
  });
