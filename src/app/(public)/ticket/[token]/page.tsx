import type { Metadata } from "next";
import { messagesFor, type Locale } from "@/contracts/messages";
import { hourWords } from "@/contracts/messages/cities";
import { foyerOpensAt } from "@/core/dates";
import { isOver as isOverPhase } from "@/core/people";
import { GuestForm } from "@/features/shared/guest-form";
import { lookStyle } from "@/features/shared/look";
import { Countdown } from "@/features/ticket/countdown";
import { OwnDetails } from "@/features/ticket/own-details";
import { OwnFile } from "@/features/ticket/own-file";
import { FocusNote } from "@/features/shared/focus-note";
import { CancelPlace } from "@/features/ticket/cancel-place";
import { CallMe } from "@/features/shared/call-me";
import { mayBeCalled } from "@/server/services/hour/call-back";
import { ByPhone } from "@/features/shared/by-phone";
import { DayAndHour, HourSentence } from "@/features/shared/times";
import { buttonClass, Button } from "@/ui";
import { InLanguage } from "@/features/shared/language";
import { app } from "@/server/compose";
import { filesOf } from "@/server/services/way-in/front/files";
import { FilesToTake } from "@/features/shared/hand-outs/files-to-take";
import { shownHandOuts } from "@/server/services/hour/hand-outs";
import { timesOf } from "@/server/services/hour/entry";
import { holderOf, phoneRowsFor, type Holder } from "@/server/services/way-in/tickets";
import { besidesOf } from "../../_lib/besides";
import { holderLocale, visitorLocale } from "../../../_lib/locale";
import { orNotFound } from "../../../_lib/request";
import { chooseHolderLanguageAction } from "../../language-actions";
import { AfterTheHour } from "./after-the-hour";
import { askOwnFileAction, callMeAction, cancelAction, comeBackAction, correctDetailsAction } from "./actions";

/** The title in the visitor's language. */
export async function generateMetadata(): Promise<Metadata> {
  return { title: messagesFor(await visitorLocale()).ticket.title, robots: { index: false } };
}

/** What registrants may do about their place: mend their details, give it back, take another slot, come back. */
function HolderActs({ holder, token, locale }: { holder: Holder; token: string; locale: Locale }) {
  const { event, ticket, person } = holder;
  const { ticket: words, front, slots } = messagesFor(locale);
  const isAttendee = ticket.role === "attendee";
  const hasPlace = isAttendee && ticket.status !== "cancelled" && ticket.status !== "declined";
  return (
    <>
      {hasPlace && <CancelPlace action={cancelAction.bind(null, token, locale)} words={words} />}
      {hasPlace && (
        <OwnDetails
          details={{ name: person.name ?? "", email: person.email ?? "" }}
          words={words}
          labels={front}
          correct={correctDetailsAction.bind(null, token, locale)}
        />
      )}
      {event.shape === "slots" && ticket.status === "registered" && (
        <p className="mt-6">
          <a href={`/book/${event.slug}?move=${token}`}>{slots.other}</a>
        </p>
      )}
      {isAttendee && ticket.status === "cancelled" && event.shape !== "slots" && (
        <GuestForm action={comeBackAction.bind(null, token, locale)}>
          <Button type="submit" weight="act">
            {words.back}
          </Button>
        </GuestForm>
      )}
    </>
  );
}

/** Everything that is kept of the holder, for whoever has an address to prove. */
function OwnFileOf({ holder: { person, ticket }, token, locale }: { holder: Holder; token: string; locale: Locale }) {
  if (person.email === null || ticket.role === "test-guest") return null;
  const ask = askOwnFileAction.bind(null, token, locale);
  return <OwnFile words={messagesFor(locale).ownData} address={person.email} ask={ask} />;
}

