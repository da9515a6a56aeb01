import type { Context } from "../ground/context";

/** The longest local part of an address (RFC 5321 §4.5.3.1.1). */
const longestLocal = 64;

/**
 * The address to which answers and delivery reports about one mail come: a subaddress (RFC 5233) of the sender's own
 * that nobody can make up. Whoever writes to it has had that mail, or is the server that could not deliver it.
 */
export function mailboxOf(context: Pick<Context, "secrets">, senderEmail: string, messageId: string): string {
  const at = senderEmail.lastIndexOf("@");
  const secret = context.secrets.mailboxFor(messageId);
  const local = senderEmail.slice(0, at).slice(0, longestLocal - secret.length - 1);
  return `${local}+${secret}${senderEmail.slice(at)}`;
}

const addressHeaders = /^(?:delivered-to|x-original-to|envelope-to|to|cc):[^\n]*(?:\n[ \t][^\n]*)*/gim;

/** Which of our mails a mail that came in is about, by the address that it came to; null where it came to none of these. */
export function messageOfMailbox(context: Pick<Context, "secrets">, raw: string): string | null {
  const head = raw.replaceAll("\r\n", "\n").split("\n\n", 1)[0] ?? "";
  for (const line of head.match(addressHeaders) ?? []) {
    for (const [, secret] of line.matchAll(/\+([0-9a-z]{30,60})@/gi)) {
      const id = context.secrets.readMailbox(secret!);
      if (id) return id;
    }
  }
  return null;
}

/**
 * What our own receiving server found about who sent a mail (Authentication-Results, RFC 8601 §2.2): `null` where it
 * said nothing, or where we do not know how it names itself; anybody can write such a header under another name.
 */
export function isAuthentic(raw: string, authservId: string | undefined): boolean | null {
  if (!authservId) return null;
  const head = raw.replaceAll("\r\n", "\n").split("\n\n", 1)[0] ?? "";
  // the topmost is the last that was added
  const [line] = head.match(/^authentication-results:[^\n]*(?:\n[ \t][^\n]*)*/im) ?? [];
  const [, id, results] = /^authentication-results:\s*([^\s;]+)[^;]*;([\s\S]*)$/i.exec(line ?? "") ?? [];
  if (id?.toLowerCase() !== authservId.toLowerCase()) return null;
  const verdict = /\bdmarc=(\w+)/i.exec(results ?? "")?.[1]?.toLowerCase();
  if (verdict === "pass") return true;
  return verdict === "fail" ? false : null;
}
