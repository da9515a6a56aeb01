const leastWaitMs = 750;
const longestWaitMs = 60_000;
/** How much the latest piece of work weighs in the pace that is reckoned with. */
const weight = 0.3;
/** Turns come twice as fast as work is done while a crowd is told to wait: telling them takes about as long. */
const hurry = 0.5;

/**
 * Tells whoever finds a full house when to come again: one after another, at the pace at which work is done. A crowd
 * that comes again at its own chance asks many times over, and the answers take the time in which it could be let in.
 */
export class Turns {
  private perItemMs: number;
  private lastAt = 0;

  /** @param firstPerItemMs the pace until one is known */
  constructor(
    firstPerItemMs: number,
    private readonly now: () => number = () => performance.now(),
  ) {
    this.perItemMs = firstPerItemMs;
  }

  /** So many were done in so long. */
  done(count: number, tookMs: number): void {
    if (count > 0) this.perItemMs += weight * (tookMs / count - this.perItemMs);
  }

  /** @returns how long the next one waits; who would wait for longer than a minute comes within it, and is told again */
  nextWaitMs(): number {
    const now = this.now();
    const latest = now + longestWaitMs;
    this.lastAt = Math.min(latest, Math.max(this.lastAt, now + leastWaitMs) + this.perItemMs * hurry);
    return Math.round(this.lastAt - now);
  }
}
