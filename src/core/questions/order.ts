export const questionStates = ["new", "lined-up", "on-stage", "done", "later", "not-taken"] as const;
export type QuestionState = (typeof questionStates)[number];
export const questionOrders = ["segment", "votes", "newest", "oldest"] as const;
export type QuestionOrder = (typeof questionOrders)[number];

export interface Rankable {
  readonly id: string;
  readonly askedAt: number;
  readonly votes: number;
  readonly segmentId: string | null;
}

const older = (a: Rankable, b: Rankable): number => a.askedAt - b.askedAt || (a.id < b.id ? -1 : 1);

/**
 * Rule 12: questions meant for the current segment first, then more votes, then older; or by votes,
 * newest or oldest alone.
 */
export function inOrder<Q extends Rankable>(
  questions: readonly Q[],
  order: QuestionOrder,
  currentSegmentId: string | null,
): readonly Q[] {
  const forNow = (one: Q): number => (currentSegmentId !== null && one.segmentId === currentSegmentId ? 0 : 1);
  const compare: Record<QuestionOrder, (a: Q, b: Q) => number> = {
    segment: (a, b) => forNow(a) - forNow(b) || b.votes - a.votes || older(a, b),
    votes: (a, b) => b.votes - a.votes || older(a, b),
    newest: (a, b) => older(b, a),
    oldest: older,
  };
  return [...questions].sort(compare[order]);
}
