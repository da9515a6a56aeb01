export {
  acceptedLocale,
  catalogues,
  directionOf,
  dutiesIn,
  formatLocaleOf,
  languageNames,
  languagesIn,
  localeOf,
  locales,
  messagesFor,
  translatorFor,
  type Locale,
  type Translate,
} from "./catalogue";
export type { Messages } from "./en";
export { audienceIssue, audienceWords } from "./failure";
