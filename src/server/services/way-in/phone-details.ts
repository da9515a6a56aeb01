import type { Messages } from "@/contracts/messages";
import type { HouseRules } from "@/core/organisation";
import type { Context } from "../ground/context";
import type { events, tickets } from "../../db/schema";

/** How to come in by phone: part of the join details. */
export interface PhoneDetails {
  readonly numbers: HouseRules["phoneNumbers"];
  readonly conferenceNumber: string;
  /** the holder's own; null where the details name nobody */
  readonly pin: string | null;
}

type Event = Pick<typeof events.$inferSelect, "soundBy" | "conferenceNumber">;
type Ticket = Pick<typeof tickets.$inferSelect, "id" | "linkVersion">;

/** The phone part of the join details; null where sound comes by computer alone or the house has no number. */
export function phoneDetails(
  context: Context,
  event: Event,
  rules: HouseRules,
  ticket: Ticket | null,
): PhoneDetails | null {
  if (event.soundBy === "computer" || !event.conferenceNumber || rules.phoneNumbers.length === 0) return null;
  return {
    numbers: rules.phoneNumbers,
    conferenceNumber: event.conferenceNumber,
    pin: ticket && context.secrets.pinFor(ticket.id, ticket.linkVersion),
  };
}

/** Digits as they are read out. */
export const inThrees = (digits: string): string => digits.replace(/(\d{3})(?=\d)/g, "$1 ");

/** How to come in by phone, as lines of label and value; none where nobody can. Digits stand in threes, as they are read out. */
export function phoneRows(words: Messages["joinBlock"], phone: PhoneDetails | null): [label: string, value: string][] {
  if (!phone) return [];
  return [
    [words.phone, phone.numbers.map((one) => `${one.country} ${one.number}`).join(" · ")],
    [words.conference, inThrees(phone.conferenceNumber)],
    ...(phone.pin ? [[words.pin, inThrees(phone.pin)] as [string, string]] : []),
  ];
}
