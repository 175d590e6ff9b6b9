// One answer at a bench: a step on, and back again; how long it takes from the press to the whole next page.

export async function answerAt(
  { address, cookie }: { readonly address: string; readonly cookie: string },
  run: string,
  number: number,
): Promise<number> {
  const [intent, place] = number % 2 === 1 ? ["seen", 0] : ["back", 1];
  const started = performance.now();
  const response = await fetch(`${address}/bench/${run}`, {
    method: "POST",
    headers: { Origin: address, cookie, "Content-Type": "application/x-www-form-urlencoded" },
    body: new URLSearchParams({
      intent,
      number: String(number),
      place: String(place),
      last: "no",
      key: crypto.randomUUID(),
    }),
  });
  const page = await response.text();
  const took = performance.now() - started;
  if (response.status !== 200 || !page.includes(`Step <!-- -->${2 - place}<!-- -->`))
    throw new Error(`run ${run} answered ${response.status}`);
  return took;
}
