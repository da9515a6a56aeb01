import type { Metadata } from "next";
import { isOver as isOverPhase } from "@/core/people";
import { messagesFor, translatorFor, type Locale } from "@/contracts/messages";
import { hourWords } from "@/contracts/messages/cities";
import { GuestForm } from "@/features/shared/guest-form";
import { InLanguage } from "@/features/shared/language";
import { DayAndHour } from "@/features/shared/times";
import { Button, buttonClass } from "@/ui";
import { tokenOf } from "@/server/services/way-in/tickets";
import { app } from "@/server/compose";
import { askedBy, registrationOf, replyWords, type Asked } from "@/server/services/way-in/replies";
import { holderLocale, visitorLocale } from "../../../_lib/locale";
import { currentOrganisation, orNotFound } from "../../../_lib/request";
import { chooseLanguageAction } from "../../language-actions";
import { replyAction } from "./actions";

/** The title in the visitor's language. */
export async function generateMetadata(): Promise<Metadata> {
  return { title: messagesFor(await visitorLocale()).reply.title, robots: { index: false } };
}

/** Where the place of whoever answered stands, and what is left for them to do. */
async function NextStep({ asked, token, locale }: { asked: Asked; token: string; locale: Locale }) {
  const { context } = await app();
  const ticket = await registrationOf(context, asked);
  const words = messagesFor(locale);
  if (ticket)
    return (
      <p className="mt-2" role="status">
        {words.ticket[ticket.status]}{" "}
        {ticket.status !== "declined" && <a href={`/ticket/${tokenOf(context, ticket)}`}>{words.ticket.title}</a>}
      </p>
    );
  const { event, kind, reply } = asked;
  const canRegister = event.entryBy === "registration" && event.publishedAt !== null;
  if (kind !== "invitee" || reply !== "coming" || !canRegister) return null;
  return (
    <p className="mt-2" role="status">
      {words.reply.questions}{" "}
      <a href={`/front/${event.slug}?via=invitation&for=${token}`} className={buttonClass("act")}>
        {words.front.register}
      </a>
    </p>
  );
}

/** Shows on GET, acts on POST: mail scanners follow links. */
export default async function ReplyPage({
  params,
  searchParams,
}: {
  params: Promise<{ token: string }>;
  searchParams: Promise<{ done?: string }>;
}) {
  const { token } = await params;
  const { context } = await app();
  const asked = await orNotFound(() => askedBy(context, token));
  const organisation = await currentOrganisation();
  const { done } = await searchParams;
  const locale = await holderLocale(asked.person.locale);
  const words = messagesFor(locale).reply;
  const t = translatorFor(locale, "reply");
  const { occurrence, event, reply } = asked;
  const isOver = !occurrence || isOverPhase(occurrence.phase);
  const label = { coming: words.coming, unsure: words.unsure, "not-coming": words.notComing };
  return (
    <InLanguage locale={locale} label={messagesFor(locale).front.language} choose={chooseLanguageAction}>
      <main className="mx-auto max-w-xl px-4 py-16">
        <p className="text-label text-ink-2">{words.title}</p>
        <h1 className="mt-1 text-title leading-tight font-semibold">
          <bdi>{event.title}</bdi>
        </h1>
        {occurrence && (
          <p className="mt-2 text-lead">
            <DayAndHour at={occurrence.startAt} zone={occurrence.zone} words={hourWords(locale, occurrence.zone)} />
          </p>
        )}
        <p className="mt-4">{t("asked", { name: asked.person.name ?? "", event: event.title })}</p>
        {reply && (
          <p className="mt-2 border-s-4 border-action ps-3 text-lead" role="status">
            {t("now", { reply: words.words[reply] })} {done && words.thanks}
          </p>
        )}
        {!isOver && <NextStep asked={asked} token={token} locale={locale} />}
        {isOver ? (
          <p className="mt-4 text-ink-2">{words.over}</p>
        ) : (
          <GuestForm action={replyAction.bind(null, token, locale)} className="flex flex-wrap gap-3">
            {replyWords.map((one) => (
              <Button
                type="submit"
                key={one}
                name="reply"
                value={one}
                aria-pressed={reply === one}
                weight={reply === one || (reply === null && one === "coming") ? "act" : "quiet"}
              >
                {label[one]}
              </Button>
            ))}
          </GuestForm>
        )}
        {asked.registers && !isOver && (
          <p className="mt-4 text-label text-ink-2">
            {translatorFor(locale, "front")("consent", { days: organisation.retentionDays })}
          </p>
        )}
      </main>
    </InLanguage>
  );
}
