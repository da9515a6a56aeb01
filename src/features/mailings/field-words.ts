import { isMergeField, mergeFieldPattern, type MergeField, type MailingKind } from "@/core/mailings";

/** What each merge field is called on its chip. */
export const fieldWords: Readonly<Record<MergeField, string>> = {
  name: "name",
  event: "event",
  when: "day and hour",
  starts_in: "begins in",
  producer: "sender",
  join_details: "join details",
  question: "question",
  answer: "answer",
  entry_link: "entry link",
  event_link: "event’s page",
  recording_link: "recording",
  place_in_line: "place in the line",
  ticket_link: "link to the ticket",
  survey_link: "link to the survey",
  reason: "why it is cancelled",
};

/** A subject to be read in a list: the event by its title, what differs by recipient by its name. */
export const subjectWords = (subject: string, eventTitle: string): string =>
  subject.replace(mergeFieldPattern, (whole, field: string) => {
    if (field === "event") return eventTitle;
    return isMergeField(field) ? `[${fieldWords[field]}]` : whole;
  });

/** Fields that a composed mailing may use. */
export const chips: readonly MergeField[] = ["name", "event", "when", "starts_in", "producer", "event_link"];

export const kindWords: Readonly<Record<MailingKind, string>> = {
  invitation: "Invitation",
  "invitation-again": "Reminder to answer",
  confirmation: "Confirmation",
  "waiting-list": "Waiting list",
  "waiting-list-place": "A place has come free",
  "registration-cancelled": "Registration cancelled",
  reminder: "Reminder",
  "stage-invitation": "Stage invitation",
  "call-time-reminder": "Call-time reminder",
  change: "New time",
  cancellation: "Cancellation",
  pending: "Registration taken",
  decline: "Registration declined",
  "rehearsal-invitation": "Rehearsal",
  answer: "Answer to a question",
  "entry-link": "One-time link",
  note: "Note",
  "follow-up-came": "Follow-up: came",
  "follow-up-missed": "Follow-up: did not come",
  "recording-ready": "Recording ready",
};
