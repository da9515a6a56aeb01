import Link from "next/link";
import { MailList, PutOffNotes } from "@/features/outbox/mail-list";
import { MailPreview } from "@/features/shared/mail-preview";
import { TeamBar } from "@/features/shared/team-bar";
import { organisationOf } from "@/server/services/organisation/rules";
import { outboxMail, outboxPage, putOffMail } from "@/server/services/mailings/outbox";
import { orNotFound, pageMember } from "../../_lib/request";
import { signOutAction } from "../sign-in/actions";
import { tryAgainAction } from "./actions";

export const metadata = { title: "Mail" };

export default async function OutboxPage({
  searchParams,
}: {
  searchParams: Promise<{ mail?: string; before?: string }>;
}) {
  const { context, member } = await pageMember();
  const query = await searchParams;
  const [page, putOff, { zone }] = await Promise.all([
    outboxPage(context, member, query.before ?? null),
    putOffMail(context, member),
    organisationOf(context, member.organisationId),
  ]);
  const mail = query.mail ? await orNotFound(() => outboxMail(context, member, query.mail!)) : null;
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <main className="mx-auto max-w-7xl px-6 py-5">
        <h1 className="border-b-2 border-ink pb-2 text-title leading-tight font-semibold">Mail</h1>
        <div className="grid grid-cols-[1fr_34rem] gap-6">
          <div>
            {putOff.length > 0 && (
              <div className="mt-3 flex flex-col gap-2">
                <PutOffNotes putOff={putOff} zone={zone} />
              </div>
            )}
            <MailList
              lines={page.lines}
              zone={zone}
              chosenId={query.mail ?? null}
              keep={query.before ? `&before=${query.before}` : ""}
              tryAgain={tryAgainAction}
            />
            <nav aria-label="Pages" className="mt-3 flex gap-4">
              {query.before && (
                <Link href="/outbox" prefetch={false}>
                  Newest mails
                </Link>
              )}
              {page.next && (
                <Link href={`/outbox?before=${page.next}`} prefetch={false}>
                  Earlier mails
                </Link>
              )}
            </nav>
          </div>
          <div className="sticky top-4 self-start pt-3">
            {mail ? (
              <>
                <p className="text-label text-ink-2">
                  From {mail.from} · to {mail.to}
                  {mail.areLinksRedacted && " · personal links are kept from you"}
                </p>
                <MailPreview mail={mail} />
              </>
            ) : (
              <p className="text-ink-2">Choose a mail to read it as its recipient does.</p>
            )}
          </div>
        </div>
      </main>
    </>
  );
}
