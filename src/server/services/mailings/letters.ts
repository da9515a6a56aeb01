import { eq, sql } from "drizzle-orm";
import { letterWords, type LetterWords } from "@/contracts/letter-words";
import { directionOf, localeOf, type Locale } from "@/contracts/messages";
import {
  escapeHtml,
  maxAttempts,
  outcomeOf,
  retryAfterMinutes,
  type DeliveryOutcome,
  type Letter,
} from "@/core/mailings";
import { assertNever, spokenName } from "@/core/shared";
import { minuteMs } from "@/core/time";
import { letters, organisations } from "../../db/schema";
import type { Context } from "../ground/context";

const batchSize = 20;
const leaseMinutes = 2;
type LetterRow = typeof letters.$inferSelect;

const htmlOf = ({ paragraphs, link }: LetterWords, locale: Locale): string =>
  `<!doctype html><html lang="${locale}" dir="${directionOf(locale)}"><body style="font-family:sans-serif;line-height:1.5;color:#1B1F23;max-width:36em">${paragraphs.map((one) => `<p>${escapeHtml(one)}</p>`).join("")}<p><a href="${link}">${link}</a></p></body></html>`;

/** Where a letter leads; a secret in it is derived now and kept nowhere. */
function linkOf(context: Context, letter: Letter): string {
  const origin = context.environment.STAGE_CALL_URL;
  switch (letter.kind) {
    case "team-invitation":
      return `${origin}/join/${context.secrets.tokenFor(letter.invitationId, 0)}`;
    case "password-reset":
      return `${origin}/new-password/${context.secrets.tokenFor(letter.resetId, 0)}`;
    case "booking":
      return `${origin}/slots`;
    case "recording-made":
      return `${origin}/events/${letter.eventId}/afterwards/${letter.occurrenceId}`;
    case "seats-decided":
      return `${origin}/events/${letter.eventId}/plan`;
    case "own-file":
      return `${origin}/own-data/${context.secrets.tokenFor(letter.proofId, 0)}`;
    case "address-changed":
      return `${origin}/front/${letter.slug}`;
    default:
      return assertNever(letter);
  }
}

async function sendOne(context: Context, row: LetterRow, organisation: typeof organisations.$inferSelect) {
  const { name, senderName, senderEmail } = organisation;
  const words = letterWords(row.body, {
    toName: spokenName(row.toName),
    organisation: name,
    link: linkOf(context, row.body),
  });
  const now = context.clock.now();
  const { smtpCode, part } = await context.mailer.send({
    messageId: row.messageId,
    from: { name: senderName, address: senderEmail },
    replyTo: null,
    to: { name: row.toName, address: row.toEmail },
    subject: words.subject,
    text: [...words.paragraphs, words.link].join("\n\n"),
    html: htmlOf(words, localeOf("locale" in row.body ? row.body.locale : "en")),
    calendar: null,
    sentAt: now,
    unsubscribeUrl: null,
  });
  await context.db
    .update(letters)
    .set(afterTry(row, outcomeOf(smtpCode, part), now))
    .where(eq(letters.id, row.id));
}

/** What becomes of a letter after a try. */
function afterTry(row: LetterRow, outcome: DeliveryOutcome, now: number): Partial<LetterRow> {
  if (outcome === "accepted") return { state: "sent", sentAt: now };
  if (outcome === "refused" || row.attempts >= maxAttempts) return { state: "failed" };
  return { dueAt: now + retryAfterMinutes(row.attempts) * minuteMs };
}

/** Sends the letters that are due. Two senders never take the same one; what is not accepted is tried again, later and later. */
export async function sendLetters(context: Context): Promise<number> {
  const now = context.clock.now();
  const due = sql`(select id from letters where state = 'planned' and due_at <= ${new Date(now).toISOString()}
    order by due_at limit ${batchSize} for update skip locked)`;
  const claimed = await context.db
    .update(letters)
    .set({ attempts: sql`${letters.attempts} + 1`, dueAt: now + leaseMinutes * minuteMs })
    .where(sql`${letters.id} in ${due}`)
    .returning();
  // a row that is given back has no order of its own
  for (const row of claimed.sort((a, b) => a.createdAt - b.createdAt)) {
    const [organisation] = await context.db
      .select()
      .from(organisations)
      .where(eq(organisations.id, row.organisationId));
    // one that cannot be written must hold up neither the others nor the mails behind them
    if (organisation)
      await sendOne(context, row, organisation).catch((error: unknown) => {
        context.log.error("letter not sent", error, { letter: row.id });
        return context.db
          .update(letters)
          .set(afterTry(row, "try-again", now))
          .where(eq(letters.id, row.id));
      });
  }
  return claimed.length;
}
