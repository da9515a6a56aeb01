import { isStageRole, type Actor } from "../people";
import type { StageState } from "./stage/state";

export const places = ["foyer", "house", "backstage", "standby", "stage"] as const;
export type Place = (typeof places)[number];

/** What somebody is in the room now. The ticket's role is only where it begins. */
export interface Standing extends Actor {
  readonly ticketId: string;
  readonly place: Place;
  /** looks at the room from the desk, not from their own place in it */
  readonly isAtDesk: boolean;
  /** the side room whose words they get */
  readonly sideRoom?: number | null;
  /** of the audience, somebody who may speak now */
  readonly hasFloor?: boolean;
}

/**
 * The one answer to where somebody stands: asked by rights, feeds and presence alike.
 * @param isInside whether the house has let them in; means nothing for stage people
 */
export function standingOf(
  stage: StageState,
  person: Actor & { readonly ticketId: string },
  isInside: boolean,
  wantsDesk = false,
): Standing {
  const { ticketId, role, duties } = person;
  const isAtDesk = wantsDesk && (role === "producer" || role === "crew");
  if (!isStageRole(role)) return { ticketId, role, duties, place: isInside ? "house" : "foyer", isAtDesk };
  return { ticketId, role, duties, place: stage.people.get(ticketId)?.place ?? "backstage", isAtDesk };
}

export const isOfTheStage = (standing: Standing): boolean => isStageRole(standing.role);
export const isInHouse = (standing: Standing): boolean => standing.place === "house";
export const isInFoyer = (standing: Standing): boolean => standing.place === "foyer";
