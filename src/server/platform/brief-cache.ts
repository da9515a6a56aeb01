import type { Clock } from "./clock";

/** What many ask for at the same time, read once for a moment. What failed is not kept. */
export class BriefCache<T> {
  private readonly known = new Map<string, { readonly until: number; readonly value: Promise<T> }>();

  /** @param most keys at a time: beyond that it begins anew */
  constructor(
    private readonly clock: Clock,
    private readonly freshMs: number,
    private readonly most: number,
  ) {}

  forget(key: string): void {
    this.known.delete(key);
  }
  get(key: string, read: () => Promise<T>): Promise<T> {
    const now = this.clock.now();
    const known = this.known.get(key);
    if (known && known.until > now) return known.value;
    if (this.known.size >= this.most) this.known.clear();
    const value = read();
    this.known.set(key, { until: now + this.freshMs, value });
    value.catch(() => this.known.delete(key));
    return value;
  }
}
