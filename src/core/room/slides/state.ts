/** The page that is shown: everyone sees it (rule 20). Pages count from 1. */
export interface Shown {
  readonly deckId: string;
  readonly page: number;
}
export interface SlidesState {
  readonly shown: Shown | null;
  /** whom the desk named to turn; null: whoever leads the segment */
  readonly turnerId: string | null;
  /** who leads the segment that is on */
  readonly leaderIds: readonly string[];
}
export const noSlides: SlidesState = { shown: null, turnerId: null, leaderIds: [] };

/** What the run sheet ties to a segment. */
export interface SegmentSlides {
  readonly leaderIds: readonly string[];
  readonly deckId: string | null;
  readonly page: number;
}

/** Who turns: whom the desk named, else whoever leads the segment (rule 20). */
export const mayTurn = ({ turnerId, leaderIds }: SlidesState, ticketId: string): boolean =>
  turnerId === null ? leaderIds.includes(ticketId) : turnerId === ticketId;
