import type { Metadata } from "next";
import { formatLocaleOf, messagesFor, translatorFor } from "@/contracts/messages";
import { lookStyle } from "@/features/shared/look";
import { InLanguage } from "@/features/shared/language";
import { Booking } from "@/features/slots/booking";
import { app } from "@/server/compose";
import { cleanHtml } from "@/server/services/ground/sanitise";
import { bookingPage } from "@/server/services/way-in/slots";
import { holderOf } from "@/server/services/way-in/tickets";
import { visitorLocale } from "../../../_lib/locale";
import { currentOrganisation, orNotFound } from "../../../_lib/request";
import { chooseLanguageAction } from "../../language-actions";
import { bookAction } from "./actions";

/** The title in the visitor's language. */
export async function generateMetadata(): Promise<Metadata> {
  return { title: messagesFor(await visitorLocale()).slots.title, robots: { index: false } };
}

/** One shared page on which slots are booked; with a ticket's token in `?move=` a booking moves. */
export default async function BookPage({
  params,
  searchParams,
}: {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ move?: string }>;
}) {
  const [{ slug }, { move }] = await Promise.all([params, searchParams]);
  const { context } = await app();
  const organisation = await currentOrganisation();
  const page = await orNotFound(() => bookingPage(context, organisation, slug));
  if (move) await orNotFound(() => holderOf(context, move));
  const locale = await visitorLocale();
  const { slots, front } = messagesFor(locale);
  const words = {
    ...slots,
    name: front.name,
    email: front.email,
    working: front.working,
    answered: front.answered,
    consent: translatorFor(locale, "front")("consent", { days: organisation.retentionDays }),
  };
  return (
    <InLanguage locale={locale} label={front.language} choose={chooseLanguageAction}>
      <main className="mx-auto max-w-4xl px-4 py-8" style={lookStyle(page.event.look.colour)}>
        <p className="text-label text-ink-2">
          {organisation.name} · {slots.title}
        </p>
        <h1 className="mt-1 text-title leading-tight font-semibold">
          <bdi>{page.event.title}</bdi>
        </h1>
        <div
          className="prose mt-3 mb-6 max-w-prose"
          dir="auto"
          dangerouslySetInnerHTML={{ __html: cleanHtml(page.event.descriptionHtml) }}
        />
        <Booking
          slots={page.slots.slice(0, 400).map(({ startAt, endAt }) => ({ startAt, endAt }))}
          zone={page.plan.zone}
          locale={formatLocaleOf(locale)}
          words={words}
          isMove={move !== undefined}
          action={bookAction.bind(null, slug, move ?? null)}
        />
      </main>
    </InLanguage>
  );
}
