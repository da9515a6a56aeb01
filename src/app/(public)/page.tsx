import Link from "next/link";
import { formatLocaleOf, messagesFor, type Locale } from "@/contracts/messages";
import { hourWords } from "@/contracts/messages/cities";
import { longDate } from "@/core/time";
import { EventLines, type EventLine } from "@/features/front-door/event-lines";
import { RoomCode } from "@/features/front-door/room-code";
import { InLanguage } from "@/features/shared/language";
import { lookStyle } from "@/features/shared/look";
import { app } from "@/server/compose";
import {
  publicDates,
  publicRecordings,
  type PublicListItem,
  type PublicRecording,
} from "@/server/services/way-in/front/public-lists";
import { besidesOf } from "./_lib/besides";
import { visitorLocale } from "../_lib/locale";
import { currentOrganisation } from "../_lib/request";
import { chooseLanguageAction } from "./language-actions";
import { roomCodeAction } from "./actions";

function lineOf(date: PublicListItem, locale: Locale, now: number): EventLine {
  const isOn = date.phase === "open" || (date.startAt <= now && now < date.endAt);
  return {
    slug: date.slug,
    title: date.title,
    startAt: date.startAt,
    zone: date.zone,
    colour: date.look.colour,
    bannerId: date.look.bannerId,
    teaser: date.teaser,
    besides: besidesOf({ ...date, creditPoints: null, creditThresholdPercent: 0 }, locale),
    liveWords: isOn ? messagesFor(locale).front.live : null,
    hour: hourWords(locale, date.zone),
  };
}

/** Recordings that anybody may watch, the newest first. */
function OnDemand({ recordings, locale }: { recordings: readonly PublicRecording[]; locale: Locale }) {
  const { front, onDemand } = messagesFor(locale);
  return (
    <section>
      <h2 className="mt-8 border-b border-rule pb-1 text-head font-semibold">{front.recordings}</h2>
      <ul>
        {recordings.map((one) => (
          <li key={one.slug} className="flex gap-3 border-b border-rule py-3" style={lookStyle(one.look.colour)}>
            {one.look.bannerId ? (
              <img src={`/pictures/${one.look.bannerId}`} alt="" className="h-12 w-20 shrink-0 object-cover" />
            ) : (
              <span aria-hidden className="h-12 w-20 shrink-0 bg-[var(--event-ground)]" />
            )}
            <span className="min-w-0">
              {/* a page of its own: its player has styles that this one does not let in */}
              <a href={`/on-demand/${one.slug}`} className="font-medium text-ink no-underline hover:underline">
                <bdi>{one.title}</bdi>
              </a>
              <span className="block text-base text-ink-2">
                {onDemand.recordedOn.replace("{date}", longDate(one.recordedAt, one.zone, formatLocaleOf(locale)))}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

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
      <main className="mx-auto grid max-w-6xl gap-x-10 px-4 py-8 text-lead lg:grid-cols-[minmax(0,1fr)_20rem]">
        <div>
          <h1 className="text-title font-semibold">
            <bdi>{organisation.name}</bdi>
          </h1>
          <p className="mt-1 text-ink-2">
            <bdi>{organisation.about}</bdi>
          </p>
          <h2 className="mt-6 text-head font-semibold">{words.comingEvents}</h2>
          <EventLines lines={dates.map((date) => lineOf(date, locale, context.clock.now()))} none={words.noneComing} />
        </div>
        <div className="lg:pt-2">
          <RoomCode action={roomCodeAction} words={words} />
          {recordings.length > 0 && <OnDemand recordings={recordings} locale={locale} />}
          <p className="mt-8 text-base">
            <a href="/calendar.ics">{words.calendar}</a> · <a href="/feed.xml">Atom</a> ·{" "}
            <Link href="/sign-in" prefetch={false}>
              Team
            </Link>
          </p>
        </div>
      </main>
    </InLanguage>
  );
}
