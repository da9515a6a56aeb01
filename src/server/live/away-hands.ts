import { signLostAfterMs } from "@/contracts";
import { handStaysAwayMs, type RoomFigures, type RoomState } from "@/core/room";

/** Whose hands are up though they left: a hand waits a minute for its owner, not for ever (rule 19). */
export class AwayHands {
  private readonly since = new Map<string, number>();

  /**
   * To be asked whenever it was counted anew who is there.
   * @returns those who have been away for a minute; whoever is missed was last heard of a while before
   */
  overdue({ floor }: RoomState, { present }: RoomFigures, now: number): readonly string[] {
    for (const id of this.since.keys()) if (!floor.hands.has(id) || present.has(id)) this.since.delete(id);
    for (const [id] of floor.hands)
      if (!present.has(id) && !this.since.has(id)) this.since.set(id, now - signLostAfterMs);
    return [...this.since].filter(([, missedAt]) => now - missedAt >= handStaysAwayMs).map(([id]) => id);
  }
}
