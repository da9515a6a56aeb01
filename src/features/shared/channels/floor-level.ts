import { floorDb, type OpenSpan } from "@/core/room";

const mostSpans = 20;

/** How far the floor is lowered for a listener, by when the channel's microphone opened and closed (rule 16). */
export class FloorLevel {
  private spans: readonly OpenSpan[] = [];

  /** @param at the page's clock */
  set(isOpen: boolean, at: number): void {
    const last = this.spans.at(-1);
    if (isOpen && last?.until !== null) this.spans = [...this.spans.slice(1 - mostSpans), { from: at, until: null }];
    if (!isOpen && last && last.until === null) this.spans = [...this.spans.slice(0, -1), { ...last, until: at }];
  }
  /** @returns 0 or less @param lateMs how long what is heard is behind what is told */
  dbAt(now: number, belowDb: number, lateMs: number): number {
    return floorDb(this.spans, now - lateMs, belowDb);
  }
}
