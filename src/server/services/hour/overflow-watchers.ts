import { lt, sql } from "drizzle-orm";
import { overflowGoneAfterMs } from "@/core/programme";
import { Refusal } from "@/core/shared";
import { dayMs } from "@/core/time";
import type { Db } from "../../db/client";
import { overflowWatchers } from "../../db/schema";
import type { Context } from "../ground/context";

/** Before that many are written down nobody more is taken: a pass is in many hands. */
const mostWaiting = 20_000;

/** How many screens of a date signed for the first time. */
interface Come {
  readonly id: string;
  readonly fresh: number;
}

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
    const now = clock.now();
    await db.transaction(async (tx) => {
      const { rows } = await tx.execute(sql`
        with come as (
          insert into overflow_watchers (occurrence_id, watcher, last_at)
          select o.id, w.watcher, w.last_at
          from unnest(${list((one) => one.occurrenceId)}::uuid[], ${list((one) => one.watcher)}::uuid[],
            ${list((one) => new Date(one.lastAt).toISOString())}::timestamptz[]) as w(occurrence_id, watcher, last_at)
            join occurrences o on o.id = w.occurrence_id
          -- two processes take their rows in one order
          order by 1, 2
          on conflict (occurrence_id, watcher) do update set last_at = greatest(overflow_watchers.last_at, excluded.last_at)
          returning occurrence_id, xmax = 0 as is_new)
        select occurrence_id as id, count(*) filter (where is_new)::int as fresh from come group by 1 order by 1`);
      await addToTotals(tx, rows as unknown as readonly Come[], now);
    });
    await db.delete(overflowWatchers).where(lt(overflowWatchers.lastAt, now - dayMs));
  }
}

/** The counts that stay when the screens themselves are forgotten: those that are new, and how many watch now. */
async function addToTotals(tx: Db, come: readonly Come[], now: number): Promise<void> {
  if (come.length === 0) return;
  const since = new Date(now - overflowGoneAfterMs).toISOString();
  await tx.execute(sql`
    insert into overflow_totals (occurrence_id, screens, most_at_once)
    select c.id, c.fresh,
      (select count(*) from overflow_watchers w where w.occurrence_id = c.id and w.last_at > ${since}::timestamptz)
    from unnest(${sql.param(come.map(({ id }) => id))}::uuid[], ${sql.param(come.map(({ fresh }) => fresh))}::int[]) as c(id, fresh)
    on conflict (occurrence_id) do update set screens = overflow_totals.screens + excluded.screens,
      most_at_once = greatest(overflow_totals.most_at_once, excluded.most_at_once)`);
}
