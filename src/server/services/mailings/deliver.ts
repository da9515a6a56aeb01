import { and, eq, sql } from "drizzle-orm";
import { mayReceive, outcomeOf, traitsOf, type Recipient } from "@/core/mailings";
import { minuteMs } from "@/core/time";
import { messages, type RenderedMessage } from "../../db/schema";
import type { SendResult } from "../../mail/mailer";
import type { Context } from "../ground/context";
import { finish, linksOf } from "./links";
import { loadMessages, type MessageFacts, type MessageRow } from "./load";
import { render, standardWords } from "./render";
import { pauseSending, sentLedger, settleUnsent, type NoteSent } from "./settle";

/** A sender that dies holds its messages no longer than this. */
const leaseMinutes = 2;
/** The longest that one mail may take, to a server that stalls: what is left of the lease must cover it. */
const oneMailMs = minuteMs / 2;
const batchSize = 100;
/** Mails that are handed over at the same time: as many as the mailer keeps connections. */
const atOnce = 8;

/** Takes due messages for this sender; of several senders no two get the same one. */
async function claim(context: Context): Promise<MessageRow[]> {
  const now = context.clock.now();
  const due = sql`(select id from messages where state in ('planned', 'sending') and due_at <= ${new Date(now).toISOString()}
    order by due_at limit ${batchSize} for update skip locked)`;
  return context.db
    .update(messages)
    .set({ state: "sending", attempts: sql`${messages.attempts} + 1`, dueAt: now + leaseMinutes * minuteMs })
    .where(sql`${messages.id} in ${due}`)
    .returning();
}

function standing(facts: MessageFacts): Recipient["status"] {
  if (!facts.ticket) return "invited";
  return facts.ticket.revokedAt !== null ? "cancelled" : facts.ticket.status;
}

/** Why a due message does not go after all; null when it goes. */
function heldBack(facts: MessageFacts, now: number): string | null {
  const { person, message, occurrence } = facts;
  if (person.email === null) return "erased";
  // that it is cancelled is said of a deleted event too
  if (facts.event.deletedAt !== null && message.kind !== "cancellation") return "event deleted";
  if (occurrence.phase === "cancelled" && message.kind !== "cancellation") return "date called off";
  const isReminder = message.kind === "reminder" || message.kind === "call-time-reminder";
  if (isReminder && now > occurrence.endAt) return "too late";
  if (message.kind === "answer" && facts.question === null) return "its answer is gone";
  const recipient = {
    status: standing(facts),
    hasUnsubscribed: person.unsubscribedAt !== null,
    addressFailed: person.addressFailedAt !== null,
  };
  return mayReceive(message.kind, recipient) ? null : "recipient";
}

type Ready = { readonly claimed: MessageRow } & (
  | { readonly facts: MessageFacts; readonly rendered: RenderedMessage }
  | { readonly facts: null; readonly reason: string | null }
);

/** A claimed message made ready: rendered once, so that a repeat says the same, or held back with its reason; no reason: tried again later. */
function makeReady(context: Context, claimed: MessageRow, facts: MessageFacts | null, now: number): Ready {
  const reason = facts === null ? "its date or person is gone" : heldBack(facts, now);
  if (facts === null || reason) return { claimed, facts: null, reason: reason ?? "" };
  try {
    return {
      claimed,
      facts,
      rendered:
        claimed.rendered ?? render(facts, facts.mailing ?? standardWords(claimed.kind, facts.person.locale), now),
    };
  } catch (error) {
    // one that cannot be written must not hold up the others
    context.log.error("message not rendered", error, { message: claimed.id });
    return { claimed, facts: null, reason: null };
  }
}

/** Keeps what was rendered for a batch before any of it leaves: one statement. */
async function keepRendered(context: Context, batch: readonly Ready[]): Promise<void> {
  const fresh = batch.flatMap((one) => (one.facts !== null && one.claimed.rendered === null ? [one] : []));
  if (fresh.length === 0) return;
  await context.db.execute(
    sql`update messages as m set rendered = v.body::jsonb from unnest(${sql.param(fresh.map((one) => one.claimed.id))}::uuid[], ${sql.param(fresh.map((one) => JSON.stringify(one.rendered)))}::text[]) as v (id, body) where m.id = v.id`,
  );
}

