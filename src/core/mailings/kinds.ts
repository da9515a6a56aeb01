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

/** What sets one kind of mail apart from the others. */
export interface Traits {
  /** of no use without the way in: cannot be saved without the join block */
  readonly needsJoinBlock: boolean;
  /** concerns what somebody is registered for, so that a person who unsubscribed gets it all the same */
  readonly isNecessary: boolean;
  /** the calendar file that goes with it */
  readonly calendar: "entry" | "withdrawal" | null;
  /** goes to people who hold no ticket yet */
  readonly toInvitees: boolean;
  /** reaches people whose registration was cancelled or declined: word of that, nothing more */
  readonly reachesTheCancelled: boolean;
}

const traits: Readonly<Record<MailingKind, Traits>> = {
  invitation: {
    needsJoinBlock: true,
    isNecessary: false,
    calendar: "entry",
    toInvitees: true,
    reachesTheCancelled: false,
  },
  confirmation: {
    needsJoinBlock: true,
    isNecessary: true,
    calendar: "entry",
    toInvitees: false,
    reachesTheCancelled: false,
  },
  "waiting-list": {
    needsJoinBlock: false,
    isNecessary: true,
    calendar: null,
    toInvitees: false,
    reachesTheCancelled: false,
  },
  "waiting-list-place": {
    needsJoinBlock: true,
    isNecessary: true,
    calendar: "entry",
    toInvitees: false,
    reachesTheCancelled: false,
  },
  "registration-cancelled": {
    needsJoinBlock: false,
    isNecessary: true,
    calendar: "withdrawal",
    toInvitees: false,
    reachesTheCancelled: true,
  },
  reminder: { needsJoinBlock: true, isNecessary: false, calendar: null, toInvitees: false, reachesTheCancelled: false },
  "stage-invitation": {
    needsJoinBlock: true,
    isNecessary: true,
    calendar: "entry",
    toInvitees: false,
    reachesTheCancelled: false,
  },
  "call-time-reminder": {
    needsJoinBlock: true,
    isNecessary: true,
    calendar: null,
    toInvitees: false,
    reachesTheCancelled: false,
  },
  change: { needsJoinBlock: true, isNecessary: true, calendar: "entry", toInvitees: false, reachesTheCancelled: false },
  cancellation: {
    needsJoinBlock: false,
    isNecessary: true,
    calendar: "withdrawal",
    toInvitees: false,
    reachesTheCancelled: false,
  },
  pending: { needsJoinBlock: false, isNecessary: true, calendar: null, toInvitees: false, reachesTheCancelled: false },
  decline: { needsJoinBlock: false, isNecessary: true, calendar: null, toInvitees: false, reachesTheCancelled: true },
  "rehearsal-invitation": {
    needsJoinBlock: true,
    isNecessary: true,
    calendar: "entry",
    toInvitees: false,
    reachesTheCancelled: false,
  },
  answer: { needsJoinBlock: false, isNecessary: true, calendar: null, toInvitees: false, reachesTheCancelled: false },
  "entry-link": {
    needsJoinBlock: false,
    isNecessary: true,
    calendar: null,
    toInvitees: false,
    reachesTheCancelled: false,
  },
  "invitation-again": {
    needsJoinBlock: true,
    isNecessary: false,
    calendar: null,
    toInvitees: true,
    reachesTheCancelled: false,
  },
  note: { needsJoinBlock: false, isNecessary: false, calendar: null, toInvitees: false, reachesTheCancelled: false },
  "follow-up-came": {
    needsJoinBlock: false,
    isNecessary: false,
    calendar: null,
    toInvitees: false,
    reachesTheCancelled: false,
  },
  "follow-up-missed": {
    needsJoinBlock: false,
    isNecessary: false,
    calendar: null,
    toInvitees: false,
    reachesTheCancelled: false,
  },
  "recording-ready": {
    needsJoinBlock: false,
    isNecessary: false,
    calendar: null,
    toInvitees: false,
    reachesTheCancelled: false,
  },
};
export const traitsOf = (kind: MailingKind): Traits => traits[kind];

/** Due = start − offset, by instants, so a clock change between the two moves nothing. */
export const dueAt = (startAt: number, offsetMinutes: number): number => startAt - offsetMinutes * minuteMs;
