import { lt, sql } from "drizzle-orm";
import { Refusal } from "@/core/shared";
import { dayMs } from "@/core/time";
import { overflowWatchers } from "../../db/schema";
import type { Context } from "../ground/context";

/** Before that many are written down nobody more is taken: a pass is in many hands. */
const mostWaiting = 20_000;

/** Signs of those who watch without a seat, gathered and written in one statement. */
export class OverflowBook {
  private readonly signs = new Map<string, { occurrenceId: string; watcher: string; lastAt: number }>();
  constructor(private readonly context: Context) {}

  /** @throws a refusal `busy` */
  sign(occurrenceId: string, watcher: string): void {
    if (this.signs.size >= mostWaiting) throw new Refusal({ code: "busy", retryAfterMs: 30_000 });
    this.signs.set(`${occurrenceId} ${watcher}`, { occurrenceId, watcher, lastAt: this.context.clock.now() });
  }

  /** Writes what has gathered; those of a date that is gone by now are dropped with it. Yesterday's make room. */
  async flush(): Promise<void> {
    if (this.signs.size === 0) return;
    const batch = [...this.signs.values()];
    this.signs.clear();
    const { db, clock } = this.context;
    const list = (of: (one: (typeof batch)[number]) => string) => sql.param(batch.map(of));
    await db.execute(sql`
      insert into overflow_watchers (occurrence_id, watcher, last_at)
      select o.id, w.watcher, w.last_at
      from unnest(${list((one) => one.occurrenceId)}::uuid[], ${list((one) => one.watcher)}::uuid[],
        ${list((one) => new Date(one.lastAt).toISOString())}::timestamptz[]) as w(occurrence_id, watcher, last_at)
        join occurrences o on o.id = w.occurrence_id
      on conflict (occurrence_id, watcher) do update set last_at = greatest(overflow_watchers.last_at, excluded.last_at)`);
    await db.delete(overflowWatchers).where(lt(overflowWatchers.lastAt, clock.now() - dayMs));
  }
}
