// What is guarded never leaves for those who may not see it: every field of it is marked, and every address is visited by every role. To
// those who may see it it leaves only where the log says so.
import { expect, type Page } from "@playwright/test";
import pg from "pg";
import routes from "../../app/routes.ts";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

const MARK = "Xsecretx";
let served: Served;
let owner: pg.Client;

/** Each guarded field with a mark of its own, so that a find names it. */
async function markAll(): Promise<void> {
  const steps = `jsonb_build_array(jsonb_build_object('kind', 'note', 'what', '${MARK} step'))`;
  for (const statement of [
    "alter table run_event disable trigger user; alter table log disable trigger user; alter table reading disable trigger user",
    `update procedure set steps = (select jsonb_agg(s order by n) from jsonb_array_elements(steps) with ordinality as e(s, n) where s ->> 'kind' = 'hold') where effect = 'unlock' and exists (select from jsonb_array_elements(steps) s where s ->> 'kind' = 'hold')`,
    `update procedure set steps = steps || ${steps} where effect = 'unlock'`,
    `update service_item set facts = facts || '{"meaning": "${MARK} meaning", "usual": "${MARK} usual", "where": "${MARK} where", "never": "${MARK} never"}', name = left('${MARK} ' || name, 60) where kind = 'setting'`,
    `update service_item set facts = facts || '{"meaning": "${MARK} code", "tool": "${MARK} tool", "symptom": "${MARK} symptom", "cure": "${MARK} cure"}' where kind = 'code'`,
    `update mode set facts = facts || '{"setting": "${MARK} in a tool"}'`,
    `update unit_setting set value = '${MARK} value', why = '${MARK} why'`,
    // A run that unlocks, and what was typed in one that switches a mode.
    `update run set plan = replace(plan::text, '"kind": "do"', '"kind": "do", "guarded": true')::jsonb where plan ->> 'purpose' = 'mode'`,
    `update run set plan = jsonb_set(plan, '{stages,0,steps}', '[{"kind": "do", "guarded": true, "minutes": 1, "step": {"kind": "note", "what": "${MARK} guarded step"}}]') where plan ->> 'purpose' = 'mode'`,
    `update run_event set what = '{"kind": "noted", "text": "${MARK} note"}' where run_id in (select id from run where plan ->> 'purpose' = 'mode') and number = 2`,
    `update run_event set what = '{"kind": "odd", "symptom": "${MARK} odd"}' where run_id in (select id from run where plan ->> 'purpose' = 'mode') and number = 3`,
    `update run_event set what = '{"kind": "cured", "cause": "${MARK} cause", "cure": "${MARK} cured"}' where run_id in (select id from run where plan ->> 'purpose' = 'mode') and number = 4`,
    `update log set detail = detail || '{"name": "${MARK} named", "value": "${MARK} valued", "why": "${MARK} reason"}' where kind = 'setting-noted'`,
    `update log set detail = detail || '{"what": "${MARK} item"}' where kind in ('service-item-written', 'service-item-shelved')`,
    "alter table run_event enable trigger user; alter table log enable trigger user; alter table reading enable trigger user",
  ])
    await owner.query(statement);
}

const ids = async (text: string): Promise<string[]> =>
  (await owner.query<{ id: string }>(text)).rows.map(({ id }) => id);

/** What stands for the parts of addresses: of each kind some, those with something guarded first. */
async function standIns(): Promise<Record<string, readonly string[]>> {
  const models = await ids(
    "select distinct model_id::text id from procedure where effect = 'unlock' union select distinct model_id::text from service_item",
  );
  return {
    link: ["nothing"],
    tag: await ids(
      "select tag id from unit where id in (select unit_id from unit_setting) or tag in ('W-03', 'H-07') or id in (select unit_id from run where plan ->> 'purpose' = 'mode') limit 6",
    ),
    run: await ids("select id::text from run where plan ->> 'purpose' = 'mode' or id <= 3"),
    kind: ["leads", "tools", "units", "model", "plan"],
    id: ["1", "2"],
    model: models.slice(0, 3),
    release: (await ids("select min(id)::text id from release group by component_id")).slice(0, 2),
    procedure: await ids("select id::text from procedure where effect = 'unlock' limit 3"),
    mode: (await ids("select id::text from mode order by id")).slice(0, 4),
    item: (await ids("select id::text from service_item order by id")).slice(0, 3),
    quirk: ["1"],
    segment: ["1"],
    limit: ["1"],
    group: ["1"],
    person: ["1"],
    place: ["1"],
    file: ["units.csv", "readings.csv", "log.csv", "club.json", "kit.json"],
    backup: ["1"],
    sha256: ["0".repeat(64)],
  };
}

