import { createTranslator } from "use-intl/core";
import type { Duty } from "@/core/people";
import { ar } from "./ar";
import { de } from "./de";
import { en, type Messages } from "./en";
import { es } from "./es";
import { fr } from "./fr";
import { localeCodes, type Locale } from "./locales";
import { pt } from "./pt";

/** Every language there is. More come with the same shape; a missing key is a type error. */
export const catalogues: Readonly<Record<Locale, Messages>> = { en, es, fr, de, pt, ar };
export const locales: readonly Locale[] = localeCodes;

/** The language of the catalogue for a BCP 47 tag: "pt-BR" is read as Portuguese, an unknown one as English. */
export function localeOf(wanted: string): Locale {
  const base = wanted.toLowerCase().split("-")[0] ?? "";
  return locales.find((one) => one === base) ?? "en";
}

/** The first language of an Accept-Language header (RFC 9110 §12.5.4) that there is, by its weights. */
export function acceptedLocale(header: string): Locale {
  const wanted = header
    .split(",")
    .map((part) => {
      const [tag = "", ...rest] = part.trim().split(";");
      const weight = Number(/q=([\d.]+)/.exec(rest.join(";"))?.[1] ?? 1);
      return { base: tag.toLowerCase().split("-")[0], weight };
    })
    .filter((one) => one.weight > 0)
    .sort((a, b) => b.weight - a.weight);
  return wanted.map((one) => locales.find((locale) => locale === one.base)).find((one) => one !== undefined) ?? "en";
}

/** The locale that dates and numbers are written in: a bare "en" would give month before day. */
export const formatLocaleOf = (wanted: string): string =>
  ({ en: "en-GB", pt: "pt-PT" })[localeOf(wanted) as string] ?? localeOf(wanted);
export const directionOf = (locale: string): "rtl" | "ltr" => (localeOf(locale) === "ar" ? "rtl" : "ltr");
export const messagesFor = (locale: string): Messages => catalogues[localeOf(locale)];

/** Names of people as one phrase. */
export const namesIn = (names: readonly string[], wanted: string): string =>
  new Intl.ListFormat(formatLocaleOf(wanted), { type: "conjunction" }).format(names);

/** Duties by their names, as one phrase; "" for none. */
export const dutiesIn = (duties: readonly Duty[], wanted: string): string =>
  new Intl.ListFormat(formatLocaleOf(wanted), { type: "conjunction" }).format(
    duties.map((duty) => messagesFor(wanted).duties[duty]),
  );

/** International Sign (ISO 639-3 `ils`), which CLDR has no name for. */
const internationalSign: Readonly<Record<Locale, string>> = {
  en: "International Sign",
  es: "señas internacionales",
  fr: "signes internationaux",
  de: "Internationale Gebärden",
  pt: "gestos internacionais",
  ar: "لغة الإشارة الدولية",
};

/** Languages by their names, as one phrase: "Spanish and Portuguese"; "" for none. */
export function languagesIn(tags: readonly string[], wanted: string): string {
  const locale = formatLocaleOf(wanted);
  const names = new Intl.DisplayNames([locale], { type: "language" });
  return new Intl.ListFormat(locale, { type: "conjunction" }).format(
    tags.map((tag) => (tag === "ils" ? internationalSign[localeOf(wanted)] : (names.of(tag) ?? tag))),
  );
}

/** Made once a language and part: reading the messages costs more than using them. */
const translators = new Map<string, Translate>();

/** A translator for one part of the catalogue, for servers and mails. */
export function translatorFor<P extends Exclude<keyof Messages, "mail">>(locale: string, part: P): Translate {
  const key = `${localeOf(locale)}|${part}`;
  const known = translators.get(key);
  if (known) return known;
  const translate = createTranslator({
    locale: localeOf(locale),
    messages: messagesFor(locale)[part] as Record<string, unknown> as never,
  });
  translators.set(key, translate as unknown as Translate);
  return translate as unknown as Translate;
}

/** `t("key", { count: 3 })`: ICU MessageFormat. */
export type Translate = (key: string, values?: Readonly<Record<string, string | number>>) => string;
