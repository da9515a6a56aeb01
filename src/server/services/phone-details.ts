import type { HouseRules } from "@/core/house";
import type { Context } from "./context";
import type { events, tickets } from "../db/schema";

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
