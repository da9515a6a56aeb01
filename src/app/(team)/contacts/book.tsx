import type { ReactNode } from "react";
import type { ContactQuery } from "@/contracts";
import { ContactTable, type SortHead } from "@/features/contacts/contact-table";
import type { ContactPage } from "@/server/services/people/contacts/book";
import Link from "next/link";
import { contactPageSize } from "@/server/services/people/contacts/book";
import { Empty, Input, buttonClass, Button } from "@/ui";
import { markContactsAction } from "./actions";

export type Raw = Record<string, string | undefined>;

export type Narrow = { words: string; tag: string; group: string; state: string };

export const href = (query: Raw): string =>
  `/contacts?${new URLSearchParams(Object.entries(query).filter((entry): entry is [string, string] => Boolean(entry[1]))).toString()}`;

export function BookHeader({
  book,
  raw,
  query,
  narrow,
  mayEdit,
}: {
  book: ContactPage;
  raw: Raw;
  query: ContactQuery;
  narrow: Narrow;
  mayEdit: boolean;
}) {
  return (
    <header className="mb-4 flex flex-wrap items-end gap-4 border-b-2 border-ink pb-2">
      <h1 className="text-title leading-tight font-semibold">Contacts</h1>
      <span className="mono pb-1 text-ink-2">{book.total}</span>
      <form className="ml-auto flex gap-2" action="/contacts">
        {raw["view"] === "duplicates" && <input type="hidden" name="view" value="duplicates" />}
        <Input
          name="words"
          aria-label="Search contacts"
          placeholder="name, address, company"
          defaultValue={query.words}
        />
        <Button type="submit" weight="quiet">
          Search
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
          {["contacts.csv", "contacts.vcf"].map((file) => (
            <a key={file} href={href(narrow).replace("/contacts", `/contacts/${file}`)}>
              {file}
            </a>
          ))}
        </>
      )}
    </header>
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

const columns = [
  ["name", "Name", true],
  ["email", "Mail address", true],
  ["company", "Company", true],
  ["marks", "Groups and tags", false],
  ["events", "Events", false],
  ["last", "Last with us", false],
] as const;

/** The heads of the table, each leading to the book sorted by it, the other way round where it is already. */
function headsOf(query: ContactQuery, narrow: Narrow): readonly SortHead[] {
  return columns.map(([id, words, isSorted]) => {
    const isBy = query.sort === id;
    const isDown = isBy && query.desc === "1";
    return {
      id,
      words,
      href: isSorted ? href({ ...narrow, sort: id, desc: isBy && !isDown ? "1" : "" }) : null,
      order: !isBy ? "none" : isDown ? "descending" : "ascending",
    };
  });
}

export function BookList({
  book,
  query,
  raw,
  narrow,
  mayEdit,
}: {
  book: ContactPage;
  query: ContactQuery;
  raw: Raw;
  narrow: Narrow;
  mayEdit: boolean;
}) {
  const sorted = { ...narrow, sort: query.sort === "name" ? "" : query.sort, desc: query.desc };
  const page = query.page ? String(query.page) : "";
  const isNarrowed = query.words || query.tag || query.group || query.state !== "all";
  return (
    <section aria-label="The book" className="min-w-0">
      {book.contacts.length === 0 ? (
        isNarrowed ? (
          <Empty title="Nobody fits">Search for fewer words, or choose Everybody.</Empty>
        ) : (
          <Empty title="The book is empty">Import contacts from a file, or add somebody.</Empty>
        )
      ) : (
        <ContactTable
          key={`${page}${query.words}${query.tag}${query.group}${query.state}`}
          rows={book.contacts.map((one) => ({
            id: one.id,
            name: one.name,
            email: one.email,
            company: one.company,
            marks: [...one.groups, ...one.tags],
            wantsNoMail: one.unsubscribedAt !== null,
            cameBack: one.addressFailedAt !== null,
            eventCount: one.eventCount,
            lastAt: one.lastAt,
            href: href({ ...sorted, page, contact: one.id }),
          }))}
          heads={headsOf(query, narrow)}
          openId={raw["contact"] ?? null}
          isBeside={Boolean(raw["contact"]) || raw["view"] === "new"}
          names={[...book.groups, ...book.tags].map((one) => one.name)}
          mayEdit={mayEdit}
          mark={markContactsAction}
        />
      )}
      <p className="mt-3 flex gap-4">
        {query.page > 0 && (
          <Link href={href({ ...sorted, page: String(query.page - 1) })}>The {contactPageSize} before</Link>
        )}
        {(query.page + 1) * contactPageSize < book.total && (
          <Link href={href({ ...sorted, page: String(query.page + 1) })}>The next {contactPageSize}</Link>
        )}
      </p>
    </section>
  );
}
