import type { CrowdPlan } from "@/core/crowd";

/** One invented person's way in. */
export interface CrowdSeat {
  readonly ticketId: string;
  readonly token: string;
  readonly occurrenceId: string;
}

/** What plays invented houses in rehearsals: a stand-in for people, over the product's own addresses (rule 27). */
export interface CrowdPort {
  play(occurrenceId: string, plan: CrowdPlan, seats: readonly CrowdSeat[]): void;
  stop(occurrenceId: string): void;
}
export const noCrowd: CrowdPort = { play: () => {}, stop: () => {} };
