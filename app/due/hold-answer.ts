// What the form for picked radios is answered with.

export type HoldAnswer =
  | {
      readonly ok: true;
      readonly says: string;
      /** Another for each time. */
      readonly done: string;
    }
  /** What it would do; nothing was done. */
  | { readonly ok: true; readonly says: string; readonly kept: ReturnType<typeof keptOf> }
  | { readonly ok: false; readonly says: string; readonly kept: ReturnType<typeof keptOf> };

/** What was picked and typed: goes back with a form that was refused, or that could not be sent. */
export const keptOf = (form: FormData) => ({
  units: form.getAll("unit").map(String),
  until: String(form.get("until") ?? ""),
  why: String(form.get("why") ?? ""),
});
