import { isOver, type Phase } from "../people";

/** Who may watch without a seat, where the room is full (rule 4: newcomers see the overflow page or wait in the foyer). */
export const overflowReaches = ["nobody", "holders", "anyone"] as const;
export type OverflowReach = (typeof overflowReaches)[number];

/** What somebody finds on the overflow page. */
export type Overflow = "absent" | "holders-only" | "not-yet" | "live" | "over";

/** A screen that watches without a seat says so this often; without a word for so long it counts as gone. */
export const overflowSignEveryMs = 30_000;
export const overflowGoneAfterMs = 75_000;

/**
 * @param reach as the event is planned @param holds whether they have a ticket of this event
 * @param phase null where no date is coming
 */
export function overflowFor(reach: OverflowReach, holds: boolean, phase: Phase | null): Overflow {
  if (reach === "nobody") return "absent";
  if (reach === "holders" && !holds) return "holders-only";
  if (phase === null || isOver(phase) || phase === "cancelled") return "over";
  return phase === "open" ? "live" : "not-yet";
}
