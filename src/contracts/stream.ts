import type { RoleClass } from "@/core/people";
import type { AnyView, PersonalPart, ViewChange } from "@/core/room";

/** Messages of the room's event stream, by event name. */
export interface StreamMessages {
  /** the whole projection: first, after a change of role class, and when a stream lags too far */
  snapshot: { seq: number; now: number; roleClass: RoleClass; view: AnyView };
  change: { seq: number; changes: readonly ViewChange[] };
  /** one person's own things, and the connection that signs of life name */
  personal: { connectionId: string; me: PersonalPart };
  /** whether the server reaches its database */
  health: { isWell: boolean };
  /** the right to this room was withdrawn */
  closed: Record<string, never>;
}
export type StreamEvent = keyof StreamMessages;

export const signEveryMs = 10_000;
/** after this long without a sign somebody counts as gone */
export const signLostAfterMs = 25_000;
