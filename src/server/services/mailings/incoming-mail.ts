import { domainToASCII } from "node:url";
import ICAL from "ical.js";
import { Refusal } from "@/core/shared";
import { eq } from "drizzle-orm";
import PostalMime, { type Email } from "postal-mime";
import { isDatabaseAway } from "../../db/away";
import { messages, people } from "../../db/schema";
import { outcomeOf } from "../../platform/together";
import { planMessages } from "../ground/mail-plan";
import type { Context } from "../ground/context";
import { isAuthentic, messageOfMailbox } from "./mailbox";
import { failAddress } from "./settle";
import { askedByFile, keepReply, takeAnswer, type Reply } from "../way-in/replies";

const longestMail = 5_000_000;

/** What a mail that came in turned out to be. */
export type Incoming = "reply" | "not-invited" | "overtaken" | "refused" | "bounce" | "unknown-bounce" | "other";

const partStat: Readonly<Record<string, Reply>> = { ACCEPTED: "coming", TENTATIVE: "unsure", DECLINED: "not-coming" };

const textOf = (content: ArrayBuffer | Uint8Array | string): string =>
  typeof content === "string" ? content : new TextDecoder().decode(content);

/** Longer than anything that we ever wrote into a mail. */
const longestId = 300;
/** Whether something read from a mail can be one of our ids: what holds a NUL or is endless never left here. */
const isPossibleId = (text: string): boolean => text.length <= longestId && !/[\u0000-\u001f]/.test(text);

/** An address as it is compared: in one case, its domain as the network writes it (RFC 5891). */
function plainAddress(address: string): string {
  const at = address.lastIndexOf("@");
  const domain = address.slice(at + 1);
  return `${address.slice(0, at + 1)}${domainToASCII(domain) || domain}`.normalize("NFC").toLowerCase();
}

interface FileReply {
  readonly uid: string;
  readonly email: string;
  readonly reply: Reply;
  /** of which version of the entry; null where the file says none */
  readonly sequence: number | null;
  /** when it was given; null where the file says nothing that can be read */
  readonly stampAt: number | null;
}

/** A METHOD:REPLY file (RFC 5546 §3.2.3): who answers what about which entry; null for anything else. */
function replyIn(mail: Email): FileReply | null {
  const part = mail.attachments.find((one) => /^text\/calendar/i.test(one.mimeType));
  if (!part) return null;
  try {
    const root = new ICAL.Component(ICAL.parse(textOf(part.content)) as never);
    if (String(root.getFirstPropertyValue("method")).toUpperCase() !== "REPLY") return null;
    const entry = root.getFirstSubcomponent("vevent");
    const attendee = entry?.getFirstProperty("attendee");
    const reply = partStat[String(attendee?.getParameter("partstat") ?? "").toUpperCase()];
    const uid = entry?.getFirstPropertyValue("uid");
    const email = plainAddress(String(attendee?.getFirstValue() ?? "").replace(/^mailto:/i, ""));
    const [sequence, stamp] = [entry?.getFirstPropertyValue("sequence"), entry?.getFirstPropertyValue("dtstamp")];
    const stampAt = stamp instanceof ICAL.Time ? stamp.toJSDate().getTime() : NaN;
    return reply && uid && isPossibleId(String(uid)) && email && isPossibleId(email)
      ? {
          uid: String(uid),
          email,
          reply,
          sequence: typeof sequence === "number" ? sequence : null,
          stampAt: Number.isFinite(stampAt) ? stampAt : null,
        }
      : null;
  } catch {
    return null;
  }
}

/** A delivery report (RFC 3464) of a failure for good: what was said. */
function bounceIn(raw: string): { reason: string } | null {
  if (!/^content-type:\s*multipart\/report/im.test(raw) || !/^content-type:\s*message\/delivery-status/im.test(raw))
    return null;
  if (!/^action:\s*failed/im.test(raw)) return null;
  const status = /^status:\s*(5\.\d{1,3}\.\d{1,3})/im.exec(raw)?.[1];
  const said = /^diagnostic-code:\s*(.+)/im.exec(raw)?.[1]?.trim();
  return status ? { reason: (said ?? status).replaceAll("\u0000", "").slice(0, 500) } : null;
}

