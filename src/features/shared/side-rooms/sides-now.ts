import { areSidesOpen, areSidesRunning, type OwnSideRoom, type SidesItem } from "@/core/room";

/** Where somebody of the audience stands with the side rooms at an instant. */
export type SidesNow =
  | { readonly is: "nothing" }
  /** told where they will be */
  | { readonly is: "prepared"; readonly room: number }
  | { readonly is: "opening"; readonly inMs: number }
  | { readonly is: "outside" }
  | { readonly is: "inside"; readonly room: number };

/** @param own null before the first word of one's own came */
export function sidesNow(sides: SidesItem | undefined, own: OwnSideRoom | null | undefined, now: number): SidesNow {
  if (!sides || !own) return { is: "nothing" };
  if (!areSidesRunning(sides, now))
    return own.room !== null && sides.opensAt === null ? { is: "prepared", room: own.room } : { is: "nothing" };
  if (!areSidesOpen(sides, now)) return { is: "opening", inMs: sides.opensAt! - now };
  return own.room !== null && !own.isOut ? { is: "inside", room: own.room } : { is: "outside" };
}
