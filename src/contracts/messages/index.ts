export {
  acceptedLocale,
  catalogues,
  directionOf,
  formatLocaleOf,
  hourWords,
  languageNames,
  localeOf,
  locales,
  messagesFor,
  translatorFor,
  type Locale,
  type Translate,
} from "./catalogue";
export type { Messages } from "./en";
export { audienceIssue, audienceWords } from "./failure";
