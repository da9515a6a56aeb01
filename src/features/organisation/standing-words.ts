import type { Standing } from "@/core/people";

export const standingWords: Record<Standing, string> = { owner: "Owner", producer: "Producer", crew: "Crew" };

/** What each may do, in a line. */
export const standingMeans: Record<Standing, string> = {
  owner: "Everything, in every event; sets rules, seats and the team.",
  producer: "Plans events and runs the own ones.",
  crew: "Works at the desk of events whose list they are on.",
};
