import { spokenName } from "@/core/shared";
import {
  directionOf,
  dutiesIn,
  formatLocaleOf,
  languagesIn,
  localeOf,
  messagesFor,
  translatorFor,
} from "@/contracts/messages";
import { calendarLines, type CalendarEntry } from "@/core/calendar";
import { readableLook } from "@/core/front-door";
import {
  docFromTemplate,
  docHtml,
  docText,
  escapeHtml,
  mergeSubject,
  plainValue,
  type MailDoc,
  type MailVersion,
  traitsOf,
  type MailingKind,
  type MergeValues,
} from "@/core/mailings";
import { cityIn } from "@/contracts/messages/cities";
import { clockTime, longDate, twoZoneTime } from "@/core/time";
import type { RenderedMessage } from "../../db/schema";
import { entryName } from "../ground/calendar-name";
import { phoneRows } from "../way-in/phone-details";
import { joinBlock } from "./join-block";
import { furtherPlaceholder, placeholder } from "./links";
import type { MessageFacts } from "./load";

/** "Thursday 26 November 2026, 18:00 in Lisbon (19:00 for you)": the recipient's zone if known. */
export function whenWords(at: number, eventZone: string, readerZone: string | null, locale: string): string {
  const zone = readerZone ?? eventZone;
  const { event } = twoZoneTime(at, zone, eventZone, formatLocaleOf(locale), "{time}");
  const t = translatorFor(locale, "whenWords");
  const mine = {
    date: longDate(at, zone, formatLocaleOf(locale)),
    time: clockTime(at, zone),
    city: cityIn(zone, locale),
  };
  return event ? t("two", { ...mine, other: event, otherCity: cityIn(eventZone, locale) }) : t("one", mine);
}

/** "in 12 minutes", "in 3 hours", "in 2 days", "now". */
export function startsIn(startAt: number, now: number, locale: string): string {
  const t = translatorFor(locale, "startsIn");
  const minutes = Math.round((startAt - now) / 60_000);
  if (minutes < 0) return t("running");
  if (minutes < 90) return t("minutes", { count: minutes });
  if (minutes < 36 * 60) return t("hours", { count: Math.round(minutes / 60) });
  return t("days", { count: Math.round(minutes / 1440) });
}

export interface Words {
  readonly subject: string;
  readonly body: string;
  /** the words as they were laid out; without them `body` is */
  readonly doc?: MailDoc | null;
  /** in other languages */
  readonly versions?: readonly MailVersion[];
}

/** The words for a reader: in their own language where there are such, else the mailing's first. */
function wordsFor(words: Words, locale: string): { subject: string; doc: MailDoc } {
  const own = words.versions?.find((one) => one.locale === locale);
  return own ?? { subject: words.subject, doc: words.doc ?? docFromTemplate(words.body) };
}

export const standardWords = (kind: MailingKind, locale: string): Words => messagesFor(locale).mail[kind];

function valuesOf(facts: MessageFacts, now: number, locale: string): MergeValues {
  const { event, occurrence, person, organisation } = facts;
  const when = [occurrence, ...facts.further.map((one) => one.occurrence)]
    .map((date) => whenWords(date.startAt, date.zone, person.zone, locale))
    .join("; ");
  const audience = facts.isForStage ? "stage" : traitsOf(facts.message.kind).toInvitees ? "invitee" : "holder";
  return {
    name: plainValue(spokenName(person.name ?? "")),
    event: plainValue(event.title),
    when: plainValue(when),
    starts_in: plainValue(startsIn(occurrence.startAt, now, locale)),
    producer: plainValue(organisation.senderName),
    question: plainValue(facts.question?.text ?? ""),
    answer: plainValue(facts.question?.answer ?? ""),
    entry_link: { text: placeholder.proof, html: `<a href="${placeholder.proof}">${placeholder.proof}</a>` },
    event_link: { text: placeholder.event, html: `<a href="${placeholder.event}">${placeholder.event}</a>` },
    recording_link: {
      text: placeholder.recording,
      html: `<a href="${placeholder.recording}">${placeholder.recording}</a>`,
    },
    place_in_line: plainValue(facts.placeInLine === null ? "" : String(facts.placeInLine)),
    ticket_link: { text: placeholder.ticket, html: `<a href="${placeholder.ticket}">${placeholder.ticket}</a>` },
    survey_link: { text: placeholder.survey, html: `<a href="${placeholder.survey}">${placeholder.survey}</a>` },
    reason: plainValue(occurrence.cancelledWhy ?? ""),
    join_details: joinBlock(messagesFor(locale).joinBlock, {
      audience,
      when,
      callTime: facts.isForStage ? clockTime(facts.callAt, person.zone ?? occurrence.zone) : null,
      accessCode: facts.hasAccessCode ? placeholder.accessCode : null,
      phone: facts.phone,
      duties: facts.isForStage ? dutiesIn(facts.ticket?.duties ?? [], locale) : "",
      place: event.place,
      interpretedInto: languagesIn(event.interpretationInto, locale),
      asksForReply: audience !== "holder",
      colour: readableLook(event.look.colour).text,
    }),
  };
}

