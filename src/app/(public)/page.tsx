import Link from "next/link";
import { messagesFor } from "@/contracts/messages";
import { hourWords } from "@/contracts/messages/cities";
import { RoomCode } from "@/features/front-door/room-code";
import { InLanguage } from "@/features/shared/language";
import { DayAndHour } from "@/features/shared/times";
import { app } from "@/server/compose";
import { publicDates, publicRecordings } from "@/server/services/way-in/front-door";
import { visitorLocale } from "../_lib/locale";
import { currentOrganisation } from "../_lib/request";
import { chooseLanguageAction } from "./language-actions";
import { roomCodeAction } from "./actions";

/** The organisation's public page: coming events and recordings. */
export default async function PublicPage() {
  const { context } = await app();
  const organisation = await currentOrganisation();
  const [dates, recordings] = await Promise.all([
    publicDates(context, organisation),
    publicRecordings(context, organisation),
  ]);
  const locale = await visitorLocale();
  const words = messagesFor(locale).front;
  return (
    <InLanguage locale={locale} label={words.language} choose={chooseLanguageAction}>
      <main className="mx-auto max-w-3xl px-4 py-8">
        <h1 className="text-title font-semibold">{organisation.name}</h1>
        <p className="mt-1 text-lead text-ink-2">{organisation.about}</p>
        <RoomCode action={roomCodeAction} words={words} />
        <h2 className="mt-8 border-b border-rule pb-1 text-head font-semibold">{words.comingEvents}</h2>
        {dates.length === 0 && <p className="mt-3 text-ink-2">{words.noneComing}</p>}
        <ul>
          {dates.map((date) => (
            <li key={`${date.slug}${date.startAt}`} className="border-b border-rule py-3">
              <Link
                href={`/front/${date.slug}`}
                prefetch={false}
                className="text-lead font-medium no-underline hover:underline"
              >
                {date.title}
              </Link>
              <p>
                <DayAndHour at={date.startAt} zone={date.zone} words={hourWords(locale, date.zone)} />
              </p>
            </li>
          ))}
        </ul>
        {recordings.length > 0 && (
          <>
            <h2 className="mt-8 border-b border-rule pb-1 text-head font-semibold">{words.recordings}</h2>
            <ul>
              {recordings.map((one) => (
                <li key={one.slug} className="border-b border-rule py-3">
                  <Link
                    href={`/on-demand/${one.slug}`}
                    prefetch={false}
                    className="text-lead font-medium no-underline hover:underline"
                  >
                    {one.title}
                  </Link>
                </li>
              ))}
            </ul>
          </>
        )}
        <p className="mt-8 text-label">
          <a href="/calendar.ics">{words.calendar}</a> · <a href="/feed.xml">Atom</a> ·{" "}
          <Link href="/sign-in" prefetch={false}>
            Team
          </Link>
        </p>
      </main>
    </InLanguage>
  );
}
