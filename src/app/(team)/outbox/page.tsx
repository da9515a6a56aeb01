import Link from "next/link";
import { MailList, PutOffNotes } from "@/features/outbox/mail-list";
import { MailPreview } from "@/features/shared/mail-preview";
import { TeamBar } from "@/features/shared/team-bar";
import { organisationOf } from "@/server/services/organisation/rules";
import { outboxMail, outboxPage, putOffMail } from "@/server/services/mailings/outbox";
import { Button, classes, Empty, Input, Select } from "@/ui";
import { orNotFound, pageMember } from "../../_lib/request";
import { signOutAction } from "../sign-in/actions";
import { tryAgainAction } from "./actions";

export const metadata = { title: "Mail" };

interface Query {
  readonly mail?: string;
  readonly before?: string;
  readonly words?: string;
  readonly state?: string;
}
const states = ["sent", "sending", "failed"] as const;

/** What the address goes on to say behind a mail or a page. */
const kept = (query: Query, names: readonly (keyof Query)[]): string =>
  names.map((name) => (query[name] ? `&${name}=${encodeURIComponent(query[name])}` : "")).join("");

function Filter({ words, state }: Query) {
  return (
    <form action="/outbox" className="ms-auto flex flex-wrap items-center gap-2">
      <Input
        name="words"
        type="search"
        aria-label="Search mails"
        placeholder="address, name, event"
        defaultValue={words}
        className="w-56!"
      />
      <Select name="state" aria-label="State" defaultValue={state} className="w-40!">
        <option value="">any state</option>
        <option value="sent">sent</option>
        <option value="sending">on its way</option>
        <option value="failed">not delivered</option>
      </Select>
      <Button type="submit">Filter</Button>
      {(words || state) && (
        <Link href="/outbox" prefetch={false} className="text-ink-2">
          show all
        </Link>
      )}
    </form>
  );
}

function Pages({ query, next }: { query: Query; next: string | null }) {
  return (
    <nav aria-label="Pages" className="mt-3 flex gap-4">
      {query.before && (
        <Link href={`/outbox?${kept(query, ["words", "state"]).slice(1)}`} prefetch={false}>
          Newest mails
        </Link>
      )}
      {next && (
        <Link href={`/outbox?before=${next}${kept(query, ["words", "state"])}`} prefetch={false}>
          Earlier mails
        </Link>
      )}
    </nav>
  );
}

export default async function OutboxPage({ searchParams }: { searchParams: Promise<Query> }) {
  const { context, member } = await pageMember();
  const query = await searchParams;
  const state = states.find((one) => one === query.state);
  const filter = { words: (query.words ?? "").slice(0, 100), ...(state && { state }) };
  const [page, putOff, { zone }] = await Promise.all([
    outboxPage(context, member, query.before ?? null, filter),
    putOffMail(context, member),
    organisationOf(context, member.organisationId),
  ]);
  const mail = query.mail ? await orNotFound(() => outboxMail(context, member, query.mail!)) : null;
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <main className="mx-auto max-w-7xl px-6 py-5">
        <header className="mb-2 flex flex-wrap items-end gap-4 border-b-2 border-ink pb-2">
          <h1 className="text-title leading-tight font-semibold">Mail</h1>
          <Filter {...query} />
        </header>
        <div className={classes("grid gap-6", mail && "xl:grid-cols-[minmax(0,1fr)_32rem]")}>
          <div className="min-w-0 overflow-x-auto">
            {putOff.length > 0 && (
              <div className="mt-3 flex flex-col gap-2">
                <PutOffNotes putOff={putOff} zone={zone} />
              </div>
            )}
            {page.lines.length === 0 ? (
              filter.words || state ? (
                <Empty title="No mail fits">Search for fewer words, or take any state.</Empty>
              ) : (
                <Empty title="No mail has left yet">
                  Invitations, tickets and reminders stand here once they left.
                </Empty>
              )
            ) : (
              <MailList
                lines={page.lines}
                zone={zone}
                chosenId={query.mail ?? null}
                keep={kept(query, ["before", "words", "state"])}
                tryAgain={tryAgainAction}
              />
            )}
            <Pages query={query} next={page.next} />
          </div>
          {mail && (
            <aside aria-label="The mail" className="sticky top-4 self-start pt-3">
              <p className="text-label text-ink-2">
                From {mail.from} · to {mail.to}
                {mail.areLinksRedacted && " · personal links are kept from you"}
              </p>
              <MailPreview mail={mail} />
            </aside>
          )}
        </div>
      </main>
    </>
  );
}
