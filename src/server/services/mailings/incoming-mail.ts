import ICAL from "ical.js";
import { eq } from "drizzle-orm";
import PostalMime, { type Email } from "postal-mime";
import { isDatabaseAway } from "../../db/away";
import { messages } from "../../db/schema";
import type { Context } from "../ground/context";
import { failAddress } from "./settle";
import { askedByFile, keepReply, type Reply } from "../way-in/replies";

const longestMail = 5_000_000;

/** What a mail that came in turned out to be. */
export type Incoming = "reply" | "not-invited" | "bounce" | "unknown-bounce" | "other";

const partStat: Readonly<Record<string, Reply>> = { ACCEPTED: "coming", TENTATIVE: "unsure", DECLINED: "not-coming" };

const textOf = (content: ArrayBuffer | Uint8Array | string): string =>
  typeof content === "string" ? content : new TextDecoder().decode(content);

/** Longer than anything that we ever wrote into a mail. */
const longestId = 300;
/** Whether something read from a mail can be one of our ids: what holds a NUL or is endless never left here. */
const isPossibleId = (text: string): boolean => text.length <= longestId && !/[\u0000-\u001f]/.test(text);

/** A METHOD:REPLY file (RFC 5546 §3.2.3): who answers what about which entry; null for anything else. */
function replyIn(mail: Email): { uid: string; email: string; reply: Reply } | null {
  const part = mail.attachments.find((one) => /^text\/calendar/i.test(one.mimeType));
  if (!part) return null;
  try {
    const root = new ICAL.Component(ICAL.parse(textOf(part.content)) as never);
    if (String(root.getFirstPropertyValue("method")).toUpperCase() !== "REPLY") return null;
    const entry = root.getFirstSubcomponent("vevent");
    const attendee = entry?.getFirstProperty("attendee");
    const reply = partStat[String(attendee?.getParameter("partstat") ?? "").toUpperCase()];
    const uid = entry?.getFirstPropertyValue("uid");
    const email = String(attendee?.getFirstValue() ?? "")
      .replace(/^mailto:/i, "")
      .toLowerCase();
    return reply && uid && isPossibleId(String(uid)) && email && isPossibleId(email)
      ? { uid: String(uid), email, reply }
      : null;
  } catch {
    return null;
  }
}

/** A delivery report (RFC 3464) of a failure for good: which of our mails, and what was said. */
function bounceIn(raw: string): { messageId: string; reason: string } | null {
  if (!/^content-type:\s*multipart\/report/im.test(raw) || !/^content-type:\s*message\/delivery-status/im.test(raw))
    return null;
  if (!/^action:\s*failed/im.test(raw)) return null;
  const status = /^status:\s*(5\.\d{1,3}\.\d{1,3})/im.exec(raw)?.[1];
  const returned = raw.slice(raw.search(/^content-type:\s*(message\/rfc822|text\/rfc822-headers)/im));
  const messageId = /^message-id:\s*(<[^>\s]+>)/im.exec(returned)?.[1];
  const said = /^diagnostic-code:\s*(.+)/im.exec(raw)?.[1]?.trim();
  return status && messageId && isPossibleId(messageId)
    ? { messageId, reason: (said ?? status).replaceAll("\u0000", "").slice(0, 500) }
    : null;
}

/**
 * Takes in one mail that came to the organisation: an answer by calendar file, or a delivery report.
 * An answer counts only where the mail comes from the address that answers and that address was asked;
 * a report only for a message that really left here. Everything else is left alone.
 */
export async function receiveMail(context: Context, raw: Uint8Array): Promise<Incoming> {
  if (raw.byteLength > longestMail) return "other";
  const bounce = bounceIn(new TextDecoder("utf-8").decode(raw));
  if (bounce) {
    const [message] = await context.db
      .select({ id: messages.id, personId: messages.personId })
      .from(messages)
      .where(eq(messages.messageId, bounce.messageId));
    if (!message) return "unknown-bounce";
    await context.db.update(messages).set({ state: "failed", note: "came back" }).where(eq(messages.id, message.id));
    await failAddress(context, message.personId, bounce.reason);
    return "bounce";
  }
  const mail = await PostalMime.parse(raw as Uint8Array<ArrayBuffer>).catch(() => null);
  const answer = mail && replyIn(mail);
  if (!answer) return "other";
  const from = mail.from && "address" in mail.from ? (mail.from.address ?? "").toLowerCase() : "";
  const asked = from === answer.email ? await askedByFile(context, answer.uid, answer.email) : null;
  if (!asked) return "not-invited";
  await keepReply(context, context.db, asked, answer.reply);
  return "reply";
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
