import type { ReactNode } from "react";
import type { Contact, ContactQuery } from "@/contracts";
import type { ContactPage } from "@/server/services/people/contacts/book";
import Link from "next/link";
import { contactPageSize } from "@/server/services/people/contacts/book";
import { Input, buttonClass, Button } from "@/ui";

export type Raw = Record<string, string | undefined>;

export const href = (query: Raw): string =>
  `/contacts?${new URLSearchParams(Object.entries(query).filter((entry): entry is [string, string] => Boolean(entry[1]))).toString()}`;

export function BookHeader({
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
        <Input
          name="words"
          aria-label="Find by name or address"
          placeholder="name or address"
          defaultValue={query.words}
        />
        <Button type="submit" weight="quiet">
          Find
        </Button>
      </form>
      {mayEdit && (
        <>
          <Link href="/contacts?view=new" prefetch={false} className={buttonClass("quiet")}>
            Add somebody
          </Link>
          <Link href="/contacts?view=import" prefetch={false} className={buttonClass("quiet")}>
            Import contacts
          </Link>
          <a href="/contacts/contacts.csv">contacts.csv</a>
          <a href="/contacts/contacts.vcf">contacts.vcf</a>
        </>
      )}
    </header>
  );
}

export function BookRow({
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

export function BookFilter({
  side,
  mayEdit,
  book,
}: {
  side: (part: Raw, words: string, count?: number) => ReactNode;
  mayEdit: boolean;
  book: ContactPage;
}) {
  return (
    <nav aria-label="Filter contacts" className="flex flex-col gap-4">
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

export function BookList({
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
            : "The book is empty. Import contacts, or add somebody."}
        </p>
      )}
      <ul>
        {book.contacts.map((one) => (
          <BookRow key={one.id} one={one} raw={raw} narrow={narrow} query={query} />
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