/** The server's word on the sender, which stops a batch. */
class SenderRefused extends Error {
  constructor(readonly result: SendResult) {
    super("sender refused");
  }
}

async function sendOne(context: Context, ready: Ready, noteSent: NoteSent): Promise<void> {
  const now = context.clock.now();
  const { claimed, facts } = ready;
  // a slow server ate the lease: without one, somebody else may be sending this very mail
  if (now > claimed.dueAt - oneMailMs) return giveBack(context, claimed);
  if (facts === null) {
    if (ready.reason === null) return settleUnsent(context, claimed, null);
    await context.db.update(messages).set({ state: "dropped", note: ready.reason }).where(eq(messages.id, claimed.id));
    return;
  }
  const links = linksOf(context, facts.owner);
  const { mailing, organisation } = facts;
  const result = await context.mailer.send({
    ...finish(ready.rendered, links),
    messageId: claimed.messageId,
    from: { name: mailing?.senderName || organisation.senderName, address: organisation.senderEmail },
    replyTo: mailing?.replyTo || null,
    reportTo: links.mailbox,
    to: { name: facts.person.name ?? "", address: facts.person.email! },
    sentAt: now,
    unsubscribeUrl: traitsOf(claimed.kind).isNecessary ? null : links.unsubscribe,
  });
  const outcome = outcomeOf(result.smtpCode, result.part);
  if (outcome === "sender-trouble") throw new SenderRefused(result);
  if (outcome === "accepted") await noteSent(claimed.id);
  else await settleUnsent(context, claimed, result.smtpCode, result.said);
}

/** Puts a claimed mail back untried, to be claimed anew; one that somebody else has claimed since stays theirs. */
async function giveBack(context: Context, claimed: MessageRow): Promise<void> {
  const isStillMine = and(
    eq(messages.id, claimed.id),
    eq(messages.state, "sending"),
    eq(messages.attempts, claimed.attempts),
  );
  await context.db
    .update(messages)
    .set({ state: "planned", attempts: claimed.attempts - 1, dueAt: context.clock.now() })
    .where(isStillMine);
}

/** Runs an act for each item, so many at a time. */
async function inLanes<T>(
  items: readonly T[],
  lanes: number,
  act: (item: T, index: number) => Promise<void>,
): Promise<void> {
  let next = 0;
  await Promise.all(
    Array.from({ length: Math.min(lanes, items.length) }, async () => {
      for (let i = next++; i < items.length; i = next++) await act(items[i]!, i);
    }),
  );
}

/** Waits so long that no more than the allowed number of mails leaves in a second. */
async function pace(context: Context, sent: number, startedAt: number): Promise<void> {
  const perSecond = context.environment.STAGE_CALL_MAILS_PER_SECOND;
  const dueMs = (sent / perSecond) * 1000 - (performance.now() - startedAt);
  if (dueMs > 0) await new Promise((done) => setTimeout(done, dueMs));
}

/** Sends everything that is due, batch by batch; safe to run twice and by several at once. */
export async function sendDue(context: Context): Promise<number> {
  let sent = 0;
  const startedAt = performance.now();
  const noteSent = sentLedger(context);
  for (let batch = await claim(context); batch.length > 0; batch = await claim(context)) {
    const facts = await loadMessages(context, context.db, batch);
    const now = context.clock.now();
    const ready = batch.map((message, i) => makeReady(context, message, facts[i]!, now));
    await keepRendered(context, ready);
    let refused: SendResult | null = null;
    await inLanes(ready, atOnce, async (one) => {
      if (refused) return;
      try {
        await sendOne(context, one, noteSent);
        sent += 1;
      } catch (error) {
        if (error instanceof SenderRefused) {
          refused = error.result;
          return;
        }
        context.log.error("message failed", error, { message: one.claimed.id });
        await settleUnsent(context, one.claimed, null);
      }
    });
    if (refused) {
      const ids = batch.map((message) => message.id);
      await pauseSending(context, ids, refused);
      return sent;
    }
    await pace(context, sent, startedAt);
  }
  return sent;
}
