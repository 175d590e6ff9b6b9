// Addresses and forms that no page of ours makes: each gets a clear answer, and none breaks anything.
import { expect, type Page } from "@playwright/test";
import { type Served, serveFresh } from "../serve.ts";
import { signIn } from "../sign-in.ts";
import { test } from "../test.ts";

let served: Served;
test.beforeAll(async () => {
  served = await serveFresh("demo");
});
test.afterAll(() => served.stop());

const IDS = [
  "abc",
  "0",
  "-1",
  "9".repeat(30),
  "99999999",
  "%F0%9F%98%80",
  "%E0%A4%A",
  "1%27--",
  "..%2f..",
  "new",
];
const FIXED = [
  ..."/ /mine /more /first /sign-in /cabinet /due /bench /kit /kit/own /kit/bluetooth /kit/ways /kit/field-day /kit/which-lead /kit/get /codeplugs /codeplugs/files /codeplugs/plan /codeplugs/repeaters /codeplugs/identities /codeplugs/scan /bench/practice /bench/pairing /models".split(
    " ",
  ),
  ..."/models/new /models/which /models/bring-in /club /import /log /find /keys /me /kept /units/new".split(
    " ",
  ),
  ..."/kit/shopping.csv /known-files".split(" "),
];
const patterns = (id: string) => [
  ...["", "/edit", "/preview", "/why", "/pairing"].map((end) => `/units/${id}${end}`),
  ...["leads", "tools", "devices"].map((kind) => `/kit/${kind}/${id}`),
  `/kit/${id}/1`,
  ...["", "/identity", "/edit", "/print", "/dossier.json", "/releases/1"].map((end) => `/models/${id}${end}`),
  ...["releases", "procedures", "quirks"].map((kind) => `/models/1/${kind}/${id}`),
  `/models/1/procedures/${id}/edit`,
  ...["groups", "people", "places"].map((kind) => `/club/${kind}/${id}`),
  `/out/${id}`,
  `/files/${id}`,
  `/backups/${id}`,
  `/bench/${id}`,
];
/** Pages that take no form; the framework answers them, and writes a page into the log for each. */
const NO_FORMS =
  /^\/(out|files|known-files|keys|find|log|kept|codeplugs|club|cabinet|bench|models|models\/which|kit\/get)?$|^\/(out|files|backups|bench)\/|\/(weigh|why|print|dossier.json|shopping.csv)$/;
const QUERY =
  "?unit=abc&person=x&place=99999999999999999999&model=-1&group=z&urgency=9&do=zzz&sort=zzz&lens=zzz&to=abc&keep=on&q=%25_&kind=zzz&from=never&before=abc&serial=~&typed=~&offers=abc,1&release=zz&device=9zz&advice=x&at=2026-99-99T99:99&need=-1&radios=1e9&channels=0.5&full=2";
const KINDS = ["shelf", "handheld", "cable"];
const INTENTS =
  "reading lend back hold lift confirm numbering withdraw shelve recover hardware tried open save accept charge pair tie program";
const JUNK = {
  typed: "1.0",
  key: "no key",
  to: "99999999999999",
  person: "9999999",
  until: "2026-13-45",
  component: "999999",
  release: "99999",
  revision: "99999",
  id: "999999",
  dueBack: "2026-99-99",
  procedure: "abc",
  kind: "zzz",
  what: "abc",
  fact: "abc 9",
  unit: "abc",
  lead: "99999999",
  device: "99999",
  profile: "abc",
  percent: "1e9",
  tool: "999",
  name: "x",
  tag: "Z-9",
  model: "99999",
  place: "99999999",
  group: "abc",
  hardware: "7",
  role: "member",
};

/** With scripts' own fetch, which is quicker than the browser's; eight at a time, as a browser would. */
async function broken(page: Page, asked: readonly { path: string; form?: Record<string, string> }[]) {
  const [session] = await page.context().cookies();
  const headers = { Cookie: `${session?.name}=${session?.value}`, Origin: served.address };
  const found: string[] = [];
  const ask = async ({ path, form }: (typeof asked)[number]) => {
    const body = form && { method: "POST", body: new URLSearchParams(form) };
    const { status } = await fetch(served.address + path, { headers, redirect: "manual", ...body });
    if (status >= 500) found.push(`${path} ${JSON.stringify(form)?.slice(0, 80)}: ${status}`);
  };
  for (let at = 0; at < asked.length; at += 8) await Promise.all(asked.slice(at, at + 8).map(ask));
  return found;
}

test("what is no form, what no address has, and what cannot be written down are each told apart", async ({
  page,
}) => {
  await signIn(page, served.address, "juno");
  const { request } = page;
  const headers = { Origin: served.address };
  const text = await request.post(`${served.address}/units/W-03`, { headers, data: "hello" });
  expect([text.status(), await text.text()]).toEqual([
    415,
    expect.stringContaining("What was sent is no form."),
  ]);
  const form = { intent: "reading", typed: "1.1\0 4", key: "x" };
  const zero = await request.post(`${served.address}/units/W-03`, { headers, form });
  expect([zero.status(), await zero.text()]).toEqual([400, expect.stringContaining("the byte zero")]);
  const address = await page.goto(`${served.address}/units/W%00`);
  expect(address?.status()).toBe(400);
  await expect(page.getByRole("heading", { name: "That could not be taken" })).toBeVisible();
  await page.goto(`${served.address}/units/W-03`);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("behind");
});

