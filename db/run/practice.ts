// Statements about practice, and the rules of the bench.
import { z } from "zod";
import { EFFECTS, PURPOSES } from "#core/dossier/index.ts";
import { ask } from "../ask.ts";
import type { Tx } from "../pool.ts";

export const addTry = (
  tx: Tx,
  one: { readonly person: string; readonly procedure: string; readonly clean: boolean; readonly ms: number },
) =>
  tx.query(
    "insert into practice_try (club_id, person_id, procedure_id, clean, ms) values (current_club(), $1, $2, $3, $4)",
    [one.person, one.procedure, one.clean, one.ms],
  );

const tallyRow = z.object({
  procedure_id: z.string(),
  tries: z.number(),
  clean: z.number(),
  /** Milliseconds of the quickest clean one. */
  best: z.number().nullable(),
});
export type Tally = z.output<typeof tallyRow>;

/** What a person has practised, by procedure. */
export async function practiceOf(tx: Tx, person: string): Promise<Tally[]> {
  const { rows } = await ask(
    tx,
    tallyRow,
    `select procedure_id, count(*)::int tries, (count(*) filter (where clean))::int clean, (min(ms) filter (where clean))::int best
     from practice_try where person_id = $1 group by procedure_id`,
    [person],
  );
  return rows;
}

const practisableRow = z.object({
  id: z.string(),
  title: z.string(),
  purpose: z.enum(PURPOSES),
  effect: z.enum(EFFECTS),
  model_id: z.string(),
  model: z.string(),
});

/** Every procedure that can be tried on a drawn radio: no drafts, and of models whose keys somebody has written down. */
export async function practisable(tx: Tx): Promise<z.output<typeof practisableRow>[]> {
  const { rows } = await ask(
    tx,
    practisableRow,
    `select p.id, p.title, p.purpose, p.effect, m.id model_id, m.name model from procedure p
     join model m on m.club_id = p.club_id and m.id = p.model_id and m.shelved_at is null
     where p.shelved_at is null and not p.draft and m.identity ? 'layout' order by lower(m.name), m.id, p.position, p.id limit 1000`,
  );
  return rows;
}

const rulesRow = z.object({ silence: z.number(), clean: z.number() });

/** After so many minutes of silence a bench may be relieved; so many clean tries before anybody erases a real radio. */
export async function benchRules(tx: Tx): Promise<z.output<typeof rulesRow>> {
  const { rows } = await ask(
    tx,
    rulesRow,
    "select bench_silence silence, clean_tries clean from club where id = current_club()",
  );
  return rows[0] ?? { silence: 30, clean: 0 };
}

/** False if they were so already. */
export async function putBenchRules(tx: Tx, rules: z.output<typeof rulesRow>): Promise<boolean> {
  const { rowCount } = await tx.query(
    `update club set bench_silence = $1, clean_tries = $2
     where id = current_club() and (bench_silence, clean_tries) is distinct from ($1, $2)`,
    [rules.silence, rules.clean],
  );
  return rowCount === 1;
}
