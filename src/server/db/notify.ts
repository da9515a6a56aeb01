import { sql } from "drizzle-orm";
import type { Db } from "./client";

export const journalChannel = "stage_call_journal";
export const factsChannel = "stage_call_facts";

/** Tells every process that a room's journal grew. Delivered when the transaction commits. */
export const notifyJournal = (db: Db, occurrenceId: string) =>
  db.execute(sql`select pg_notify(${journalChannel}, ${occurrenceId})`);

/** The same for many rooms. */
export const notifyJournals = (db: Db, occurrenceIds: readonly string[]) =>
  db.execute(sql`select pg_notify(${journalChannel}, id) from unnest(${sql.param([...occurrenceIds])}::text[]) as id`);

/** Tells every process that ballots, votes or presence of a room changed. */
export const notifyFacts = (db: Db, occurrenceId: string) =>
  db.execute(sql`select pg_notify(${factsChannel}, ${occurrenceId})`);
