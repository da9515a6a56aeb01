/** A stretch played without a jump, as it is told. */
export interface ToldPlay {
  readonly id: string;
  readonly fromSeconds: number;
  readonly toSeconds: number;
}
/** A player says where it is four times a second or so: what is farther from there was a jump. */
const jumpSeconds = 2.5;

/** Makes stretches of where a player says it is (rule 14). */
export class PlayTracker {
  private current: { id: string; fromSeconds: number; toSeconds: number } | null = null;
  private readonly untold = new Map<string, ToldPlay>();

  constructor(private readonly newId: () => string) {}

  /** Where the player is, while it plays. @param rate how fast */
  at(seconds: number, rate = 1): void {
    const { current } = this;
    const step = current ? seconds - current.toSeconds : 0;
    if (!current || step < 0 || step > jumpSeconds * Math.max(1, rate)) {
      this.current = { id: this.newId(), fromSeconds: seconds, toSeconds: seconds };
      return;
    }
    current.toSeconds = seconds;
    if (current.toSeconds > current.fromSeconds) this.untold.set(current.id, { ...current });
  }
  /** Paused, at its end, or about to jump: the stretch is over. @param seconds where it stood */
  stop(seconds: number | null = null): void {
    if (seconds !== null && this.current && seconds > this.current.toSeconds) this.at(seconds);
    this.current = null;
  }
  /** What has grown since it was last taken. */
  take(): readonly ToldPlay[] {
    const all = [...this.untold.values()];
    this.untold.clear();
    return all;
  }
  /** What could not be told is told again, unless it has grown since. */
  putBack(all: readonly ToldPlay[]): void {
    for (const one of all) if (!this.untold.has(one.id)) this.untold.set(one.id, one);
  }
}
