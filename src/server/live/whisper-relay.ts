import type { Db } from "../db/client";
import { notifyWhispers } from "../db/notify";
import { inNotices, Whispers, type Said } from "./whispers";

/** What was said in passing in this process and is still to be told to the others, once a tick. */
export class WhisperRelay {
  private readonly byDate = new Map<string, Whispers>();

  take(occurrenceId: string, said: Said): void {
    const whispers = this.byDate.get(occurrenceId) ?? new Whispers();
    this.byDate.set(occurrenceId, whispers);
    whispers.take(said);
  }
  /** @param by this process, which has heard them already */
  async tell(db: Db, by: string): Promise<void> {
    const told = [...this.byDate];
    this.byDate.clear();
    for (const [occurrenceId, whispers] of told) {
      for (const part of inNotices(whispers.drainAll())) await notifyWhispers(db, occurrenceId, part, by);
    }
  }
}
