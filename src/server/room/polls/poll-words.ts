import { inArray } from "drizzle-orm";
import type { PollQuestion } from "@/core/polls";
import type { Db } from "../../db/client";
import { polls } from "../../db/schema";

const mostKept = 200;
// what was open once keeps its words for good: it needs no second reading
const kept = new WeakMap<Db, Map<string, readonly PollQuestion[]>>();

/** The questions of polls, by id; what is no poll is missing. */
export async function pollWords(
  db: Db,
  ids: ReadonlySet<string>,
): Promise<ReadonlyMap<string, readonly PollQuestion[]>> {
  const known = kept.get(db) ?? new Map<string, readonly PollQuestion[]>();
  kept.set(db, known);
  const missing = [...ids].filter((id) => !known.has(id));
  const out = new Map([...ids].flatMap((id) => (known.has(id) ? [[id, known.get(id)!] as const] : [])));
  if (missing.length === 0) return out;
  const rows = await db
    .select({ id: polls.id, questions: polls.questions, openedAt: polls.openedAt })
    .from(polls)
    .where(inArray(polls.id, missing))
    .limit(missing.length);
  for (const { id, questions, openedAt } of rows) {
    out.set(id, questions);
    if (openedAt === null) continue;
    known.set(id, questions);
    if (known.size > mostKept) known.delete(known.keys().next().value!);
  }
  return out;
}
