export const roles = [
  "producer",
  "crew",
  "panelist",
  "interpreter",
  "captioner",
  "attendee",
  "test-guest",
  "visitor",
] as const;
export type Role = (typeof roles)[number];

export const duties = ["doors-and-curtain", "cues", "questions", "chat", "polls", "people", "recording"] as const;
export type Duty = (typeof duties)[number];

/** Somebody who asks for an act: what they are in this event and, for crew, what they were given. */
export interface Actor {
  readonly role: Role;
  readonly duties: readonly Duty[];
}

export const visitor: Actor = { role: "visitor", duties: [] };

/** Everybody who may stand backstage. */
export const stageRoles = [
  "producer",
  "crew",
  "panelist",
  "interpreter",
  "captioner",
] as const satisfies readonly Role[];
/** Whoever alone takes seats and fills the figures; stage people and test guests never do (rules 3, 11, 13). */
export const countedRole = "attendee" satisfies Role;

/** Stage people come backstage; everyone else waits in the foyer. */
export const isStageRole = (role: Role): boolean => (stageRoles as readonly Role[]).includes(role);

export const countsInFigures = (role: Role): boolean => role === countedRole;

/** The producer holds every duty. */
export const holdsDuty = (actor: Actor, duty: Duty): boolean =>
  actor.role === "producer" || (actor.role === "crew" && actor.duties.includes(duty));

/**
 * Whether somebody may have another's place in their hands: give it, or see the link that leads to it. Nobody hands
 * out what they do not hold: the duty *people* alone leads neither to the producer's place nor to another duty.
 */
export const mayHandOut = (actor: Actor, place: Actor): boolean =>
  actor.role === "producer" || (place.role !== "producer" && place.duties.every((duty) => holdsDuty(actor, duty)));
