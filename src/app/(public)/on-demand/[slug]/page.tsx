import { formatLocaleOf, messagesFor, translatorFor } from "@/contracts/messages";
import { longDate } from "@/core/time";
import { Recording } from "@/features/afterwards/recording";
import { InLanguage } from "@/features/shared/language";
import { app } from "@/server/compose";
import { onDemand } from "@/server/services/afterwards/recordings";
import { visitorLocale } from "../../../_lib/locale";
import { currentOrganisation, orNotFound } from "../../../_lib/request";
import { chooseLanguageAction } from "../../language-actions";

export const metadata = { title: "On demand" };

export default async function OnDemandPage({ params }: { params: Promise<{ slug: string }> }) {
  const { slug } = await params;
  const { context } = await app();
  const organisation = await currentOrganisation();
  const item = await orNotFound(() => onDemand(context, organisation, slug));
  const locale = await visitorLocale();
  const words = messagesFor(locale).onDemand;
  return (
    <InLanguage locale={locale} label={messagesFor(locale).front.language} choose={chooseLanguageAction}>
      <main className="mx-auto max-w-4xl px-4 py-6">
        <p className="text-label text-ink-2">{organisation.name}</p>
        <h1 className="text-title leading-tight font-semibold">{item.recording.title}</h1>
        <p className="text-ink-2">
          {translatorFor(locale, "onDemand")("recordedOn", {
            date: longDate(item.recordedAt, item.zone, formatLocaleOf(locale)),
          })}
        </p>
        <Recording
          src={`/on-demand/${slug}/media`}
          chaptersSrc={`/on-demand/${slug}/chapters.vtt`}
          chapters={item.chapters}
          words={words}
        />
      </main>
    </InLanguage>
  );
}
