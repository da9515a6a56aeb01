import type { Metadata } from "next";
import { cookies } from "next/headers";
import { formatLocaleOf, messagesFor } from "@/contracts/messages";
import { longDate } from "@/core/time";
import { lookStyle } from "@/features/shared/look";
import { InLanguage } from "@/features/shared/language";
import { SurveyForm } from "@/features/survey/survey-form";
import { app } from "@/server/compose";
import { surveyPage } from "@/server/services/afterwards/survey";
import { holderOf } from "@/server/services/way-in/tickets";
import { holderLocale, visitorLocale } from "../../../_lib/locale";
import { orNotFound } from "../../../_lib/request";
import { chooseHolderLanguageAction } from "../../language-actions";
import { answerSurveyAction } from "./actions";
import { surveyCookie } from "./survey-cookie";

/** The title in the visitor's language. */
export async function generateMetadata(): Promise<Metadata> {
  return { title: messagesFor(await visitorLocale()).survey.title, robots: { index: false } };
}

/** Shows on GET, acts on POST: mail scanners follow links. */
export default async function SurveyOfHolderPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const { context } = await app();
  const holder = await orNotFound(() => holderOf(context, token));
  const { event, occurrence, person } = holder;
  const key = (await cookies()).get(surveyCookie(occurrence.id))?.value ?? null;
  const page = await surveyPage(context, holder, key);
  const locale = await holderLocale(person.locale);
  const { survey: words, front } = messagesFor(locale);
  return (
    <InLanguage locale={locale} label={front.language} choose={chooseHolderLanguageAction.bind(null, token)}>
      <main className="mx-auto max-w-xl px-4 py-8" style={lookStyle(event.look.colour)}>
        <p className="text-ink-2">
          <bdi>{event.title}</bdi> · {longDate(occurrence.startAt, occurrence.zone, formatLocaleOf(locale))}
        </p>
        <h1 className="mt-1 text-title font-semibold">{words.title}</h1>
        {page.state === "open" ? (
          <>
            <p className="mt-2">{page.isAnonymous ? words.anonymous : words.named}</p>
            <p className="text-ink-2">
              {words.changeable.replace("{day}", longDate(page.closesAt, occurrence.zone, formatLocaleOf(locale)))}
            </p>
            <SurveyForm
              questions={page.questions}
              answers={page.answers}
              words={words}
              answer={answerSurveyAction.bind(null, token, locale)}
            />
          </>
        ) : (
          <p className="mt-4 border-s-4 border-attention bg-sheet p-4 text-lead" role="status">
            {words[page.state]}
          </p>
        )}
      </main>
    </InLanguage>
  );
}
