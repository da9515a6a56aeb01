import { headers } from "next/headers";
import { messagesFor } from "@/contracts/messages";
import { printedNumber, readNumber } from "@/core/attendance";
import { Refusal } from "@/core/shared";
import { InLanguage } from "@/features/shared/language";
import { app } from "@/server/compose";
import { stateOfNumber, type NumberState } from "@/server/services/afterwards/credit";
import { visitorLocale } from "../../../_lib/locale";
import { remoteOf } from "../../../_lib/request";
import { chooseLanguageAction } from "../../language-actions";

export const metadata = { title: "Certificate", robots: { index: false } };

async function look(number: string): Promise<NumberState | "slow"> {
  const { context } = await app();
  try {
    return await stateOfNumber(context, number, remoteOf(await headers()));
  } catch (error) {
    if (error instanceof Refusal && error.failure.code === "too-many-tries") return "slow";
    throw error;
  }
}

/** Whether a certificate is valid, and nothing more: neither whose it is nor what for. */
export default async function CreditPage({ params }: { params: Promise<{ number: string }> }) {
  const typed = decodeURIComponent((await params).number);
  const state = await look(typed);
  const locale = await visitorLocale();
  const { creditCheck: words, front } = messagesFor(locale);
  const number = readNumber(typed);
  return (
    <InLanguage locale={locale} label={front.language} choose={chooseLanguageAction}>
      <main className="mx-auto max-w-xl px-4 py-10">
        <h1 className="text-title font-semibold">
          <bdi>{words.title.replace("{number}", number ? printedNumber(number) : "")}</bdi>
        </h1>
        <p
          role="status"
          className={`mt-4 border-s-4 bg-sheet p-5 text-lead ${state === "valid" ? "border-action" : "border-attention"}`}
        >
          {words[state]}
        </p>
      </main>
    </InLanguage>
  );
}
