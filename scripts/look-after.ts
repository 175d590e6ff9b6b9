// A database server that ends without being told to (killed, no room on the disk) is started again, later and later as long as that fails.
import type { ChildProcess } from "node:child_process";
import { stopServer } from "./stop-server.ts";

const FIRST_WAIT_MS = 500;
const LONGEST_WAIT_MS = 30_000;
/** Having run for so long, it is well again. */
const WELL_AFTER_MS = 60_000;

/** Starts the server again whenever it ends without being told to. Answers how to end it for good. */
export function lookAfter(
  first: ChildProcess,
  launch: () => ChildProcess,
  say: (line: string) => void,
): () => Promise<void> {
  let server = first;
  let over = false;
  let wait = FIRST_WAIT_MS;
  let again: NodeJS.Timeout | undefined;
  const watch = () => {
    const begun = Date.now();
    server.once("exit", () => {
      if (over) return;
      if (Date.now() - begun > WELL_AFTER_MS) wait = FIRST_WAIT_MS;
      say(
        `The database server has ended by itself; it is started again in ${wait / 1000} s. Pages say so meanwhile.`,
      );
      again = setTimeout(() => {
        server = launch();
        watch();
      }, wait);
      wait = Math.min(wait * 2, LONGEST_WAIT_MS);
    });
  };
  watch();
  return async () => {
    over = true;
    clearTimeout(again);
    await stopServer(server);
  };
}
