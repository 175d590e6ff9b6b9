// Asks a server for pages, some at a time and in turn, so that a slow minute slows all of them. Its own process, to leave the server its time. Takes JSON, answers each page’s median.
import { best, median } from "./clock.ts";

export type Asked = { readonly url: string; readonly headers: Record<string, string> };
export type Task = { readonly pages: readonly Asked[]; readonly atOnce: number; readonly rounds: number };

const { pages, atOnce, rounds } = JSON.parse(process.argv[2] ?? "{}") as Task;
const load = async ({ url, headers }: Asked) => {
  const answer = await fetch(url, { headers });
  await answer.arrayBuffer();
  if (answer.status !== 200) throw new Error(`${url} answered ${answer.status}`);
};
const times: number[][] = pages.map(() => []);
for (let round = 0; round < rounds; round++) {
  for (const [i, page] of pages.entries()) {
    const all = () => Promise.all(Array.from({ length: atOnce }, () => load(page)));
    times[i]?.push(await best(1, all));
  }
}
console.log(JSON.stringify(times.map(median)));
