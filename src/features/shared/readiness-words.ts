import type { CheckName, Finding, MendableCheck, Severity } from "@/core/readiness";
import { cityOf, localWords } from "@/core/time";

export const severityWords: Record<Severity, string> = {
  "stops-the-show": "Stops the show",
  "not-during-the-hour": "Can't be mended during the hour",
  "worth-a-look": "Worth a look",
};

type Words = (facts: Finding["facts"]) => readonly [missing: string, mend: string];
const people = (n: string | number | undefined): string => (n === 1 ? "1 person" : `${n} people`);

/** What is missing, and where it is mended. */
const words: Readonly<Record<CheckName, Words>> = {
  "not-published": () => ["The public page is not published: nobody can register.", "Public page"],
  "no-panelist": () => ["Nobody is to be heard: there is no panelist.", "Add a panelist"],
  "panelist-not-invited": ({ count }) => [`${people(count)} of the stage never got the invitation.`, "People"],
  "doors-held-by-one": () => ["Nobody but the producer holds doors and curtain.", "Give the duty"],
  "run-sheet-over-the-hour": ({ minutes }) => [`The run sheet is ${minutes} min longer than the date.`, "Shorten it"],
  "run-sheet-short": ({ minutes }) => [`The run sheet ends ${minutes} min before the date does.`, "Fill it"],
  "run-sheet-empty": () => ["Nothing is planned for the hour.", "Write the run sheet"],
  "hard-time-broken": ({ minutes }) => [`A fixed start is overrun by ${minutes} min.`, "Move it"],
  "segment-without-leader": ({ count, title }) => [
    `${Number(count) === 1 ? "1 segment has" : `${count} segments have`} nobody to lead, “${title}” first.`,
    "Name a leader",
  ],
  "poll-without-options": ({ question }) => [
    `“${question}” lacks answers, or the right one of a quiz.`,
    "Complete the poll",
  ],
  "poll-in-no-segment": ({ question }) => [`The poll “${question}” belongs to no segment.`, "Give it a place"],
  "part-outside-the-date": ({ title }) => [`“${title}” lies outside the date’s hours.`, "Move the part"],
  "no-test-guest": () => ["No test guest has walked in yet.", "Try the way in"],
  "reminder-already-past": ({ hours }) => [
    `The reminder ${hours} h ahead has passed without anybody to send it to.`,
    "See the mailings",
  ],
  "access-code-weak": ({ shortest }) => [
    `The access code is missing or weaker than ${shortest} mixed characters.`,
    "Change it",
  ],
  "start-in-skipped-hour": ({ local }) => [
    `${localWords(String(local))} does not exist: the clocks skip that hour.`,
    "Move the start",
  ],
  "start-in-repeated-hour": ({ local }) => [
    `${localWords(String(local))} comes twice that night; the first is meant.`,
    "Move the start",
  ],
  "nobody-confirmed": ({ count }) => [
    Number(count) === 1
      ? "The one invited panelist has not said yes."
      : `None of the ${count} invited panelists has said yes.`,
    "See the replies",
  ],
  "replies-outstanding": ({ count }) => [`${people(count)} of the stage have not answered.`, "See the replies"],
  "leader-not-coming": ({ name }) => [`${name} leads a segment and is not coming.`, "Name another"],
  "tech-checks-open": ({ count }) => [`${people(count)} of the stage have not tried sound and picture.`, "See who"],
  "licence-missing": ({ houseSize, size }) => [
    size === 0
      ? `The date has no seat licence for its ${houseSize} seats.`
      : `The date’s licence of ${size} is too small for ${houseSize} seats.`,
    "Find one",
  ],
  "house-likely-full": ({ percent, peak, houseSize }) => [
    `${houseSize} seats may be too few: about ${peak} at the peak, full with ${percent} %.`,
    "Make it larger",
  ],
  "licence-much-too-large": ({ peak, size, enough }) => [
    `About ${peak} at the peak: a licence of ${enough} would do, ${size} is held.`,
    "Make it smaller",
  ],
  "series-crosses-clock-change": ({ zone }) => [
    `The clocks of ${cityOf(String(zone))} change within the series: elsewhere the hour shifts.`,
    "See the dates",
  ],
  "public-holiday": ({ holiday }) => [`It is a public holiday: ${holiday}.`, "Move the date"],
  "join-block-missing": () => ["The invitation has lost its join details.", "Put them back"],
  "interpretation-without-interpreter": ({ languages }) => [
    `Nobody interprets into ${languages}.`,
    "Add an interpreter",
  ],
  "recording-without-consent": () => ["The hour is recorded, and no words ask for consent.", "Write them"],
  "credit-without-registration": () => ["Credit is promised, but nobody registers.", "Change the way in"],
  "start-outside-hours": ({ clock, from, until }) => [
    `${clock} lies outside the usual hours (${from}–${until}).`,
    "Move the start",
  ],
  "stage-person-at-night": ({ name, clock }) => [
    `For ${name} the call comes at ${clock} of their own day.`,
    "Find a time",
  ],
  "stage-person-busy": ({ name }) => [`${name} is busy at that hour.`, "Find a time"],
  "limit-far-beyond-house": ({ limit, houseSize }) => [
    `${limit} may register for ${houseSize} seats.`,
    "Lower the limit",
  ],
  "no-description": () => ["The public page has a title and no words.", "Write them"],
  "phone-without-number": () => ["Sound comes by phone, and the organisation has no phone number.", "Change it"],
  "heavy-picture": ({ attendeeKbps, stageSendKbps }) => [
    `The picture needs ${mbit(attendeeKbps)} Mbit/s of each attendee${Number(stageSendKbps) >= 100 ? `, ${mbit(stageSendKbps)} Mbit/s up from each person on stage` : ""}.`,
    "Choose a lighter one",
  ],
  "beyond-house-limits": ({ wanted, most }) => [
    `The plan goes beyond the house rules: ${wanted}, allowed are ${most}.`,
    "Change it",
  ],
  "mails-failed": ({ count }) => [`${count} mail(s) could not be delivered.`, "See which"],
  "people-to-approve": ({ count }) => [`${people(count)} wait for a decision on their registration.`, "Decide"],
  "nobody-for-questions": () => ["Nobody beside the producer may handle questions.", "Give the duty"],
  "nothing-to-do": () => ["Questions and polls are both off: the audience can only watch.", "Switch one on"],
  "long-form": ({ count }) => [`The registration form asks ${count} questions beside name and address.`, "Shorten it"],
  "seat-request-open": ({ count }) => [`${count} request(s) for more seats have no answer yet.`, "See it"],
};

