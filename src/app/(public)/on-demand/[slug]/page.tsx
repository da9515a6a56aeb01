import { formatLocaleOf, messagesFor, translatorFor, type Locale } from "@/contracts/messages";
import { hourWords } from "@/contracts/messages/cities";
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
import { classes, Press } from "@/ui";
import { DayAndHour } from "@/features/shared/times";
import type { Locked } from "@/server/services/afterwards/recordings";
import { pagesBeside } from "@/server/services/afterwards/recording-pages";
import { shownHeat } from "@/server/services/afterwards/watching";
import { askAction, countMeAction } from "./actions";
import { askedRecording } from "./asked";
import { pictureAddress, soundAddress } from "./bytes-address";
import { isRefused } from "./watcher";

export const metadata = { title: "On demand" };

/** Why somebody does not see it, and what they can do. */
function NotNow({ item, locale }: { item: Locked; locale: Locale }) {
  const { front } = messagesFor(locale);
  const words = messagesFor(locale).onDemand;
  const [before, after] = words.notYet.split("{time}");
  if (item.why === "code") return <AccessCodeForm action={accessCodeAction.bind(null, item.eventSlug)} words={front} />;
  return (
    <main className="mx-auto max-w-4xl px-4 py-6">
      <h1 className="text-title leading-tight font-semibold" dir="auto">
        {item.title}
      </h1>
      <p className="mt-4 text-lead">
        {item.why === "later" ? (
          <>
            {before}
            <DayAndHour at={item.publishedFrom} zone={item.zone} words={hourWords(locale, item.zone)} />
            {after}
          </>
        ) : (
          words[item.why]
        )}
      </p>
      <p className="mt-4">
        <a href={`/front/${item.eventSlug}`}>{words.toEvent}</a>
      </p>
    </main>
  );
}

export default async function OnDemandPage(props: {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ ticket?: string | string[] }>;
}) {
  const [{ slug }, { ticket }] = await Promise.all([props.params, props.searchParams]);
  const token = typeof ticket === "string" ? ticket : null;
  const organisation = await currentOrganisation();
  const item = await orNotFound(() => askedRecording(slug, token));
  const locale = await visitorLocale();
  if (item.isLocked)
    return (
      <InLanguage locale={locale} label={messagesFor(locale).front.language} choose={chooseLanguageAction}>
        <NotNow item={item} locale={locale} />
      </InLanguage>
    );
  const own = token === null ? "" : `?ticket=${encodeURIComponent(token)}`;
  const words = messagesFor(locale).onDemand;
  const { context } = await app();
  const { occurrenceId } = item.recording;
  const [captionLanguages, handOuts, heat, isNotCounted, pages] = await Promise.all([
    captionLanguagesOf(context, occurrenceId),
    shownHandOuts(context, occurrenceId),
    shownHeat(context.db, occurrenceId, item.recording.id, item.durationSeconds),
    isRefused(),
    pagesBeside(context, item, [locale]),
  ]);
  return (
    <InLanguage locale={locale} label={messagesFor(locale).front.language} choose={chooseLanguageAction}>
      <main className={classes("mx-auto px-4 py-6", pages.length > 0 ? "max-w-7xl" : "max-w-4xl")}>
        <p className="text-label text-ink-2">{organisation.name}</p>
        <h1 className="text-title leading-tight font-semibold">{item.recording.title}</h1>
        <p className="text-ink-2">
          {translatorFor(locale, "onDemand")("recordedOn", {
            date: longDate(item.recordedAt, item.zone, formatLocaleOf(locale)),
          })}
        </p>
        <Recording
          src={pictureAddress(item.recording, token)}
          soundSrc={soundAddress(item.recording, token)}
          pages={pages}
          poster={item.recording.pictureId === null ? null : `/on-demand/${slug}/picture${own}`}
          chaptersSrc={`/on-demand/${slug}/chapters.vtt${own}`}
          captions={captionLanguages.map((language) => ({
            language,
            label: languageName(language, locale),
            src: `/on-demand/${slug}/captions.${language}.vtt${own}`,
          }))}
          chapters={item.chapters}
          heat={heat}
          name={slug}
          seconds={item.durationSeconds}
          ask={item.mayAsk ? askAction.bind(null, slug, token) : null}
          countUrl={isNotCounted ? null : `/on-demand/${slug}/plays${own}`}
          words={{ ...words, player: messagesFor(locale).player }}
        />
        {item.surveyAddress && (
          <p className="mt-4">
            <a href={item.surveyAddress}>{messagesFor(locale).survey.answer}</a>
          </p>
        )}
        {item.isOver && !item.mayAsk && <p className="mt-4 text-ink-2">{words.mayAsk}</p>}
        <form action={countMeAction.bind(null, slug, isNotCounted)} className="mt-3 text-label text-ink-2">
          {isNotCounted ? words.notCounted : words.counted}{" "}
          <Press type="submit" className="text-action hover:underline">
            {isNotCounted ? words.countAgain : words.dontCount}
          </Press>
        </form>
        <FilesToTake
          files={handOuts}
          title={messagesFor(locale).files.forYou}
          locale={locale}
          {...(token && { ticket: token })}
        />
      </main>
    </InLanguage>
  );
}