type Route = { readonly path?: string; readonly children?: readonly Route[] };
const pathsOf = (list: readonly Route[]): string[] =>
  list.flatMap(({ path, children }) => [...(path === undefined ? [] : [path]), ...pathsOf(children ?? [])]);

async function addresses(): Promise<string[]> {
  const known = await standIns();
  const filled = (path: string): string[] => {
    const [, name] = /:(\w+)/.exec(path) ?? [];
    if (name === undefined) return [path];
    const values = known[name];
    if (!values) throw new Error(`say what stands for :${name} in ${path}`);
    return values.flatMap((value) => filled(path.replace(`:${name}`, encodeURIComponent(value))));
  };
  const own = pathsOf(routes as unknown as readonly Route[])
    .filter((path) => path !== "sign-out")
    .flatMap(filled)
    .map((path) => `/${path}`);
  const asked = [`/find?q=${MARK}`, `/log?words=${MARK}`, "/log?kind=setting-noted"];
  const models = (known.model ?? []).flatMap((id) => [
    `/models/${id}?guarded=shown`,
    `/models/${id}?all=1&guarded=shown`,
    `/bench/practice?model=${id}`,
    ...(known.procedure ?? []).map((one) => `/bench/practice?model=${id}&procedure=${one}`),
    ...(known.procedure ?? []).map((one) => `/models/${id}/print?only=${one}`),
  ]);
  return [...own, ...asked, ...models];
}

test.beforeAll(async () => {
  served = await serveFresh("demo");
  owner = new pg.Client({ connectionString: served.ownerUrl });
  await owner.connect();
  await owner.query("select set_config('mossy.club', (select min(id)::text from club), false)");
  await markAll();
});
test.afterAll(async () => {
  await owner.end();
  await served.stop();
});

/** Visits all of it, as a page and as the data that scripts ask for; answers where a mark stood. */
async function found(page: Page, look: (path: string, text: string) => Promise<string | undefined>) {
  const cookie = (await page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join("; ");
  const places: string[] = [];
  let marked = 0;
  for (const path of await addresses())
    for (const form of [path, path.replace(/(\?|$)/, ".data$1")]) {
      const answer = await fetch(served.address + form, { headers: { cookie }, redirect: "manual" });
      const text = await answer.text();
      if (answer.status >= 500) places.push(`${form}: ${answer.status}`);
      if (text.includes(MARK)) marked++;
      const place = text.includes(MARK) ? await look(form, text) : undefined;
      if (place) places.push(place);
    }
  return { places, marked };
}
const shown = (text: string): string =>
  [...new Set(text.match(new RegExp(`${MARK} \\w+`, "g")) ?? [])].join(", ");

test("a member finds no mark at any address", async ({ page }) => {
  await signIn(page, served.address, "ida");
  const { places } = await found(page, async (path, text) =>
    // What was asked for is said again.
    shown(text.replaceAll(new RegExp(`(q|words)=${MARK}|value="${MARK}"|"${MARK}"`, "g"), ""))
      ? `${path}: ${shown(text)}`
      : undefined,
  );
  expect(places).toEqual([]);
});

for (const [who, role] of [
  ["juno", "bench"],
  ["wren", "keeper"],
] as const)
  test(`a ${role} finds marks only where the log says that they were shown`, async ({ page }) => {
    await signIn(page, served.address, who);
    const count = async () =>
      (await owner.query<{ n: string }>("select count(*) n from log where kind = 'unlocking-shown'")).rows[0]
        ?.n;
    const { places, marked } = await found(page, async (path, text) => {
      // How its tool is set, and what a wrong setting looks like, stands at each machine's step for the bench; the log is their own account.
      const secret = shown(text).replaceAll(
        new RegExp(`${MARK} (tool|symptom|cure|code|named|valued|reason|item)\\b(, )?`, "g"),
        "",
      );
      if (secret === "") return undefined;
      // Each showing is noted once an hour: forgotten, the next one is noted again.
      await owner.query("delete from act_done");
      const before = await count();
      const cookie = (await page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join("; ");
      await (await fetch(served.address + path, { headers: { cookie } })).text();
      return (await count()) === before ? `${path}: ${secret}` : undefined;
    });
    expect(places).toEqual([]);
    expect(marked).toBeGreaterThan(10);
  });
