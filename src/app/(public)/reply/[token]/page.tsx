import { hourWords, messagesFor, translatorFor } from "@/contracts/messages";
import { GuestForm } from "@/features/shared/guest-form";
import { InLanguage } from "@/features/shared/language";
import { DayAndHour } from "@/features/shared/times";
import { Button } from "@/ui";
import { app } from "@/server/compose";
import { askedBy, replyWords } from "@/server/services/way-in/replies";
import { holderLocale } from "../../../_lib/locale";
import { currentOrganisation, orNotFound } from "../../../_lib/request";
import { chooseLanguageAction } from "../../language-actions";
import { replyAction } from "./actions";

export const metadata = { title: "Reply", robots: { index: false } };

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
  const isOver = !occurrence || ["ended", "cancelled", "not-held"].includes(occurrence.phase);
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
            <DayAndHour at={occurrence.startAt} zone={occurrence.zone} words={hourWords(locale)} />
          </p>
        )}
        <p className="mt-4">{t("asked", { name: asked.person.name ?? "", event: event.title })}</p>
        {reply && (
          <p className="mt-2 border-s-4 border-action ps-3 text-lead" role="status">
            {t("now", { reply: words.words[reply] })} {done && words.thanks} {done === "registered" && words.registered}
          </p>
        )}
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
