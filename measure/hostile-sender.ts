// Sends hostile requests from a process of its own, so that sending them does not hold up the server that is measured.
import { HOSTILE, send } from "./hostile-requests.ts";

process.on("message", async (told: { index: number; port: number; cookie: string }) => {
  const one = HOSTILE[told.index];
  process.send?.(one ? await send(one, told.port, told.cookie) : "closed");
});
