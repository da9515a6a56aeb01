import { covers, intersectionOf, lengthOf, type IntervalSet } from "../time";

/** What happened in a stretch of the hour that somebody marked. */
export interface Stretch {
  readonly fromAt: number;
  readonly toAt: number;
  /** present when it began, and when it ended */
  readonly atStart: number;
  readonly atEnd: number;
  /** present at any time in it */
  readonly people: number;
  /** ∫ people dt over the part of it that was show; null where none of it was */
  readonly averageHouse: number | null;
  /** keys of those who came in it for the first time */
  readonly came: readonly string[];
  /** keys of those who went in it and did not come back, in the order in which they went */
  readonly left: readonly string[];
}

/**
 * The figures of one stretch (rule 13's presence). Who is there until the show's last instant has not left: the show has.
 * @param presence of those who count in figures, by person
 */
export function stretchOf(
  presence: ReadonlyMap<string, IntervalSet>,
  show: IntervalSet,
  fromAt: number,
  toAt: number,
): Stretch {
  const span = [{ start: fromAt, end: toAt }];
  const endOfShow = show.at(-1)?.end ?? 0;
  const seen = lengthOf(intersectionOf(show, span));
  let [atStart, atEnd, people, presentMs] = [0, 0, 0, 0];
  const came: { key: string; at: number }[] = [];
  const left: { key: string; at: number }[] = [];
  for (const [key, set] of presence) {
    if (set.length === 0) continue;
    const within = lengthOf(intersectionOf(set, span));
    if (within > 0) people += 1;
    presentMs += within;
    if (covers(set, fromAt)) atStart += 1;
    if (covers(set, toAt - 1)) atEnd += 1;
    const first = set[0]!.start;
    const last = set.at(-1)!.end;
    if (first >= fromAt && first < toAt) came.push({ key, at: first });
    if (last > fromAt && last <= toAt && last < endOfShow) left.push({ key, at: last });
  }
  const inOrder = (ones: typeof came) => ones.sort((a, b) => a.at - b.at).map(({ key }) => key);
  return {
    fromAt,
    toAt,
    atStart,
    atEnd,
    people,
    averageHouse: seen === 0 ? null : presentMs / seen,
    came: inOrder(came),
    left: inOrder(left),
  };
}
