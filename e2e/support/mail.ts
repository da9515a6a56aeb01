import PostalMime, { type Email } from "postal-mime";

const base = () => process.env["MAIL_URL"]!;

/** A mail that arrived never changes: each is fetched and read once. */
const read = new Map<string, Promise<Email>>();
const readMail = async (name: string): Promise<Email> =>
  PostalMime.parse(await (await fetch(`${base()}/${name}`)).arrayBuffer());

/** Mails that the stand-in server took, read by an independent parser. */
export async function mailsTo(address: string): Promise<Email[]> {
  const names = (await (await fetch(base())).json()) as string[];
  for (const name of names) if (!read.has(name)) read.set(name, readMail(name));
  const mails = await Promise.all(names.map((name) => read.get(name)!));
  return mails.filter((mail) => mail.to?.some((to) => "address" in to && to.address === address));
}

/** Waits until a mail with this subject has come, and gives it back. */
export async function mailWith(address: string, subject: RegExp): Promise<Email> {
  for (let i = 0; i < 240; i += 1) {
    const hit = (await mailsTo(address)).find((mail) => subject.test(mail.subject ?? ""));
    if (hit) return hit;
    await new Promise((done) => setTimeout(done, 250));
  }
  throw new Error(`no mail to ${address} with ${subject}`);
}

export function linkIn(mail: Email, kind: "enter" | "ticket" | "reply"): string {
  const link = new RegExp(`https?://[^\\s]+/${kind}/[\\w-]+`).exec(mail.text ?? "");
  if (!link) throw new Error(`no ${kind} link in the mail`);
  return link[0];
}
