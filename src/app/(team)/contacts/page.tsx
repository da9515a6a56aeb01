import { Raw, href, BookHeader, BookFilter, BookList } from "./book";
import Link from "next/link";
import { contactQuery } from "@/contracts";
import { standingMay } from "@/core/people";
import { clockTime, shortDate } from "@/core/time";
import { ContactForm } from "@/features/contacts/contact-form";
import { Duplicates } from "@/features/contacts/duplicates";
import { ImportPanel } from "@/features/contacts/import-panel";
import { TeamBar } from "@/features/shared/team-bar";
import { contactById, contactPage, likelyDuplicates, pairsShown } from "@/server/services/people/contacts/book";
import { contactHistory } from "@/server/services/people/contacts/history";
import { classes } from "@/ui";
import { isUuid, orNotFound, pageMember } from "../../_lib/request";
import { signOutAction } from "../sign-in/actions";
import { eraseContactAction, mergeContactsAction, saveContactAction } from "./actions";

export const metadata = { title: "Contacts" };

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
      {mayEdit && (
        <p>
          <a href={`/contacts/person.json?contact=${contact.id}`}>Everything kept of this person, as a file</a>
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

export default async function ContactsPage({ searchParams }: { searchParams: Promise<Raw> }) {
  const { context, member } = await pageMember();
  const raw = await searchParams;
  const query = contactQuery
    .catch({ words: "", tag: "", group: "", state: "all", sort: "name", desc: "", page: 0 })
    .parse(raw);
  const book = await contactPage(context, member, query);
  const mayEdit = standingMay(member.standing, "contacts.edit");
  const narrow = {
    words: query.words,
    tag: query.tag,
    group: query.group,
    state: query.state === "all" ? "" : query.state,
  };
  const hasAside = isUuid(raw["contact"]) || (raw["view"] === "new" && mayEdit);
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
        <BookHeader book={book} raw={raw} query={query} narrow={narrow} mayEdit={mayEdit} />
        <div
          className={classes(
            "grid gap-6 lg:grid-cols-[11rem_minmax(0,1fr)]",
            hasAside && "xl:grid-cols-[11rem_minmax(0,1fr)_22rem]",
          )}
        >
          <BookFilter side={side} mayEdit={mayEdit} book={book} />
          {raw["view"] === "duplicates" ? (
            <section>
              <h2 className="text-head font-semibold">Perhaps twice in the book</h2>
              <Duplicates
                pairs={await likelyDuplicates(context, member, { words: query.words })}
                most={pairsShown}
                merge={mergeContactsAction}
              />
            </section>
          ) : raw["view"] === "import" && mayEdit ? (
            <div>
              <ImportPanel />
            </div>
          ) : (
            <>
              <BookList book={book} query={query} raw={raw} narrow={narrow} mayEdit={mayEdit} />
              {hasAside && (
                <aside aria-label="The contact" className="self-start bg-sheet p-4 xl:sticky xl:top-4">
                  {isUuid(raw["contact"]) ? (
                    <Person id={raw["contact"]} mayEdit={mayEdit} />
                  ) : (
                    <ContactForm contact={null} mayEdit save={saveContactAction} />
                  )}
                </aside>
              )}
            </>
          )}
        </div>
      </main>
    </>
  );
}
