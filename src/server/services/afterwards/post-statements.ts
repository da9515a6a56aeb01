import { eq, sql } from "drizzle-orm";
import { retryAfterMinutes } from "@/core/mailings";
import { isLoopback } from "@/core/shared";
import { minuteMs } from "@/core/time";
import { events, occurrences, recordStores, statementPosts } from "../../db/schema";
import { postOutward, type OutwardAnswer } from "../../platform/outward";
import type { Context } from "../ground/context";
import { dateReport } from "../ground/date-report";
import { creditsOf } from "./credit";
import { aboutOf, statementsOf } from "./credit-files";

/** So many statements in one request: stores take lists (xAPI 1.0.3, part 3 §2.1.2), and refuse long bodies. */
const batchSize = 100;
const timeoutMs = 10_000;
const mostAttempts = 8;
const leaseMinutes = 5;

type Post = typeof statementPosts.$inferSelect;
type Store = typeof recordStores.$inferSelect;

/** One batch to the store: its version header and basic sign-in (part 3 §1.3, §4). */
function send(context: Context, store: Store, statements: readonly object[]): Promise<OutwardAnswer> {
  const password = context.secrets.unseal(store.passwordSealed) ?? "";
  return postOutward(`${store.url.replace(/\/$/, "")}/statements`, {
    headers: {
      "content-type": "application/json",
      "x-experience-api-version": "1.0.3",
      authorization: `Basic ${Buffer.from(`${store.userName}:${password}`).toString("base64")}`,
    },
    body: JSON.stringify(statements),
    timeoutMs,
    mayReachThisMachine: isLoopback(new URL(context.environment.STAGE_CALL_URL).hostname),
  });
}

async function statementsOfDate(context: Context, occurrenceId: string): Promise<readonly object[]> {
  const [row] = await context.db
    .select({ event: events, occurrence: occurrences })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(eq(occurrences.id, occurrenceId));
  const { event, occurrence } = row!;
  const data = await dateReport(context, event, occurrence);
  return statementsOf(aboutOf(context, event, occurrence), await creditsOf(context.db, occurrenceId), data);
}

/** Posts from where it stands to the end, or to the first batch that is not taken. */
async function postOne(context: Context, post: Post): Promise<void> {
  const keep = (set: Partial<Post>) =>
    context.db.update(statementPosts).set(set).where(eq(statementPosts.occurrenceId, post.occurrenceId));
  const [store] = await context.db
    .select()
    .from(recordStores)
    .where(eq(recordStores.organisationId, post.organisationId));
  if (!store) return void (await keep({ dueAt: null, answer: "refused" }));
  const statements = await statementsOfDate(context, post.occurrenceId);
  for (let sent = post.sent; sent < statements.length; sent += batchSize) {
    const answer = await send(context, store, statements.slice(sent, sent + batchSize));
    if (answer !== "answered") {
      const attempts = post.attempts + 1;
      // a store that says no says so again: its address or its password is wrong, and somebody has to look
      const isOver = answer === "refused" || attempts >= mostAttempts;
      const dueAt = isOver ? null : context.clock.now() + retryAfterMinutes(attempts) * minuteMs;
      return void (await keep({ answer, attempts, sent, total: statements.length, dueAt }));
    }
    await keep({ sent: Math.min(sent + batchSize, statements.length), total: statements.length });
  }
  await keep({ answer: "answered", dueAt: null, sent: statements.length, total: statements.length });
}

/** Posts what is due; of two processes one takes a date. @returns how many dates were tried */
export async function postDueStatements(context: Context): Promise<number> {
  const now = context.clock.now();
  const due = sql`(select occurrence_id from statement_posts where due_at <= ${new Date(now).toISOString()}
    order by due_at limit 5 for update skip locked)`;
  const claimed = await context.db
    .update(statementPosts)
    .set({ dueAt: now + leaseMinutes * minuteMs })
    .where(sql`${statementPosts.occurrenceId} in ${due}`)
    .returning();
  for (const post of claimed)
    await postOne(context, post).catch((error: unknown) =>
      context.log.error("statements not posted", error, { occurrence: post.occurrenceId }),
    );
  return claimed.length;
}
