import { minuteMs } from "../time";
import { dueAt, traitsOf, type MailingKind } from "./kinds";

/** A planned message that has not left yet, or that left for an earlier hour. */
export interface PlannedMessage {
  readonly offsetMinutes: number;
  readonly plannedDueAt: number;
}

/**
 * The reminders somebody gets who signed up at `signedUpAt`: none whose due time had passed by then;
 * the confirmation carries the details instead (rule 7).
 */
export function remindersFor(
  startAt: number,
  offsetsMinutes: readonly number[],
  signedUpAt: number,
): readonly PlannedMessage[] {
  return offsetsMinutes
    .map((offsetMinutes) => ({ offsetMinutes, plannedDueAt: dueAt(startAt, offsetMinutes) }))
    .filter((one) => one.plannedDueAt > signedUpAt);
}

/** Edits within this time of each other give one change notice. */
export const changeSettleMinutes = 5;

export const changeNoticeDueAt = (editedAt: number): number => editedAt + changeSettleMinutes * minuteMs;

export interface Recipient {
  readonly status: "registered" | "waiting" | "pending" | "cancelled" | "declined" | "invited";
  readonly hasUnsubscribed: boolean;
  readonly addressFailed: boolean;
}

/** Whether a message of this kind may go to this person at all. */
export function mayReceive(kind: MailingKind, recipient: Recipient): boolean {
  if (recipient.addressFailed) return false;
  if ((recipient.status === "cancelled" || recipient.status === "declined") && !traitsOf(kind).reachesTheCancelled)
    return false;
  return !recipient.hasUnsubscribed || traitsOf(kind).isNecessary;
}

/** Minutes to wait before the next try; doubling from one minute, at most six hours (common practice). */
export const retryAfterMinutes = (attempts: number): number => Math.min(360, 2 ** Math.max(0, attempts - 1));
export const maxAttempts = 12;

/** Which part of the conversation the server's answer is about: who it was for, or ourselves (greeting, AUTH, MAIL FROM). */
export type SmtpPart = "recipient" | "sender";

/**
 * What an SMTP outcome means: 4xx and faults of the connection are tried again; a 5xx ends the mail and marks its
 * address where it is about the recipient. About the sender it is the sender's own trouble: sending pauses, and
 * nobody is marked (RFC 5321 §3.3, §4.2.1).
 */
export type DeliveryOutcome = "accepted" | "try-again" | "refused" | "sender-trouble";
export function outcomeOf(smtpCode: number | null, part: SmtpPart = "recipient"): DeliveryOutcome {
  if (smtpCode !== null && smtpCode >= 200 && smtpCode < 300) return "accepted";
  if (smtpCode === null || smtpCode < 500 || smtpCode >= 600) return "try-again";
  return part === "sender" ? "sender-trouble" : "refused";
}

/** How long sending pauses after the server refused us: somebody has to mend a password or an address first. */
export const senderPauseMinutes = 5;