/** A report counts only at the address that the mail's own envelope had: that it names one of our mails proves nothing. */
async function takeBounce(context: Context, raw: string, reason: string): Promise<Incoming> {
  const messageId = messageOfMailbox(context, raw);
  const [message] = messageId
    ? await context.db
        .select({ id: messages.id, personId: messages.personId })
        .from(messages)
        .where(eq(messages.id, messageId))
    : [];
  if (!message) return "unknown-bounce";
  await context.db.update(messages).set({ state: "failed", note: "came back" }).where(eq(messages.id, message.id));
  await failAddress(context, message.personId, reason);
  return "bounce";
}

/** Who answers: whom the mail went to whose own address was written to, or whom our own server vouches for. */
async function answererOf(context: Context, raw: string, mail: Email, answer: FileReply): Promise<string | null> {
  const verdict = isAuthentic(raw, context.environment.STAGE_CALL_AUTHSERV_ID);
  if (verdict === false) return null;
  const messageId = messageOfMailbox(context, raw);
  const [addressee] = messageId
    ? await context.db
        .select({ id: people.id, email: people.email })
        .from(messages)
        .innerJoin(people, eq(people.id, messages.personId))
        .where(eq(messages.id, messageId))
    : [];
  if (addressee) return plainAddress(addressee.email ?? "") === answer.email ? addressee.id : null;
  const from = mail.from && "address" in mail.from ? plainAddress(mail.from.address ?? "") : "";
  if (verdict !== true || from !== answer.email) return null;
  const [known] = await context.db.select({ id: people.id }).from(people).where(eq(people.email, answer.email));
  return known?.id ?? null;
}

/**
 * Takes an answer by file: of the entry as it stands now, and not older than what was said since (RFC 5546 §2.1.5:
 * SEQUENCE, then DTSTAMP).
 */
async function takeReply(context: Context, answer: FileReply, personId: string): Promise<Incoming> {
  const asked = await askedByFile(context, answer.uid, personId);
  if (!asked) return "not-invited";
  const isOfOldEntry = answer.sequence !== null && answer.sequence < (asked.occurrence?.sequence ?? 0);
  const isOvertaken = answer.stampAt !== null && asked.repliedAt !== null && answer.stampAt < asked.repliedAt;
  if (isOfOldEntry || isOvertaken) return "overtaken";
  const became = await outcomeOf(() => takeAnswer(context, asked, answer.reply, "calendar file"));
  if (!became.ok && !(became.error instanceof Refusal)) throw became.error;
  const { occurrence } = asked;
  if (!became.ok || !occurrence) return "refused";
  if (answer.stampAt !== null)
    await keepReply(context, context.db, asked, answer.reply, Math.min(answer.stampAt, context.clock.now()));
  // whoever said yes in their calendar sees no page: what is left for them to do comes by mail
  if (became.value === "questions")
    await planMessages(context, context.db, [
      {
        organisationId: asked.event.organisationId,
        eventId: asked.event.id,
        occurrenceId: occurrence.id,
        personId,
        ticketId: null,
        kind: "invitation-again",
        dueAt: context.clock.now(),
      },
    ]);
  return "reply";
}

/**
 * Takes in one mail that came to the organisation: an answer by calendar file, or a delivery report. Either counts
 * only where it came to the secret address of the mail that it is about. Everything else is left alone.
 */
export async function receiveMail(context: Context, raw: Uint8Array): Promise<Incoming> {
  if (raw.byteLength > longestMail) return "other";
  const text = new TextDecoder("utf-8").decode(raw);
  const bounce = bounceIn(text);
  if (bounce) return takeBounce(context, text, bounce.reason);
  const mail = await PostalMime.parse(raw as Uint8Array<ArrayBuffer>).catch(() => null);
  const answer = mail && replyIn(mail);
  if (!answer) return "other";
  const personId = await answererOf(context, text, mail, answer);
  return personId ? takeReply(context, answer, personId) : "not-invited";
}

/** Takes in everything that waits in the inbox; what cannot be read is logged by its name and put aside, never its content. */
export const receiveAll = (context: Context): Promise<number> =>
  context.inbox.each({
    async take(raw, name) {
      const what = await receiveMail(context, raw);
      context.log.info("mail came in", { name, what });
    },
    isPassing: isDatabaseAway,
    onMishap: ({ name, error, isPutAside }) =>
      context.log.error(isPutAside ? "a mail was put aside" : "a mail could not be read", error, { name }),
  });
