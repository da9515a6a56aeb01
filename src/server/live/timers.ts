import type { Log } from "../platform/log";

/** What is done again and again while the process runs, and keeps it from ending no longer than it is wanted. */
export class Timers {
  private readonly timers: NodeJS.Timeout[] = [];
  constructor(private readonly log: Log) {}

  every(ms: number, run: () => Promise<void> | void): void {
    const timer = setInterval(() => {
      Promise.resolve(run()).catch((error: unknown) => this.log.error("live tick failed", error));
    }, ms);
    timer.unref();
    this.timers.push(timer);
  }
  stop(): void {
    this.timers.forEach(clearInterval);
  }
}
