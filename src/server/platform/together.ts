import { Refusal } from "@/core/shared";
import { Turns } from "./turns";

/** What became of one of several things done together. */
export type Outcome<O> = { readonly ok: true; readonly value: O } | { readonly ok: false; readonly error: unknown };

/** Keeps what failed for one from failing the others. */
export async function outcomeOf<O>(run: () => Promise<O> | O): Promise<Outcome<O>> {
  try {
    return { ok: true, value: await run() };
  } catch (error) {
    return { ok: false, error };
  }
}

export interface TogetherSize {
  readonly atOnce: number;
  readonly waiting: number;
  /** after several were done together, how long the next wait for others; one alone is never kept waiting */
  readonly gatherMs?: number;
}

/** Of a hundred done together, until it is known. */
const firstPerItemMs = 4;

interface Waiting<I, O> {
  readonly item: I;
  readonly settle: (outcome: Outcome<O>) => void;
}

/**
 * Work that comes one by one and costs little more for a hundred than for one. What comes while some of it is
 * being done is gathered and done next, in the order in which it came; a quiet machine does each at once.
 */
export class Together<I, O> {
  private waiting: Waiting<I, O>[] = [];
  private isRunning = false;
  private readonly turns = new Turns(firstPerItemMs);

  /** @param work answers as many outcomes as it got items, in their order; where it fails whole, each is tried alone */
  constructor(
    private readonly work: (items: readonly I[]) => Promise<readonly Outcome<O>[]>,
    private readonly size: TogetherSize,
  ) {}

  /** @throws a refusal `busy` with when to come again where too many wait already; what was refused was not begun */
  async run(item: I): Promise<O> {
    if (this.waiting.length >= this.size.waiting)
      throw new Refusal({ code: "busy", retryAfterMs: this.turns.nextWaitMs() });
    const outcome = await new Promise<Outcome<O>>((settle) => {
      this.waiting.push({ item, settle });
      if (!this.isRunning) void this.go();
    });
    if (outcome.ok) return outcome.value;
    throw outcome.error;
  }

  private async go(): Promise<void> {
    this.isRunning = true;
    let before = 1;
    // from one batch's end to the next: what the machine does between them is part of its pace
    let from = performance.now();
    while (this.waiting.length > 0) {
      // a turn later at least, so that those who came in one and the same are done together
      await this.gathered(before > 1 && this.waiting.length < this.size.atOnce);
      const batch = this.waiting.splice(0, this.size.atOnce);
      before = batch.length;
      await this.settle(batch);
      const now = performance.now();
      this.turns.done(batch.length, now - from);
      from = now;
    }
    this.isRunning = false;
  }

  private gathered(isCrowd: boolean): Promise<void> {
    const { gatherMs } = this.size;
    return new Promise((turn) => (gatherMs && isCrowd ? setTimeout(turn, gatherMs) : setImmediate(turn)));
  }

  private async settle(batch: readonly Waiting<I, O>[]): Promise<void> {
    const whole = await outcomeOf(() => this.work(batch.map(({ item }) => item)));
    if (whole.ok) return batch.forEach(({ settle }, i) => settle(whole.value[i]!));
    if (batch.length === 1) return batch[0]!.settle(whole);
    await Promise.all(
      batch.map(async ({ item, settle }) => {
        const alone = await outcomeOf(() => this.work([item]));
        settle(alone.ok ? alone.value[0]! : alone);
      }),
    );
  }
}
