import { signLostAfterMs } from "@/contracts";
import { voiceStaysAwayMs, type RoomFigures, type RoomState } from "@/core/room";

/** Who left with a hand up, with the floor, with their screen shared, or with an interpreter's microphone open: it waits a minute for them, not for ever (rule 19). */
export class AwayVoices {
  private readonly since = new Map<string, number>();

  /**
   * To be asked whenever it was counted anew who is there.
   * @returns those who have been away for a minute; whoever is missed was last heard of a while before
   */
  overdue({ floor, channels, stage }: RoomState, { present }: RoomFigures, now: number): readonly string[] {
    const speakers = [...channels.channels].flatMap(([, { speakerId }]) => speakerId ?? []);
    const waited = new Set([...[...floor.hands, ...floor.holders].map(([id]) => id), ...speakers, ...stage.screens]);
    for (const id of this.since.keys()) if (!waited.has(id) || present.has(id)) this.since.delete(id);
    for (const id of waited) if (!present.has(id) && !this.since.has(id)) this.since.set(id, now - signLostAfterMs);
    return [...this.since].filter(([, missedAt]) => now - missedAt >= voiceStaysAwayMs).map(([id]) => id);
  }
}
