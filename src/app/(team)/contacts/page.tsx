import type { ReactNode } from "react";
import type { Contact, ContactQuery } from "@/contracts";
import type { ContactPage } from "@/server/services/contacts/book";
import Link from "next/link";
import { contactQuery } from "@/contracts";
import { standingMay } from "@/core/people";
import { clockTime, shortDate } from "@/core/time";
import { ContactForm } from "@/features/contacts/contact-form";
import { Duplicates } from "@/features/contacts/duplicates";
import { ImportPanel } from "@/features/contacts/import-panel";
import { TeamBar } from "@/features/shared/team-bar";
import {
  contactById,
  contactPage,
  contactPageSize,
  likelyDuplicates,
  pairsShown,
} from "@/server/services/contacts/book";
import { contactHistory } from "@/server/services/contacts/history";
import { buttonClass, inputClass } from "@/ui";
import { isUuid, orNotFound, pageMember } from "../../_lib/request";
import { signOutAction } from "../sign-in/actions";
import { eraseContactAction, mergeContactsAction, saveContactAction } from "./actions";

export const metadata = { title: "Contacts" };

type Raw = Record<string, string | undefined>;
const href = (query: Raw): string =>
  `/contacts?${new URLSearchParams(Object.entries(query).filter((entry): entry is [string, string] => Boolean(entry[1]))).toString()}`;

async function Person({ id, mayEdit }: { id: string; mayEdit: boolean }) {
  const { context, member } = await pageMember();
  const [contact, history] = await orNotFound(() =>
    Promise.all([contactById(context, member, id), contactHistory(context, member, id)]),
  );
  return (
    <div className="flex flex-col gap-6">
      <ContactForm
        key={contact.id}
        contact={contact}
        mayEdit={mayEdit}
        save={saveContactAction}
        erase={eraseContactAction}
      />
      {contact.unsubscribedAt !== null && (
        <p className="border-l-2 border-attention pl-2 text-attention">
          Wants no invitations, reminders and follow-ups, since {shortDate(contact.unsubscribedAt, "UTC")}.
        </p>
      )}
      {contact.addressFailedAt !== null && (
        <p className="border-l-2 border-wrong pl-2 text-wrong">
          Mail to this address came back on {shortDate(contact.addressFailedAt, "UTC")}:{" "}
          {contact.addressFailedReason ?? "refused"}. Another address brings mail again.
        </p>
      )}
      <section>
        <h2 className="text-head font-semibold">With us</h2>
        {history.length === 0 && <p className="text-ink-2">No event yet.</p>}
        <ol className="mt-1 border-l-2 border-rule">
          {history.map((one, i) => (
            <li key={i} className="relative py-1.5 pl-3">
              <span
                className={`absolute top-3 -left-[5px] size-2 ${one.minutesInside > 0 ? "bg-action" : "bg-rule"}`}
              />
              <span className="mono text-label text-ink-2">
                {one.startAt && one.zone
                  ? `${shortDate(one.startAt, one.zone)} ${clockTime(one.startAt, one.zone)}`
                  : "no date"}
              </span>
              <Link href={`/events/${one.eventId}/people`} prefetch={false} className="block truncate" dir="auto">
                {one.title}
              </Link>
              <span className="text-label text-ink-2">
                {one.role === "attendee" || one.role === "invitee" ? one.status : one.role.replace("-", " ")}
                {one.reply && ` · ${one.reply.replace("-", " ")}`}
                {one.minutesInside > 0 && ` · there for ${one.minutesInside} min`}
              </span>
            </li>
          ))}
        </ol>
      </section>
    </div>
  );
}

function BookHeader({
  book,
  raw,
  query,
  mayEdit,
}: {
  book: ContactPage;
  raw: Raw;
  query: ContactQuery;
  mayEdit: boolean;
}) {
  return (
    <header className="mb-4 flex items-end gap-4 border-b-2 border-ink pb-2">
      <h1 className="text-title leading-tight font-semibold">Contacts</h1>
      <span className="mono pb-1 text-ink-2">{book.total}</span>
      <form className="ml-auto flex gap-2" action="/contacts">
        {raw["view"] === "duplicates" && <input type="hidden" name="view" value="duplicates" />}
        <input
          name="words"
          aria-label="Find by name or address"
          placeholder="name or address"
          defaultValue={query.words}
          className={inputClass}
        />
        <button className={buttonClass("quiet")}>Find</button>
      </form>
      {mayEdit && (
        <>
          <Link href="/contacts?view=new" prefetch={false} className={buttonClass("quiet")}>
            Add somebody
          </Link>
          <Link href="/contacts?view=import" prefetch={false} className={buttonClass("quiet")}>
            Take a file in
          </Link>
          <a href="/contacts/contacts.csv">contacts.csv</a>
          <a href="/contacts/contacts.vcf">contacts.vcf</a>
        </>
      )}
    </header>
  );
}

function BookRow({
  one,
  raw,
  narrow,
  query,
}: {
  one: Contact;
  raw: Raw;
  narrow: { words: string; tag: string; group: string; state: string };
  query: ContactQuery;
}) {
  return (
    <li
      key={one.id}
      className={`grid grid-cols-[11rem_1fr_11rem] items-baseline gap-3 border-b border-rule py-1.5 ${one.id === raw["contact"] ? "bg-sheet" : ""}`}
    >
      <Link
        href={href({ ...narrow, page: query.page ? String(query.page) : "", contact: one.id })}
        prefetch={false}
        className="truncate font-medium no-underline hover:underline"
        dir="auto"
      >
        {one.name || one.email}
      </Link>
      <span className={`truncate ${one.addressFailedAt ? "text-wrong" : "text-ink-2"}`}>{one.email}</span>
      <span className="max-w-56 truncate text-label text-ink-2">
        {[...one.groups, ...one.tags].join(" · ")}
        {one.unsubscribedAt !== null && " · no mail"}
      </span>
    </li>
  );
}

