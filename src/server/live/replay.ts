interface Kept {
  readonly seq: number;
  readonly bytes: Uint8Array;
}

/** The last messages of one role class, so that a stream that broke off can go on where it stood. */
export class Replay {
  private kept: Kept[] = [];
  constructor(
    /** the journal position at which this memory begins */
    private firstSeq: number,
    private readonly limit = 400,
  ) {}

  push(seq: number, bytes: Uint8Array): void {
    this.kept.push({ seq, bytes });
    if (this.kept.length <= this.limit) return;
    const dropped = this.kept.shift()!;
    this.firstSeq = Math.max(this.firstSeq, dropped.seq + 1);
  }

  /**
   * What somebody missed who last saw `after`, or null where memory does not reach back. Messages of
   * that very position come again: figures between two journal rows share one, and to put an item
   * twice changes nothing.
   */
  since(after: number): readonly Uint8Array[] | null {
    if (after < this.firstSeq) return null;
    return this.kept.filter((one) => one.seq >= after).map((one) => one.bytes);
  }
}
