import { LRUCache } from "lru-cache";
import { roomPaces, type Pace } from "@/core/room";
import { Refusal } from "@/core/shared";

/** What has no pace of its own. */
const usual: Pace = { burst: 20, everyMs: 200 };
const mostKept = 50_000;

/**
 * How fast one person may act, by kind of act (a leaky bucket each: the moment at which it is empty). What
 * is over the limit is refused with the wait, before anything is read or locked.
 */
export class ActPace {
  private readonly emptyAt = new LRUCache<string, number>({ max: mostKept });
  /** commands that were let through: a repeat of one is the same act */
  private readonly let = new LRUCache<string, true>({ max: mostKept });
  constructor(private readonly now: () => number) {}

  /** @throws a refusal with the wait */
  take(ticketId: string, type: string, commandId: string): void {
    if (this.let.has(commandId)) return;
    const pace = roomPaces[type] ?? usual;
    // acts without a pace of their own share one bucket
    const key = roomPaces[type] ? `${ticketId} ${type}` : ticketId;
    const now = this.now();
    const emptyAt = Math.max(now, this.emptyAt.get(key) ?? now) + pace.everyMs;
    const waitMs = emptyAt - now - pace.burst * pace.everyMs;
    if (waitMs > 0) throw new Refusal({ code: "too-fast", retryAfterMs: waitMs });
    this.emptyAt.set(key, emptyAt);
    this.let.set(commandId, true);
  }
}
