// Sends what was kept on the device, as soon as something answers. Answers what came of it.
import { useEffect } from "react";
import { useFetcher } from "react-router";
import { KEY, newKey } from "../forms/form-key.tsx";
import { isThere } from "../forms/offline.ts";
import type { ActAnswer } from "../shared/act-answer.server.ts";
import type { Pending } from "./shown.ts";

const EVERY_MS = 3000;

export function useSendLate(run: string, late: readonly Pending[]): ActAnswer | undefined {
  const sending = useFetcher<ActAnswer>({ key: `late ${run}` });
  const { submit, state } = sending;
  useEffect(() => {
    if (late.length === 0 || state !== "idle") return;
    let over = false;
    const send = async () => {
      if (over || !(await isThere()) || over) return;
      const form = new FormData();
      form.set("intent", "late");
      form.set(KEY, newKey());
      form.set("events", JSON.stringify(late.map(({ at: _, ...event }) => event)));
      submit(form, { method: "post", action: `/bench/${run}` });
    };
    const timer = setInterval(send, EVERY_MS);
    window.addEventListener("online", send);
    send();
    return () => {
      over = true;
      clearInterval(timer);
      window.removeEventListener("online", send);
    };
  }, [late, state, run, submit]);
  return sending.data;
}
