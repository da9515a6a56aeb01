import { Refusal } from "@/core/shared";

/**
 * Work that must not take the whole machine: so many at once, so many waiting behind them, and everybody
 * beyond that is told at once to come again, instead of failing late.
 */
export class Gate {
  private running = 0;
  private readonly queue: (() => void)[] = [];
  constructor(private readonly size: { readonly atOnce: number; readonly waiting: number }) {}

  /** @throws a refusal `busy` where too many wait already; what was refused was not begun */
  async run<T>(work: () => Promise<T>): Promise<T> {
    if (this.running >= this.size.atOnce) {
      if (this.queue.length >= this.size.waiting) throw new Refusal({ code: "busy", retryAfterMs: 2000 });
      // whoever leaves hands their place on, so that nobody new slips in between
      await new Promise<void>((enter) => this.queue.push(enter));
    } else this.running += 1;
    try {
      return await work();
    } finally {
      const next = this.queue.shift();
      if (next) next();
      else this.running -= 1;
    }
  }
}
