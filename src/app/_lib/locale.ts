import "server-only";
import { cookies, headers } from "next/headers";
import { cache } from "react";
import { acceptedLocale, audienceWords, localeOf, locales, type Locale } from "@/contracts/messages";
import type { Failure } from "@/core/shared";

export const languageCookie = "sc-language";

/** A visitor's language: the one they chose, else the first that their browser wishes for and there is. */
export const localeFrom = (chosen: string | undefined, wished: string | null): Locale =>
  chosen && locales.includes(chosen as Locale) ? (chosen as Locale) : acceptedLocale(wished ?? "");

/** Of the team's live desk alone: the rest of their pages is English. */
export const deskLanguageCookie = "sc-desk-language";
export async function deskLocale(): Promise<Locale> {
  const chosen = (await cookies()).get(deskLanguageCookie)?.value;
  return locales.find((one) => one === chosen) ?? "en";
}

/** The language of whoever asks for this page. */
export const visitorLocale = cache(async (): Promise<Locale> =>
  localeFrom((await cookies()).get(languageCookie)?.value, (await headers()).get("accept-language")),
);

/** A holder's own language; a choice made in this browser goes before it. */
export async function holderLocale(personLocale: string): Promise<Locale> {
  const chosen = (await cookies()).get(languageCookie)?.value;
  return chosen && locales.includes(chosen as Locale) ? (chosen as Locale) : localeOf(personLocale);
}

/** For `act`: refusals in the language of the page that acts. */
export const inLanguage =
  (locale: Locale) =>
  (failure: Failure): string =>
    audienceWords(failure, locale);
