import { messagesFor, type Locale } from "@/contracts/messages";
import { printedNumber } from "@/core/attendance";
import { app } from "@/server/compose";
import { creditOfTicket } from "@/server/services/afterwards/credit";
import { surveyPage } from "@/server/services/afterwards/survey";
import type { Holder } from "@/server/services/way-in/tickets";

/** What stands on a ticket once the hour is over: the certificate that was earned, and the survey. */
export async function AfterTheHour({ holder, token, locale }: { holder: Holder; token: string; locale: Locale }) {
  const { context } = await app();
  const { certificate: words, survey: asks } = messagesFor(locale);
  const [credit, survey] = await Promise.all([
    creditOfTicket(context.db, holder.occurrence.id, holder.ticket.id),
    surveyPage(context, holder, null),
  ]);
  return (
    <ul className="mt-3 flex flex-col gap-2">
      {credit && (
        <li>
          {credit.withdrawnAt !== null ? (
            <span className="text-attention">{words.withdrawn}</span>
          ) : (
            <>
              {words.yours}: <a href={`/ticket/${token}/certificate.pdf`}>{words.save}</a>{" "}
              <span className="mono text-ink-2">{printedNumber(credit.number)}</span>
            </>
          )}
        </li>
      )}
      {(survey.state === "open" || survey.state === "elsewhere") && (
        <li>
          <a href={`/survey/${token}`}>{asks.answer}</a>
        </li>
      )}
    </ul>
  );
}
