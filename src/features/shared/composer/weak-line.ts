/** A piece that waits longer for its way out comes too late for whoever watches. */
const lateFromMs = 2500;
const lookedBackMs = 20_000;
/** So long late within that time, and the audience sees the picture stand still: as long as a lease lives, and longer. */
const weakFromMs = 2000;

/** Whether a line is too weak to carry the programme: known by how long pieces wait for their way out. */
export class WeakLine {
  private lastAt: number | null = null;
  private late: { readonly at: number; readonly ms: number }[] = [];

  /**
   * @param now milliseconds of any clock that only goes on
   * @param waitedMs for how long the oldest piece has been waiting; null: none waits
   * @returns whether it is too weak by now
   */
  note(now: number, waitedMs: number | null): boolean {
    const ms = this.lastAt === null ? 0 : now - this.lastAt;
    this.lastAt = now;
    if (waitedMs !== null && waitedMs > lateFromMs) this.late.push({ at: now, ms });
    while (this.late.length > 0 && now - this.late[0]!.at > lookedBackMs) this.late.shift();
    return this.late.reduce((sum, one) => sum + one.ms, 0) >= weakFromMs;
  }
}