export default async function TicketPage(props: {
  params: Promise<{ token: string }>;
  searchParams: Promise<{ address?: string }>;
}) {
  const { token } = await props.params;
  const hasNewAddress = (await props.searchParams).address === "new";
  const { context } = await app();
  const holder = await orNotFound(() => holderOf(context, token, { ofDeleted: true }));
  const { event, occurrence, ticket, person } = holder;
  const locale = await holderLocale(person.locale);
  const words = messagesFor(locale).ticket;
  const hour = hourWords(locale, occurrence.zone);
  const [files, handOuts] = await Promise.all([filesOf(context, event.id), shownHandOuts(context, occurrence.id)]);
  const now = context.clock.now();
  const isCancelled = occurrence.phase === "cancelled" || event.deletedAt !== null;
  const isOver = isCancelled || isOverPhase(occurrence.phase);
  const opensAt = foyerOpensAt(timesOf(occurrence));
  const standing = words[ticket.status];
  return (
    <InLanguage
      locale={locale}
      label={messagesFor(locale).front.language}
      choose={chooseHolderLanguageAction.bind(null, token)}
    >
      <main className="mx-auto max-w-xl px-4 py-8" style={lookStyle(event.look.colour)}>
        <p className="text-label text-ink-2">
          {words.title} · {person.name}
          {ticket.role === "test-guest" && ` · ${words.test}`}
        </p>
        <h1 className="mt-1 text-title leading-tight font-semibold break-words">
          <bdi>{event.title}</bdi>
        </h1>
        <p className="mt-2 text-lead">
          <DayAndHour at={occurrence.startAt} zone={occurrence.zone} words={hour} />
        </p>
        {occurrence.screeningOf !== null && <p>{messagesFor(locale).front.screening}</p>}
        {besidesOf(event, locale).map((line) => (
          <p key={line} className="text-ink-2">
            <bdi>{line}</bdi>
          </p>
        ))}
        <p className="mt-3 border-s-4 border-action ps-3 text-lead">
          {isCancelled ? messagesFor(locale).front.cancelled : isOver ? words.over : standing}
          {isCancelled && occurrence.cancelledWhy && (
            <span className="block text-base text-ink-2" dir="auto">
              {occurrence.cancelledWhy}
            </span>
          )}
        </p>
        {isOver && !isCancelled && <AfterTheHour holder={holder} token={token} locale={locale} />}
        {hasNewAddress && person.email && <FocusNote>{words.moved.replace("{address}", person.email)}</FocusNote>}
        {!isOver && ticket.status === "registered" && (
          <div className="mt-6 bg-sheet p-5">
            <Countdown
              at={occurrence.startAt}
              now={now}
              locale={hour.locale}
              words={{ before: words.begins, after: messagesFor(locale).foyer.begun }}
            />
            {now < opensAt && (
              <p className="mt-1 text-ink-2">
                <HourSentence at={opensAt} zone={occurrence.zone} words={words.foyerOpens} hour={hour} />
              </p>
            )}
            <div className="mt-4 flex flex-wrap gap-3">
              <a href={`/enter/${token}`} className={buttonClass("act")}>
                {words.join}
              </a>
              <a href={`/ticket/${token}/calendar.ics`} className={buttonClass("quiet")}>
                {words.calendar}
              </a>
            </div>
            <FilesToTake files={handOuts} title={messagesFor(locale).files.forYou} locale={locale} ticket={token} />
            {files.length > 0 && (
              <ul className="mt-4" aria-label={messagesFor(locale).front.files}>
                {files.map((file) => (
                  <li key={file.id}>
                    <a href={`/front/${event.slug}/files/${file.id}?ticket=${token}`}>
                      <bdi>{file.name}</bdi>
                    </a>
                  </li>
                ))}
              </ul>
            )}
            <ByPhone rows={await phoneRowsFor(context, holder)} />
            {mayBeCalled(context, holder) && (
              <CallMe words={messagesFor(locale).callMe} ask={callMeAction.bind(null, token, locale)} />
            )}
          </div>
        )}
        {!isOver && <HolderActs holder={holder} token={token} locale={locale} />}
        <OwnFileOf holder={holder} token={token} locale={locale} />
      </main>
    </InLanguage>
  );
}
