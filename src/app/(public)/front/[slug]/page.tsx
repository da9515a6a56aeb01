import { WhenAndWhere, WayInPanel } from "./way-in-panel";
import type { Metadata } from "next";
import { cookies, headers } from "next/headers";
import Link from "next/link";
import { redirect } from "next/navigation";
import { cache } from "react";
import {
  audienceWords,
  formatLocaleOf,
  messagesFor,
  namesIn,
  oneMomentWords,
  translatorFor,
} from "@/contracts/messages";
import { AccessCodeForm } from "@/features/front-door/access-code-form";
import { DoorView } from "@/features/front-door/door-view";
import { InLanguage } from "@/features/shared/language";
import { app } from "@/server/compose";
import { frontDoor, type FrontDoor } from "@/server/services/way-in/front-door";
import { inviteeOf } from "@/server/services/way-in/tickets";
import { visitorLocale } from "../../../_lib/locale";
import { currentOrganisation, isUuid, orNotFound } from "../../../_lib/request";
import { chooseLanguageAction } from "../../language-actions";
import { accessCodeAction } from "./actions";
import { passCookie } from "@/server/services/way-in/pass-cookie";

interface Props {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ via?: string; for?: string; date?: string }>;
}

async function load({ params, searchParams }: Props) {
  const [{ slug }, { via, for: invitation, date }] = await Promise.all([params, searchParams]);
  return loadOnce(slug, via, invitation, date);
}

/** Once a request, for the metadata and the page together. */
const loadOnce = cache(
  async (slug: string, via: string | undefined, invitation: string | undefined, date: string | undefined) => {
    const query = { via, for: invitation };
    const dateId = isUuid(date) ? date : null;
    const { context } = await app();
    const organisation = await currentOrganisation();
    const cookie = (await cookies()).get(passCookie(slug))?.value ?? null;
    const first = await orNotFound(() =>
      frontDoor(context, organisation, slug, { cookie, isInvited: query.for !== undefined }, dateId),
    );
    if (first.isLocked) return { slug, query, found: first, prefill: null };
    const prefill = await inviteeOf(context, first.door.event.id, query.for ?? null);
    // a made-up invitation opens nothing
    const found =
      first.door.event.isPrivate && !prefill
        ? await orNotFound(() => frontDoor(context, organisation, slug, { cookie, isInvited: false }, dateId))
        : first;
    return { slug, query, found, prefill };
  },
);

export async function generateMetadata(props: Props): Promise<Metadata> {
  const { slug, found } = await load(props);
  if (found.isLocked) return { title: "Private event", robots: { index: false } };
  const { event, descriptionText } = found.door;
  const { context } = await app();
  return {
    metadataBase: new URL(context.environment.STAGE_CALL_URL),
    title: event.title,
    description: descriptionText,
    openGraph: {
      title: event.title,
      description: descriptionText,
      images: [{ url: `/front/${slug}/card.png`, width: 1200, height: 630 }],
    },
    alternates: { types: { "application/atom+xml": "/feed.xml" } },
  };
}

/** JSON-LD `Event` (schema.org); `<` is escaped so that no text can end the script. */
function structuredData({ event, occurrence, organisation, descriptionText }: FrontDoor, url: string): string {
  return JSON.stringify({
    "@context": "https://schema.org",
    "@type": "Event",
    name: event.title,
    description: descriptionText,
    ...(occurrence && {
      startDate: new Date(occurrence.startAt).toISOString(),
      endDate: new Date(occurrence.endAt).toISOString(),
    }),
    eventAttendanceMode: `https://schema.org/${event.place ? "Mixed" : "Online"}EventAttendanceMode`,
    eventStatus:
      occurrence?.phase === "cancelled" ? "https://schema.org/EventCancelled" : "https://schema.org/EventScheduled",
    location: event.place
      ? [
          { "@type": "VirtualLocation", url },
          { "@type": "Place", name: event.place, address: event.place },
        ]
      : { "@type": "VirtualLocation", url },
    organizer: { "@type": "Organization", name: organisation.name },
  }).replaceAll("<", "\\u003c");
}

function standingWords(door: FrontDoor, locale: string): string | null {
  const words = messagesFor(locale).front;
  if (!door.occurrence) return words.roomClosed;
  const { phase } = door.occurrence;
  if (phase === "ended" || phase === "not-held") return words.over;
  if (phase === "cancelled") return words.cancelled;
  return null;
}

export default async function FrontDoorPage(props: Props) {
  const { slug, query, found, prefill } = await load(props);
  const locale = await visitorLocale();
  const format = formatLocaleOf(locale);
  const words = messagesFor(locale).front;
  const t = translatorFor(locale, "front");
  if (found.isLocked) {
    return (
      <InLanguage locale={locale} label={words.language} choose={chooseLanguageAction}>
        <AccessCodeForm action={accessCodeAction.bind(null, slug)} words={words} />
      </InLanguage>
    );
  }
  const { door } = found;
  if (door.event.shape === "slots") redirect(`/book/${slug}`);
  const { event, occurrence, organisation } = door;
  const over = standingWords(door, locale);
  const { context } = await app();
  const nonce = (await headers()).get("content-security-policy")?.match(/'nonce-([^']+)'/)?.[1];
  const consent = t("consent", { days: organisation.retentionDays });
  const formWords = {
    name: words.name,
    email: words.email,
    required: words.required,
    submit: words.submit,
    working: words.working,
    answered: words.answered,
    notNow: audienceWords({ code: "wrong-origin" }, locale),
    oneMoment: oneMomentWords(null, locale),
    answeredMore: words.answeredMore,
    consent,
  };
  return (
    <InLanguage locale={locale} label={words.language} choose={chooseLanguageAction}>
      <script
        nonce={nonce}
        type="application/ld+json"
        dangerouslySetInnerHTML={{
          __html: structuredData(door, `${context.environment.STAGE_CALL_URL}/front/${slug}`),
        }}
      />
      <DoorView
        title={event.title}
        organisation={
          <Link href="/" prefetch={false} className="text-inherit no-underline">
            {organisation.name}
          </Link>
        }
        look={event.look}
        when={occurrence && <WhenAndWhere occurrence={occurrence} event={event} words={words} format={format} t={t} />}
        descriptionHtml={door.descriptionHtml}
        stage={door.stage}
        agenda={door.agenda.map(({ title, at, leaders }) => ({
          title,
          at,
          withLeader: leaders.length > 0 ? t("withLeader", { name: namesIn(leaders, locale) }) : "",
        }))}
        zone={occurrence?.zone ?? "UTC"}
        parts={
          occurrence
            ? door.parts.map((part) => ({ id: part.id, clock: part.startLocal.slice(11), title: part.title }))
            : []
        }
        files={door.files.map((file) => ({ ...file, href: `/front/${slug}/files/${file.id}` }))}
        words={words}
      >
        <WayInPanel
          over={over}
          event={event}
          words={words}
          occurrence={occurrence}
          door={door}
          t={t}
          slug={slug}
          format={format}
          formWords={formWords}
          organisation={organisation}
          query={query}
          prefill={prefill}
        />
      </DoorView>
    </InLanguage>
  );
}
