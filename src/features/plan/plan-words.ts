import type { PlanInput } from "@/contracts";
import { cityOf, durationWords, isZone, localWords, ruleSentence } from "@/core/time";
import { languageName } from "@/features/shared/languages";
import { switchesWords } from "@/features/shared/switch-words";
import { pictureWords } from "./picture-words";

/** What each part of the plan is called where it stands by itself. */
export const planFieldWords: Record<keyof PlanInput, string> = {
  title: "Title",
  descriptionHtml: "Description",
  shape: "Shape",
  startLocal: "Date and hour",
  rule: "Repetition",
  zone: "Time zone",
  durationMinutes: "Length",
  callMinutes: "Team call",
  houseSize: "Seats",
  registrationLimit: "Registration limit",
  isPrivate: "Private",
  accessCode: "Access code",
  switches: "What the audience may do",
  entryBy: "People come",
  approval: "Registrations are taken",
  approvedDomains: "Taken at once all the same",
  provesAddress: "One-time link for each device",
  foyerOn: "Foyer",
  earlyEntry: "Backstage open once one is in",
  stageMicrophonesOpen: "Microphones start open",
  stageCamerasOpen: "Cameras start open",
  soundBy: "Sound comes by",
  overflow: "When the room is full",
  isRecorded: "Recorded",
  consentText: "Words that ask for consent",
  place: "Place",
  interpretationInto: "Interpreted into",
  picture: "Picture",
  creditPoints: "Credit points",
  creditChecks: "Presence checks that earn credit",
  creditIsPartial: "A part of the credit for less time",
  creditThresholdPercent: "Presence that earns credit",
  formFields: "Questions of the registration form",
};

const shapes: Record<PlanInput["shape"], string> = {
  "one-date": "one date",
  series: "a series",
  standing: "a room without fixed time",
  slots: "bookable slots",
};
export const overflowWords: Readonly<Record<PlanInput["overflow"], string>> = {
  nobody: "people wait in the foyer",
  holders: "people with a ticket may watch without a seat",
  anyone: "anyone may watch without a seat",
};
const none = "none";
const plainWords = (html: string): string =>
  html
    .replace(/<[^>]+>/g, " ")
    .replace(/\s+/g, " ")
    .replace(/ ([.,;:!?])/g, "$1")
    .trim();

type Words = { readonly [F in keyof PlanInput]?: (value: PlanInput[F]) => string };
const whole: Words = {
  descriptionHtml: (html) => plainWords(html).slice(0, 200) || none,
  shape: (shape) => shapes[shape],
  startLocal: (local) => localWords(local),
  zone: (zone) => (isZone(zone) ? cityOf(zone) : zone),
  durationMinutes: (minutes) => durationWords(Number(minutes)),
  callMinutes: (minutes) => `${minutes} min ahead`,
  switches: switchesWords,
  entryBy: (by) => (by === "registration" ? "by registration" : "by the open link"),
  approval: (how) => (how === "at-once" ? "at once" : "after somebody has looked at them"),
  overflow: (reach) => overflowWords[reach],
  soundBy: (by) => ({ computer: "computer", both: "computer or phone", phone: "phone alone" })[by],
  interpretationInto: (tags) => tags.map((tag) => languageName(tag)).join(", ") || none,
  approvedDomains: (domains) => domains.join(", ") || none,
  picture: (picture) => pictureWords[picture],
  creditThresholdPercent: (percent) => `${percent} %`,
  formFields: (fields) => fields.map((field) => field.label).join("; ") || none,
};

/** A field's value as people say it. */
export function planValueWords<F extends keyof PlanInput>(field: F, plan: PlanInput): string {
  if (field === "rule") return plan.rule ? ruleSentence(plan.rule, plan.startLocal) : none;
  const value = plan[field];
  const words = whole[field] as ((value: PlanInput[F]) => string) | undefined;
  if (words) return words(value);
  if (typeof value === "boolean") return value ? "yes" : "no";
  return value === null || value === "" ? none : String(value as string | number);
}
