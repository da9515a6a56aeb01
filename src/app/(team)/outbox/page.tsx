import Link from "next/link";
import { MailPreview } from "@/features/shared/mail-preview";
import { TeamBar } from "@/features/shared/team-bar";
import { outboxMail, outboxPage } from "@/server/services/outbox";
import { orNotFound, pageMember } from "../../_lib/request";
import { signOutAction } from "../sign-in/actions";

export const metadata = { title: "Outbox" };

export default async function OutboxPage({ searchParams }: { searchParams: Promise<{ mail?: string; before?: string }> }) {
  const { context, member } = await pageMember();
  const query = await searchParams;
  const lines = await outboxPage(context, member, query.before ? Number(query.before) : null);
  const mail = query.mail ? await orNotFound(() => outboxMail(context, member, query.mail!)) : null;
  const minute = (at: number) => new Date(at).toISOString().slice(0, 16).replace("T", " ");
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <main className="mx-auto max-w-7xl px-6 py-5">
        <h1 className="border-b-2 border-ink pb-2 text-title leading-tight font-semibold">Outbox</h1>
        <div className="grid grid-cols-[1fr_34rem] gap-6">
          <ul>
            {lines.length === 0 && <li className="py-4 text-ink-2">No mail has left yet.</li>}
            {lines.map((line) => (
              <li key={line.id} className="grid grid-cols-[8.5rem_1fr_5rem] gap-3 border-b border-rule py-1.5">
                <span className="mono text-ink-2">{minute(line.at)}</span>
                <span className="min-w-0">
                  <Link href={`/outbox?mail=${line.id}`} prefetch={false} className="block truncate">
                    {line.subject ?? line.kind.replaceAll("-", " ")}
                  </Link>
                  <span className="block truncate text-label text-ink-2">to {line.to}</span>
                </span>
                <span className={line.state === "failed" ? "text-wrong" : "text-ink-2"}>{line.note ?? line.state}</span>
              </li>
            ))}
          </ul>
          <div className="pt-3">
            {mail ? (
              <>
                <p className="text-label text-ink-2">
                  From {mail.from} · to {mail.to}
                  {mail.areLinksRedacted && " · personal links are kept from you"}
                </p>
                <MailPreview mail={mail} />
              </>
            ) : (
              <p className="text-ink-2">Choose a mail to read it as its recipient does. Times are UTC.</p>
            )}
          </div>
        </div>
        {lines.length === 50 && (
          <p className="mt-3">
            <Link href={`/outbox?before=${lines.at(-1)!.at}`} prefetch={false}>
              Earlier mails
            </Link>
          </p>
        )}
      </main>
    </>
  );
}
