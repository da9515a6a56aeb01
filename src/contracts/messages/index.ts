export {
  acceptedLocale,
  catalogues,
  directionOf,
  dutiesIn,
  formatLocaleOf,
  languagesIn,
  localeOf,
  locales,
  messagesFor,
  namesIn,
  translatorFor,
  type Translate,
} from "./catalogue";
export { languageNames, localeCodes, type Locale } from "./locales";
export type { Messages } from "./en";
export { audienceIssue, audienceWords, oneMomentWords } from "./failure";
