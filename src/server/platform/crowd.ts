/** How much an invented house does, from which seed and within which hours (rule 27). */
export interface CrowdPlan {
  readonly seed: number;
  readonly size: number;
  readonly temper: "calm" | "lively" | "unruly";
  readonly startAt: number;
  readonly endAt: number;
}
/** One invented person's way in. */
export interface CrowdSeat {
  readonly ticketId: string;
  readonly token: string;
  readonly occurrenceId: string;
}

/** What plays invented houses in rehearsals: a stand-in for people, over the product's own addresses. */
export interface CrowdPort {
  play(occurrenceId: string, plan: CrowdPlan, seats: readonly CrowdSeat[]): void;
  stop(occurrenceId: string): void;
}
export const noCrowd: CrowdPort = { play: () => {}, stop: () => {} };
