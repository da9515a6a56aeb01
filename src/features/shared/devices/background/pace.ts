/** What is begun with is slower than what follows: it does not count. */
const warmUpPictures = 3;
const judgedPictures = 8;
/** Beyond that a picture a second suffers more than a background is worth: under ten of them. */
export const slowestMs = 100;

/** Whether this computer is fast enough for a background, judged over and over by what the last pictures took. */
export class Pace {
  private seen = 0;
  private readonly last: number[] = [];

  /** @param tookMs the work on one picture @returns whether it is too slow: known only once enough were seen */
  isTooSlow(tookMs: number): boolean {
    this.seen += 1;
    if (this.seen <= warmUpPictures) return false;
    this.last.push(tookMs);
    if (this.last.length > judgedPictures) this.last.shift();
    if (this.last.length < judgedPictures) return false;
    return [...this.last].sort((a, b) => a - b)[judgedPictures / 2]! > slowestMs;
  }
}
