import type { MailingKind } from "@/core/mailings";

/** Whom a mail goes to: the lanes of the track, from top to bottom. */
export const lanes = ["invited", "registered", "stage", "afterwards"] as const;
export type Lane = (typeof lanes)[number];

export const laneWords: Readonly<Record<Lane, string>> = {
  invited: "Invited",
  registered: "Registered",
  stage: "Stage",
  afterwards: "Afterwards",
};

/** A mail's lane and its name there, short enough to stand on a mark. */
export const laneOf: Readonly<Record<MailingKind, readonly [Lane, string]>> = {
  invitation: ["invited", "invitation"],
  "invitation-again": ["invited", "asked again"],
  note: ["invited", "note"],
  confirmation: ["registered", "confirmation"],
  "waiting-list": ["registered", "waiting list"],
  "waiting-list-place": ["registered", "place free"],
  "registration-cancelled": ["registered", "cancelled"],
  reminder: ["registered", "reminder"],
  change: ["registered", "new time"],
  cancellation: ["registered", "cancellation"],
  pending: ["registered", "taken"],
  decline: ["registered", "declined"],
  "entry-link": ["registered", "entry link"],
  "stage-invitation": ["stage", "invitation"],
  "call-time-reminder": ["stage", "team call"],
  "rehearsal-invitation": ["stage", "rehearsal"],
  answer: ["afterwards", "answer"],
  "follow-up-came": ["afterwards", "came"],
  "follow-up-missed": ["afterwards", "did not come"],
  "recording-ready": ["afterwards", "recording"],
};

/** How wide a mark is taken to be, in percent of the track, so that two of a lane never cover one another. */
const markPercent = 11;
const rowsMost = 3;

/**
 * The row of its lane that each mark stands in: the first that is free where it begins.
 * @param at places in percent, in the order of the marks
 */
export function rowsOf(at: readonly number[]): readonly number[] {
  const free: number[] = [];
  return at.map((percent) => {
    const row = free.findIndex((until) => until <= percent);
    const chosen = row >= 0 ? row : free.length < rowsMost ? free.length : free.indexOf(Math.min(...free));
    free[chosen] = percent + markPercent;
    return chosen;
  });
}
