/** The languages that guests are spoken to in. Their words are apart, so that a page loads only those it shows. */
export const localeCodes = ["en", "es", "fr", "de", "pt", "ar"] as const;
export type Locale = (typeof localeCodes)[number];

/** What each language calls itself. */
export const languageNames: Readonly<Record<Locale, string>> = {
  en: "English",
  es: "Español",
  fr: "Français",
  de: "Deutsch",
  pt: "Português",
  ar: "العربية",
};
