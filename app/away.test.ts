import { RouterContextProvider, type ServerBuild } from "react-router";
import { describe, expect, it } from "vitest";
import { answersAway } from "./away.server.ts";

const gone = Object.assign(new Error("gone"), { code: "ECONNREFUSED" });
const failing = (error: unknown) => async () => {
  throw error;
};
const doors = (error: unknown) => {
  const module = { default: undefined, loader: failing(error), action: failing(error) };
  const build = { routes: { one: { id: "one", module } } } as unknown as ServerBuild;
  const { loader, action } = answersAway(build).routes.one?.module ?? {};
  return { loader, action } as Record<"loader" | "action", (args: unknown) => Promise<unknown>>;
};
const args = (path: string, form?: Record<string, string>) => ({
  request: new Request(
    `http://cabinet.test${path}`,
    form && {
      method: "POST",
      body: new URLSearchParams(form),
      headers: { "content-length": `${`${new URLSearchParams(form)}`.length}` },
    },
  ),
  params: {},
  context: new RouterContextProvider(),
});
const answerOf = async (asking: Promise<unknown>): Promise<Response> => {
  const thrown = await asking.then(
    () => undefined,
    (error: unknown) => error,
  );
  if (!(thrown instanceof Response)) throw new Error(`no answer was thrown but ${thrown}`);
  return thrown;
};

describe("every door, with the database away", () => {
  it("answers 503, and to a form that no script sent with what was typed, but for passwords", async () => {
    const { loader, action } = doors(gone);
    expect((await answerOf(loader(args("/due")))).status).toBe(503);
    const form = { intent: "reading", typed: "1.14", password: "a long sentence of mine" };
    const answer = await answerOf(action(args("/units/W-01", form)));
    expect(answer.status).toBe(503);
    expect(await answer.json()).toMatchObject({
      typed: [
        ["intent", "reading"],
        ["typed", "1.14"],
        ["password", ""],
      ],
    });
    const byScript = await answerOf(action(args("/units/W-01.data", form)));
    expect([byScript.status, await byScript.json()]).toEqual([503, { away: true }]);
  });

  it("hides no other trouble, and changes no other answer", async () => {
    const defect = new Error("a defect");
    await expect(doors(defect).action(args("/due", {}))).rejects.toBe(defect);
    const refused = new Response("no", { status: 403 });
    await expect(doors(refused).loader(args("/due"))).rejects.toBe(refused);
  });

  it("knows the answer of whoever noticed it earlier", async () => {
    const noticed = Response.json({ away: true }, { status: 503 });
    const answer = await answerOf(doors(noticed).action(args("/due", { name: "a" })));
    expect(await answer.json()).toMatchObject({ typed: [["name", "a"]] });
  });
});