test("a filter that means nothing shows what no filter would", async ({ page }) => {
  await signIn(page, served.address, "wren");
  await page.goto(`${served.address}/due`);
  const all = await page.locator(".needs > li").count();
  await page.goto(`${served.address}/due?do=zzz&urgency=9&place=abc&sort=zzz`);
  await expect(page.locator(".needs > li")).toHaveCount(all);
  expect(all).toBeGreaterThan(20);
});

// These change what they can, in no order one could count on: whatever asks about the demo stands above them.
test("no address breaks a page", async ({ page }) => {
  test.setTimeout(120_000);
  await signIn(page, served.address, "wren");
  const paths = [...FIXED, ...[...IDS, "1", "W-03"].flatMap(patterns)];
  expect(
    await broken(
      page,
      paths.flatMap((path) => [{ path }, { path: path + QUERY }]),
    ),
  ).toEqual([]);
});

for (const who of ["wren", "ida"] as const)
  for (const [which, ids] of [
    ["of its own pages", undefined],
    ["about what is there", ["1", "W-03"]],
    ["about what is not there", ["abc", "99999999"]],
  ] as const)
    test(`no form ${which} that ${who} could send breaks anything`, async ({ page }) => {
      await signIn(page, served.address, who);
      const own = ids ? ids.flatMap(patterns) : FIXED;
      const paths = own.filter((path) => !NO_FORMS.test(path));
      const intents = who === "wren" ? INTENTS.split(" ") : ["reading", "save"];
      const forms = [
        {},
        ...KINDS.map((kind) => ({ ...JUNK, kind })),
        ...intents.map((intent) => ({ ...JUNK, intent })),
      ];
      // What is not there has one page for all of it, which is drawn once for each address; its forms go as scripts send them.
      const drawn = which === "about what is not there" ? forms.slice(0, 1) : forms;
      const asked = paths.flatMap((path) => [
        ...drawn.map((form) => ({ path, form })),
        ...forms.slice(drawn.length).map((form) => ({ path: `${path}.data`, form })),
      ]);
      expect(await broken(page, asked)).toEqual([]);
    });

test("no answer that could be sent to the bench breaks a page", async ({ page }) => {
  await signIn(page, served.address, "juno");
  const intents =
    "begin seen finish hold override odd cured measured probed note back pause resume stop reading machine file backup anew draft late fault take-over start line-up rules keep restore";
  const junk = {
    key: "a-key-of-junk",
    number: "zzz",
    place: "-1",
    last: "yes",
    gate: "zzz",
    charge: "x",
    supply: "on",
    symptom: "x".repeat(5000),
    cause: "",
    cure: "",
    reason: "",
    typed: "\u202e",
    component: "zzz",
    chain: "x",
    events: '[{"id":1}]',
    fault: "zzz",
    takeOver: "on",
    tag: "Z-9",
    for: "zzz",
    unit: "99999999",
    backup: "1",
    file: "no file",
    silence: "1e9",
    clean: "-1",
    note: "",
    model: "1",
    procedure: "x",
    ms: "1e99",
  };
  const forms = [
    {},
    ...intents.split(" ").flatMap((intent) => [
      { ...junk, intent },
      { ...junk, intent, number: "1", key: `a-key-for-${intent}`, gate: "file", tag: "W-03", events: "[]" },
      { ...junk, intent, number: "9".repeat(30), events: "{", place: "9".repeat(20), charge: "1e400" },
    ]),
  ];
  const paths = [
    "/bench",
    "/codeplugs/files",
    "/bench/practice",
    ...["1", "13", "abc", "99999999"].map((id) => `/bench/${id}`),
  ];
  expect(
    await broken(
      page,
      paths.flatMap((path) => forms.map((form) => ({ path, form }))),
    ),
  ).toEqual([]);
});

test("no answer that could be sent to the codeplugs breaks a page", async ({ page }) => {
  await signIn(page, served.address, "juno");
  const intents =
    "add-block change-block remove-block move-block add-member change-member remove-member move-member paste-members issue drop write heard confirmed import shelve note mend bench look keep list-look list-merge facts";
  const long = "x".repeat(5000);
  const odd = {
    key: "a-key-of-junk",
    version: "-1",
    block: "9".repeat(30),
    member: "x",
    to: "",
    toBlock: "1e9",
    name: long,
    purpose: long,
    priority: "99",
    at: "0",
    by: "rule",
    latitude: "91",
    kilometres: "-1",
    receive: "0",
    transmit: "?",
    width: "fat",
    sends: "5 kHz",
    hears: "\u202e",
    colour: "16",
    slot: "3",
    text: ";;;\n;;",
    repeater: "x",
    identity: "99999999",
    kind: "zzz",
    value: long,
    askedOn: "2026-02-30",
    usuallyDays: "1e9",
    tag: "Z-9",
    owner: "0",
    codeplug: "x",
    cure: "zzz",
    list: "zzz",
    for: "zzz",
    capacity: "-1",
    nameSigns: "x",
    powers: ",,,",
    mode: "99999999",
    column: "zzz",
    dialect: "x",
  };
  const forms = [
    {},
    ...intents.split(" ").flatMap((intent) => [
      { ...odd, intent },
      {
        ...odd,
        intent,
        key: `a-key-for-${intent}`,
        version: "1",
        block: "6",
        member: "0",
        text: "a,b\n1,2",
        codeplug: "1",
      },
    ]),
  ];
  const paths = [
    ..."/codeplugs/plan /codeplugs/repeaters /codeplugs/identities /codeplugs/models/1 /codeplugs/models/99999999".split(
      " ",
    ),
    ..."/units/W-03/channels /units/none/channels".split(" "),
  ];
  expect(
    await broken(
      page,
      paths.flatMap((path) => forms.map((form) => ({ path, form }))),
    ),
  ).toEqual([]);
});
