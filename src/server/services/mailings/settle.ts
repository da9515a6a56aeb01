import { eq, sql } from "drizzle-orm";
import { maxAttempts, outcomeOf, retryAfterMinutes, senderPauseMinutes } from "@/core/mailings";
import { minuteMs } from "@/core/time";
import { idArray } from "../../db/queries/any-of";
import { messages, people } from "../../db/schema";
import type { Context } from "../ground/context";
import type { MessageRow } from "./load";

/** Marks an address that mail comes back from; what is planned for it goes no more. */
export const failAddress = (context: Context, personId: string, reason: string) =>
  context.db
    .update(people)
    .set({ addressFailedAt: context.clock.now(), addressFailedReason: reason.slice(0, 300) })
    .where(eq(people.id, personId));

/** Writes one accepted mail down. */
export type NoteSent = (messageId: string) => Promise<void>;

/**
 * Accepted mails are written down together: those that come in while one statement runs share the
 * next. Whoever notes a mail waits until it is kept, so that no more are in flight than lanes.
 */
export function sentLedger(context: Context): NoteSent {
  let waiting: { id: string; done: () => void; failed: (error: unknown) => void }[] = [];
  let isWriting = false;
  const write = async (): Promise<void> => {
    if (isWriting) return;
    isWriting = true;
    while (waiting.length > 0) {
      const batch = waiting;
      waiting = [];
      try {
        await context.db.execute(
          sql`update messages set state = 'sent', sent_at = ${new Date(context.clock.now()).toISOString()}, note = null where id = any(${idArray(batch.map((one) => one.id))})`,
        );
        for (const one of batch) one.done();
      } catch (error) {
        for (const one of batch) one.failed(error);
      }
    }
    isWriting = false;
  };
  return (id) =>
    new Promise((done, failed) => {
      waiting.push({ id, done, failed });
      void write();
    });
}

/** Keeps what became of a mail that did not go: put off with a growing pause, or given up and its address marked. */
export async function settleUnsent(
  context: Context,
  message: MessageRow,
  smtpCode: number | null,
  said = "",
): Promise<void> {
  const set = (values: Partial<MessageRow>) =>
    context.db.update(messages).set(values).where(eq(messages.id, message.id));
  if (outcomeOf(smtpCode) === "refused") {
    await set({ state: "failed", note: `refused: ${smtpCode}` });
    await failAddress(context, message.personId, said || `refused: ${smtpCode}`);
    return;
  }
  const isLast = message.attempts >= maxAttempts;
  const note = smtpCode === null ? "mail server not reached" : `put off: ${smtpCode}`;
  await set({
    state: isLast ? "failed" : "planned",
    dueAt: context.clock.now() + retryAfterMinutes(message.attempts) * minuteMs,
    note,
  });
}

/**
 * The server refuses us, not somebody: everything that is due waits together, with the reason where the team sees
 * it, and no mail and no address is marked for it.
 */
export async function pauseSending(
  context: Context,
  claimedIds: readonly string[],
  { smtpCode, said = "" }: { readonly smtpCode: number | null; readonly said?: string | undefined },
): Promise<void> {
  const now = context.clock.now();
  const until = new Date(now + senderPauseMinutes * minuteMs).toISOString();
  // a server's answer may quote what it was told, a password among it: its code and first words are enough
  const words = said
    .replace(/^\d{3}[ -](\d\.\d\.\d )?/, "")
    .split(/[\r\n:;]/)[0]!
    .slice(0, 80);
  const note = `the mail server refuses the sender (${smtpCode}${words ? `: ${words}` : ""})`;
  context.log.error("the mail server refuses the sender", new Error(`SMTP ${smtpCode}`));
  await context.db.execute(sql`
    update messages set state = 'planned', due_at = ${until}::timestamptz, note = ${note},
      attempts = case when state = 'sending' then greatest(0, attempts - 1) else attempts end
    where (state = 'sending' and id = any(${idArray([...claimedIds])})) or (state = 'planned' and due_at <= ${new Date(now).toISOString()}::timestamptz)`);
}
