import type { Clock } from "../../platform/clock";
import type { FactActor } from "./facts";

const freshMs = 3000;
const mostHolders = 20_000;

/**
 * Who the holder of a link is, for a few seconds: a full house sends hundreds of ballots and signs at once.
 * Emptied whenever people or roles of a followed room change, so that a revoked link dies at once.
 */
export class HolderCache {
  private readonly holders = new Map<string, { until: number; access: FactActor }>();
  constructor(private readonly clock: Clock) {}

  get(token: string): FactActor | null {
    const holder = this.holders.get(token);
    return holder && holder.until > this.clock.now() ? holder.access : null;
  }
  keep(token: string, access: FactActor): void {
    if (this.holders.size >= mostHolders) this.holders.clear();
    this.holders.set(token, { until: this.clock.now() + freshMs, access });
  }
  clear(): void {
    this.holders.clear();
  }
}
