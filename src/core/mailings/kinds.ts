import { minuteMs } from "../time";

export const mailingKinds = [
  "invitation",
  "confirmation",
  "waiting-list",
  "waiting-list-place",
  "registration-cancelled",
  "reminder",
  "stage-invitation",
  "call-time-reminder",
  "change",
  "cancellation",
  "pending",
  "decline",
  "rehearsal-invitation",
  "answer",
  "entry-link",
  "invitation-again",
  "note",
  "follow-up-came",
  "follow-up-missed",
  "recording-ready",
] as const;
export type MailingKind = (typeof mailingKinds)[number];

/** Reminder offsets before the start (24 h and 20 min: common practice). */
export const reminderOffsetsMinutes = [24 * 60, 20] as const;

/** Kinds whose message is of no use without the way in: they cannot be saved without the join block. */
const withJoinBlock: ReadonlySet<MailingKind> = new Set([
  "invitation",
  "invitation-again",
  "confirmation",
  "waiting-list-place",
  "reminder",
  "stage-invitation",
  "call-time-reminder",
  "change",
  "rehearsal-invitation",
]);
export const needsJoinBlock = (kind: MailingKind): boolean => withJoinBlock.has(kind);

/** Kinds that a person who unsubscribed still gets: they concern what that person is registered for. */
const necessary: ReadonlySet<MailingKind> = new Set([
  "confirmation",
  "waiting-list",
  "waiting-list-place",
  "registration-cancelled",
  "stage-invitation",
  "call-time-reminder",
  "change",
  "cancellation",
  "pending",
  "decline",
  "rehearsal-invitation",
  "answer",
  "entry-link",
]);
export const isNecessary = (kind: MailingKind): boolean => necessary.has(kind);

/** Kinds that reach people whose registration was cancelled or declined: word of that, nothing more. */
export const reachesTheCancelled = (kind: MailingKind): boolean =>
  kind === "registration-cancelled" || kind === "decline";

/** Due = start − offset, by instants, so a clock change between the two moves nothing. */
export const dueAt = (startAt: number, offsetMinutes: number): number => startAt - offsetMinutes * minuteMs;
