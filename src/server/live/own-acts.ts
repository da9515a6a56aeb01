import type { JournalEntry } from "@/core/room";

/** What a command came to: the rows that it decided, null where it had been done before. */
export interface Decided {
  readonly done: { readonly entries: readonly JournalEntry[] } | null;
}
interface UnderWay {
  acts: number;
  /** how far the journal was said to have come meanwhile */
  noticedSeq: number;
}

/**
 * Acts of this process that are on their way, by date. The database tells everybody of a commit, and often before it
 * answers whoever committed: what this process decided itself is taken from the decision, and not read again.
 */
export class OwnActs {
  private readonly underWay = new Map<string, UnderWay>();

  constructor(
    /** shows a decision to its screens */
    private readonly publish: (occurrenceId: string, done: Decided["done"]) => Promise<void>,
    /** follows a journal that has come so far */
    private readonly follow: (occurrenceId: string, seq: number) => void,
  ) {}

  /** A notice waits until acts of this process are over. */
  hear(occurrenceId: string, seq: number): void {
    const known = this.underWay.get(occurrenceId);
    if (known) known.noticedSeq = Math.max(known.noticedSeq, seq);
    else this.follow(occurrenceId, seq);
  }

  /** Carries out a command of this process. @returns what it came to, and when its screens have been told */
  async carryOut<D extends Decided>(
    occurrenceId: string,
    run: () => Promise<D>,
  ): Promise<{ readonly executed: D; readonly shown: Promise<void> }> {
    const over = this.begin(occurrenceId);
    try {
      const executed = await run();
      return { executed, shown: this.publish(occurrenceId, executed.done).finally(over) };
    } catch (error) {
      over();
      throw error;
    }
  }

  private begin(occurrenceId: string): () => void {
    const known = this.underWay.get(occurrenceId) ?? { acts: 0, noticedSeq: 0 };
    known.acts += 1;
    this.underWay.set(occurrenceId, known);
    return () => {
      known.acts -= 1;
      if (known.acts > 0) return;
      this.underWay.delete(occurrenceId);
      if (known.noticedSeq > 0) this.follow(occurrenceId, known.noticedSeq);
    };
  }
}