/** What the file says of the recipient: a registrant has said yes, an invitee and the stage are asked. */
function standingOf({ ticket, isForStage }: Pick<MessageFacts, "ticket" | "isForStage">): "accepted" | "asked" {
  return ticket !== null && (!isForStage || ticket.reply === "coming") ? "accepted" : "asked";
}

/** The calendar entry of a ticket's date, personal where a holder is given. */
export function calendarEntry(
  facts: Omit<MessageFacts, "message" | "hasAccessCode" | "further" | "placeInLine">,
  now: number,
  link: string,
  isCancelled: boolean,
): CalendarEntry {
  const { event, occurrence, organisation, person } = facts;
  return {
    ...entryName(event, occurrence, facts.ticket),
    start: { local: occurrence.startLocal, zone: occurrence.zone },
    durationMinutes: occurrence.durationMinutes,
    summary:
      occurrence.kind === "rehearsal"
        ? messagesFor(person.locale).rehearsalOf.replace("{event}", event.title)
        : event.title,
    description: [
      event.title,
      link,
      ...phoneRows(messagesFor(person.locale).joinBlock, facts.phone).map(([label, value]) => `${label}: ${value}`),
    ].join("\n"),
    url: link,
    place: event.place,
    stampAt: now,
    isCancelled,
    organizer: { name: organisation.senderName, email: organisation.senderEmail },
    attendee: person.email ? { name: person.name ?? "", email: person.email, standing: standingOf(facts) } : null,
    recurrenceId: null,
  };
}

function calendarFile(facts: MessageFacts, now: number): RenderedMessage["calendar"] {
  const { calendar, toInvitees } = traitsOf(facts.message.kind);
  if (calendar === null) return null;
  const isWithdrawn = calendar === "withdrawal";
  const method = isWithdrawn ? "CANCEL" : "REQUEST";
  const link = toInvitees ? placeholder.register : placeholder.enter;
  const organizer = { name: facts.organisation.senderName, email: placeholder.mailbox };
  const further = facts.further.map(({ occurrence, ticket }) => {
    const own = ticket === null || ticket.id === facts.ticket?.id ? link : furtherPlaceholder(ticket.id);
    return calendarEntry({ ...facts, occurrence, ticket }, now, own, isWithdrawn);
  });
  const entries = [calendarEntry(facts, now, link, isWithdrawn), ...further].map((entry) => ({ ...entry, organizer }));
  return { method, lines: calendarLines({ method, name: facts.event.title, entries }) };
}

/** The whole message of a kind with the given words, links still as placeholders. */
export function render(facts: MessageFacts, words: Words, now: number): RenderedMessage {
  const kind = facts.message.kind;
  const locale = localeOf(facts.person.locale);
  const values = valuesOf(facts, now, locale);
  const unsubscribe = traitsOf(kind).isNecessary ? null : messagesFor(locale).unsubscribe.line;
  const look = readableLook(facts.event.look.colour);
  const { subject, doc } = wordsFor(words, locale);
  const text = docText(doc, values) + (unsubscribe ? `\n\n${unsubscribe}: ${placeholder.unsubscribe}` : "");
  const foot = unsubscribe
    ? `<p style="color:#5A625F;font-size:13px"><a href="${placeholder.unsubscribe}">${escapeHtml(unsubscribe)}</a></p>`
    : "";
  const html = `<!doctype html><html lang="${locale}" dir="${directionOf(locale)}"><body style="font-family:sans-serif;line-height:1.5;color:#1B1F23;max-width:36em;overflow-wrap:anywhere"><div style="height:6px;background:${look.ground}"></div>${docHtml(doc, values)}${foot}</body></html>`;
  const { keys: answerKeys, isUnnamed = false } = facts.question ?? {};
  const calendar = calendarFile(facts, now);
  return {
    subject: mergeSubject(subject, values),
    text,
    html,
    calendar,
    ...(answerKeys ? { answerKeys, isUnnamed } : {}),
  };
}
