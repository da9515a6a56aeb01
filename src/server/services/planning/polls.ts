import { asc, eq } from "drizzle-orm";
import type { PollPlanInput, RunSheetInput } from "@/contracts";
import type { PollPlan } from "@/core/polls";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { polls } from "../../db/schema";
import { oneOf } from "../ground/context";
import type { OccurrenceRow } from "./dates/load";

export type PollRow = typeof polls.$inferSelect;

/** What of a poll is prepared: all but where it stands and what became of it. */
export const pollPlanOf = ({ questions, isAnonymous, isLocked, limitSeconds, isSample }: PollPlan): PollPlanInput => ({
  questions: [...questions] as PollPlanInput["questions"],
  isAnonymous,
  isLocked,
  limitSeconds,
  isSample,
});

export const pollsOf = (db: Db, occurrenceId: string): Promise<PollRow[]> =>
  db.select().from(polls).where(eq(polls.occurrenceId, occurrenceId)).orderBy(asc(polls.position)).limit(100);

/** The date's prepared polls as a sheet has them; one that was open once stays as it is. */
export async function savePolls(db: Db, occurrence: OccurrenceRow, wanted: RunSheetInput["polls"]): Promise<void> {
  const existing = await pollsOf(db, occurrence.id);
  const kept = new Set(wanted.map((poll) => poll.id));
  const locked = new Set(existing.filter((poll) => poll.state !== "prepared").map((poll) => poll.id));
  if ([...locked].some((id) => !kept.has(id)))
    throw new Refusal({ code: "wrong-state", action: "event.polls", state: "open" });
  for (const poll of existing) if (!kept.has(poll.id)) await db.delete(polls).where(eq(polls.id, poll.id));
  for (const [position, poll] of wanted.entries()) {
    // a poll that people have voted in keeps its words
    const words = locked.has(poll.id) ? {} : pollPlanOf(poll);
    const row = { ...poll, position, occurrenceId: occurrence.id, organisationId: occurrence.organisationId };
    const saved = await db
      .insert(polls)
      .values(row)
      .onConflictDoUpdate({
        target: polls.id,
        set: { ...words, position },
        setWhere: eq(polls.occurrenceId, occurrence.id),
      })
      .returning({ id: polls.id });
    oneOf(saved, "poll");
  }
}
