// What goes wrong out of sight of any request: said once on the server's own output, and again after a minute if it goes on.
const AGAIN_MS = 60_000;

/** A listener for errors of something that mends itself; `what` names it. */
export function complainOf(
  what: string,
  say: (line: string) => void = (line) => console.error(line),
  clock: () => number = () => performance.now(),
): (error: Error) => void {
  let last = "";
  let at = Number.NEGATIVE_INFINITY;
  return (error) => {
    const now = clock();
    if (error.message === last && now - at < AGAIN_MS) return;
    last = error.message;
    at = now;
    say(`${what}: ${error.message}`);
  };
}
