import { createTransport, type SendMailOptions } from "nodemailer";
import MailComposer from "nodemailer/lib/mail-composer";
import type { SmtpPart } from "@/core/mailings";
import { isLoopback } from "@/core/shared";

export interface OutgoingMail {
  readonly messageId: string;
  readonly from: { readonly name: string; readonly address: string };
  /** where answers go, if not to the sender */
  readonly replyTo: string | null;
  /** where the receiving servers report a failure (MAIL FROM); the sender unless said */
  readonly reportTo?: string;
  readonly to: { readonly name: string; readonly address: string };
  readonly subject: string;
  readonly text: string;
  readonly html: string;
  readonly calendar: { readonly method: string; readonly content: string } | null;
  readonly sentAt: number;
  /** header List-Unsubscribe, where the kind has one */
  readonly unsubscribeUrl: string | null;
}

/** `smtpCode` is the server's reply, or null for a fault of the connection; `part`: whom it is about, the recipient unless said. */
export type SendResult = { readonly smtpCode: number | null; readonly said?: string; readonly part?: SmtpPart };

export interface Mailer {
  send(mail: OutgoingMail): Promise<SendResult>;
  close(): void;
}

const asOptions = (mail: OutgoingMail): SendMailOptions => ({
  messageId: mail.messageId,
  date: new Date(mail.sentAt),
  from: mail.from,
  replyTo: mail.replyTo ?? undefined,
  to: mail.to,
  subject: mail.subject,
  text: mail.text,
  html: mail.html,
  icalEvent: mail.calendar
    ? { filename: "invite.ics", method: mail.calendar.method, content: mail.calendar.content }
    : undefined,
  // RFC 2369, and RFC 8058: the mail program may unsubscribe by one POST
  headers: mail.unsubscribeUrl
    ? {
        "List-Unsubscribe": { prepared: true, value: `<${mail.unsubscribeUrl}>` },
        "List-Unsubscribe-Post": "List-Unsubscribe=One-Click",
      }
    : undefined,
  disableFileAccess: true,
  disableUrlAccess: true,
});

interface SmtpError {
  readonly responseCode?: number;
  readonly response?: string;
  /** the command that was answered so, as the library names it: CONN, EHLO, AUTH PLAIN, MAIL FROM, RCPT TO, DATA */
  readonly command?: string;
}

/** Only what answers RCPT TO, or the mail itself after an accepted recipient, is about the recipient. */
const partOf = (command = ""): SmtpPart => (/^(RCPT TO|DATA)$/i.test(command) ? "recipient" : "sender");

/** SMTP (RFC 5321) to whatever server the URL names: the stand-in by default. */
export function smtpMailer(url: string): Mailer {
  // beyond this machine a password and every guest's link travel in it: encrypted, or not at all (RFC 8314 §3)
  const requireTLS = !isLoopback(new URL(url).hostname);
  const transport = createTransport({
    url,
    requireTLS,
    pool: true,
    maxConnections: 8,
    maxMessages: Number.POSITIVE_INFINITY,
    connectionTimeout: 5000,
    greetingTimeout: 5000,
    socketTimeout: 20_000,
  } as Parameters<typeof createTransport>[0]);
  return {
    async send(mail) {
      try {
        // written whole first: streamed part by part, one mail costs dozens of small writes to the socket
        const composed = new MailComposer(asOptions(mail)).compile();
        const { from, to } = composed.getEnvelope();
        const envelope = { from: mail.reportTo ?? from, to };
        const info = (await transport.sendMail({ envelope, raw: await composed.build() })) as {
          response?: string;
        };
        return { smtpCode: Number(info.response?.slice(0, 3)) || 250 };
      } catch (error) {
        const { responseCode, response, command } = error as SmtpError;
        return { smtpCode: responseCode ?? null, said: response, part: partOf(command) };
      }
    },
    close: () => transport.close(),
  };
}
