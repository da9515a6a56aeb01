/** Rule 23, *common practice*: all levels in dBFS of 100 ms (RMS). */
export const silenceDbfs = -50;
const smoothedOverMs = 400;
const louderByDb = 6;
const louderForMs = 1000;
const staysForMs = 2000;

/** Who takes the picture, and what that is decided from. */
export interface Speaking {
  /** stays where nobody speaks */
  readonly pictureId: string | null;
  /** null while everybody is below silence */
  readonly speaksId: string | null;
  readonly changedAt: number;
  readonly smoothed: ReadonlyMap<string, number>;
  readonly at: number;
  /** who has been louder than the one on the picture, and since when */
  readonly challenge: { readonly id: string; readonly since: number } | null;
}
export const nobodySpeaks: Speaking = {
  pictureId: null,
  speaksId: null,
  changedAt: -Infinity,
  smoothed: new Map(),
  at: -Infinity,
  challenge: null,
};

function smooth(was: Speaking, levels: ReadonlyMap<string, number>, now: number): ReadonlyMap<string, number> {
  const keep = Math.exp(-Math.max(0, now - was.at) / smoothedOverMs);
  return new Map(
    [...levels].map(([id, level]) => {
      const before = was.smoothed.get(id);
      return [id, before === undefined ? level : before * keep + level * (1 - keep)] as const;
    }),
  );
}

/**
 * The next state from levels measured now: another person takes the picture after being 6 dB louder for a second, and
 * two seconds after the last change; below silence nobody speaks and the picture stays.
 */
export function whoSpeaks(was: Speaking, levels: ReadonlyMap<string, number>, now: number): Speaking {
  const smoothed = smooth(was, levels, now);
  const [loudest] = [...smoothed].sort(([a, x], [b, y]) => y - x || (a < b ? -1 : 1));
  const next = { ...was, smoothed, at: now };
  if (!loudest || loudest[1] < silenceDbfs) return { ...next, speaksId: null, challenge: null };
  const [id, level] = loudest;
  const onPicture = was.pictureId === null ? -Infinity : (smoothed.get(was.pictureId) ?? -Infinity);
  if (id === was.pictureId || level < onPicture + louderByDb) return { ...next, speaksId: id, challenge: null };
  const since = was.challenge?.id === id ? was.challenge.since : now;
  const takes = now - since >= louderForMs && now - was.changedAt >= staysForMs;
  if (!takes) return { ...next, speaksId: id, challenge: { id, since } };
  return { ...next, pictureId: id, speaksId: id, changedAt: now, challenge: null };
}

const mutedDbfs = -40;
const mutedForMs = 400;

/** Somebody speaks into a closed microphone: over −40 dBFS for 400 ms. Told to that person alone. */
export interface ClosedButLoud {
  readonly since: number | null;
  readonly isTold: boolean;
}
export const quiet: ClosedButLoud = { since: null, isTold: false };
export function closedButLoud(was: ClosedButLoud, dbfs: number, isOpen: boolean, now: number): ClosedButLoud {
  if (isOpen || dbfs <= mutedDbfs) return quiet;
  const since = was.since ?? now;
  return { since, isTold: now - since >= mutedForMs };
}
