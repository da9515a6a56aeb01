export type RegistrationStatus = "registered" | "waiting" | "cancelled";

/** A new registrant's place: registered while the registration limit is not reached, else waiting. */
export function placeFor(registered: number, limit: number | null): "registered" | "waiting" {
  return limit === null || registered < limit ? "registered" : "waiting";
}

/** How many of the waiting list move up now. */
export function movesUp(registered: number, waiting: number, limit: number | null): number {
  if (limit === null) return waiting;
  return Math.max(0, Math.min(waiting, limit - registered));
}