function BookFilter({ side, mayEdit, book }: { side: (part: Raw, words: string, count?: number) => ReactNode; mayEdit: boolean; book: ContactPage }) {
  return (
    <nav aria-label="Narrow the book" className="flex flex-col gap-4">
      <ul className="flex flex-col gap-1">
        {side({ words: "", tag: "", group: "", state: "" }, "Everybody")}
        {side({ state: "unsubscribed" }, "Want no mail")}
        {side({ state: "bounced" }, "Mail came back")}
        {mayEdit && side({ words: "", tag: "", group: "", state: "", view: "duplicates" }, "Perhaps twice")}
      </ul>
      {book.groups.length > 0 && (
        <div>
          <p className="text-label font-medium text-ink-2">Groups</p>
          <ul className="flex flex-col gap-1">
            {book.groups.map((one) => side({ group: one.name }, one.name, one.count))}
          </ul>
        </div>
      )}
      {book.tags.length > 0 && (
        <div>
          <p className="text-label font-medium text-ink-2">Tags</p>
          <ul className="flex flex-col gap-1">
            {book.tags.map((one) => side({ tag: one.name }, one.name, one.count))}
          </ul>
        </div>
      )}
    </nav>
  );
}

function BookList({
  book,
  query,
  raw,
  narrow,
}: {
  book: ContactPage;
  query: ContactQuery;
  raw: Raw;
  narrow: { words: string; tag: string; group: string; state: string };
}) {
  return (
    <section aria-label="The book">
      {book.contacts.length === 0 && (
        <p className="text-ink-2">
          {query.words || query.tag || query.group || query.state !== "all"
            ? "Nobody fits."
            : "The book is empty. Take a file in, or add somebody."}
        </p>
      )}
      <ul>
        {book.contacts.map((one) => (
          <BookRow one={one} raw={raw} narrow={narrow} query={query} />
        ))}
      </ul>
      <p className="mt-3 flex gap-4">
        {query.page > 0 && (
          <Link href={href({ ...narrow, page: String(query.page - 1) })}>The {contactPageSize} before</Link>
        )}
        {(query.page + 1) * contactPageSize < book.total && (
          <Link href={href({ ...narrow, page: String(query.page + 1) })}>The next {contactPageSize}</Link>
        )}
      </p>
    </section>
  );
}

export default async function ContactsPage({ searchParams }: { searchParams: Promise<Raw> }) {
  const { context, member } = await pageMember();
  const raw = await searchParams;
  const query = contactQuery.catch({ words: "", tag: "", group: "", state: "all", page: 0 }).parse(raw);
  const book = await contactPage(context, member, query);
  const mayEdit = standingMay(member.standing, "contacts.edit");
  const narrow = {
    words: query.words,
    tag: query.tag,
    group: query.group,
    state: query.state === "all" ? "" : query.state,
  };
  const isIn = (part: Raw) =>
    href({ ...narrow, ...part }) === href({ ...narrow, view: raw["view"] === "duplicates" ? "duplicates" : "" });
  const side = (part: Raw, words: string, count?: number) => (
    <li key={words}>
      <Link
        href={href({ ...narrow, ...part })}
        prefetch={false}
        aria-current={isIn(part) ? "true" : undefined}
        className={`flex justify-between gap-2 no-underline hover:underline ${isIn(part) ? "font-semibold text-ink" : ""}`}
      >
        <span className="truncate" dir="auto">
          {words}
        </span>
        {count !== undefined && <span className="mono text-ink-2">{count}</span>}
      </Link>
    </li>
  );
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <main className="mx-auto max-w-7xl px-6 py-5">
        <BookHeader book={book} raw={raw} query={query} mayEdit={mayEdit} />
        <div className="grid grid-cols-[11rem_1fr_24rem] gap-6">
          <BookFilter side={side} mayEdit={mayEdit} book={book} />
          {raw["view"] === "duplicates" ? (
            <section className="col-span-2">
              <h2 className="text-head font-semibold">Perhaps twice in the book</h2>
              <Duplicates
                pairs={await likelyDuplicates(context, member, { words: query.words })}
                most={pairsShown}
                merge={mergeContactsAction}
              />
            </section>
          ) : raw["view"] === "import" && mayEdit ? (
            <div className="col-span-2">
              <ImportPanel />
            </div>
          ) : (
            <>
              <BookList book={book} query={query} raw={raw} narrow={narrow} />
              <aside aria-label="The contact" className="self-start bg-sheet p-4">
                {raw["view"] === "new" && mayEdit ? (
                  <ContactForm contact={null} mayEdit save={saveContactAction} />
                ) : isUuid(raw["contact"]) ? (
                  <Person id={raw["contact"]} mayEdit={mayEdit} />
                ) : (
                  <p className="text-ink-2">Choose somebody to see their words and their history.</p>
                )}
              </aside>
            </>
          )}
        </div>
      </main>
    </>
  );
}
