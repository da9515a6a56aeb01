import type { Done } from "@/contracts";

export interface RegistrantLine {
  readonly ticketId: string;
  readonly name: string;
  readonly email: string;
  readonly status: "registered" | "waiting" | "pending" | "cancelled" | "declined";
  readonly source: string;
  readonly registeredAt: number;
  readonly dateId: string;
  /** what the team remembers of them */
  readonly note: string;
  /** what was asked, in the event's own words, and what was answered */
  readonly answers: readonly { readonly question: string; readonly answer: string }[];
}
export interface RegistrantActs {
  sendAgain(ticketId: string): Promise<Done<void>>;
  newLink(ticketId: string): Promise<Done<void>>;
  cancel(ticketId: string): Promise<Done<void>>;
  correct(ticketId: string, input: { email: string }): Promise<Done<void>>;
  move(ticketId: string, dateId: string): Promise<Done<void>>;
  note(ticketId: string, input: { note: string }): Promise<Done<void>>;
}

export const statusWords: Readonly<Record<RegistrantLine["status"], string>> = {
  registered: "registered",
  waiting: "on the waiting list",
  pending: "to be decided",
  cancelled: "cancelled",
  declined: "declined",
};
export const statusTone = {
  registered: "action",
  waiting: "attention",
  pending: "attention",
  cancelled: "plain",
  declined: "plain",
} as const;

/** A date that somebody can be put on. */
export interface DateOption {
  readonly id: string;
  readonly words: string;
}
