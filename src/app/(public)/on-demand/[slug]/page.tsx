import { formatLocaleOf, messagesFor, translatorFor } from "@/contracts/messages";
import { longDate } from "@/core/time";
import { Recording } from "@/features/afterwards/recording";
import { AccessCodeForm } from "@/features/front-door/access-code-form";
import { FilesToTake } from "@/features/shared/hand-outs/files-to-take";
import { app } from "@/server/compose";
import { captionLanguagesOf } from "@/server/services/afterwards/caption-files";
import { shownHandOuts } from "@/server/services/hour/hand-outs";
import { languageName } from "@/features/shared/languages";
import { InLanguage } from "@/features/shared/language";
import { visitorLocale } from "../../../_lib/locale";
import { currentOrganisation, orNotFound } from "../../../_lib/request";
import { accessCodeAction } from "../../front/[slug]/actions";
import { chooseLanguageAction } from "../../language-actions";
import { askedRecording } from "./asked";

export const metadata = { title: "On demand" };

export default async function OnDemandPage({ params }: { params: Promise<{ slug: string }> }) {
  const { slug } = await params;
  const organisation = await currentOrganisation();
  const item = await orNotFound(() => askedRecording(slug));
  const locale = await visitorLocale();
  if (item.isLocked) {
    const { front } = messagesFor(locale);
    return (
      <InLanguage locale={locale} label={front.language} choose={chooseLanguageAction}>
        <AccessCodeForm action={accessCodeAction.bind(null, item.eventSlug)} words={front} />
      </InLanguage>
    );
  }
  const words = messagesFor(locale).onDemand;
  const { context } = await app();
  const { occurrenceId } = item.recording;
  const [captionLanguages, handOuts] = await Promise.all([
    captionLanguagesOf(context, occurrenceId),
    shownHandOuts(context, occurrenceId),
  ]);
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
          captions={captionLanguages.map((language) => ({
            language,
            label: languageName(language, locale),
            src: `/on-demand/${slug}/captions.${language}.vtt`,
          }))}
          chapters={item.chapters}
          words={words}
        />
        <FilesToTake files={handOuts} title={messagesFor(locale).files.forYou} locale={locale} />
      </main>
    </InLanguage>
  );
}