const mbit = (kbps: string | number | undefined): string => (Number(kbps) / 1000).toFixed(1);

export function findingWords({ check, facts }: Finding): { missing: string; mend: string } {
  const [missing, mend] = words[check](facts);
  return { missing, mend };
}

/** A duty can be given only where there is a crew member without it. */
export const hasMend = ({ facts }: Finding): boolean => facts["crewToAsk"] !== 0;

/** Findings that one act mends, by what the act says. */
export const mendable: Readonly<Record<MendableCheck, string>> = {
  "not-published": "Publish",
  "panelist-not-invited": "Send the invitations",
  "access-code-weak": "Make a strong code",
  "join-block-missing": "Back to the standard words",
  "recording-without-consent": "Use the standard words",
  "credit-without-registration": "Ask for registration",
  "nothing-to-do": "Switch questions on",
  "phone-without-number": "Sound by computer",
  "heavy-picture": "Take a lighter picture",
  "limit-far-beyond-house": "Lower it to twice the seats",
  "poll-in-no-segment": "Give it to the first free segment",
  "nobody-for-questions": "Give a crew member the duty",
  "doors-held-by-one": "Give a crew member the duty",
};

/** What the act did. */
const mended: Readonly<Record<MendableCheck, (facts: Finding["facts"]) => string>> = {
  "not-published": () => "The public page is published.",
  "panelist-not-invited": ({ count }) => `Sent to ${count}.`,
  "access-code-weak": () => "A new code is set; mails carry it from now on.",
  "join-block-missing": () => "The standard words are back.",
  "recording-without-consent": () => "The standard words ask for consent.",
  "credit-without-registration": () => "Who comes registers first.",
  "nothing-to-do": () => "Questions are on.",
  "phone-without-number": () => "Sound comes by computer.",
  "heavy-picture": () => "A lighter picture is chosen.",
  "limit-far-beyond-house": () => "The limit is twice the seats.",
  "poll-in-no-segment": ({ question, title }) => `“${question}” belongs to “${title}” now.`,
  "nobody-for-questions": () => "The duty is given.",
  "doors-held-by-one": () => "The duty is given.",
};
export const mendedWords = ({ check, facts }: { check: MendableCheck; facts: Finding["facts"] }): string =>
  mended[check](facts);
