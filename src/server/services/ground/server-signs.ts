import { sql } from "drizzle-orm";
import type { Db } from "../../db/client";

/** Without a sign for so long the server counts as away; a shorter gap is closed by rule 13 anyway. */
export const awayAfterMs = 30_000;
/** How often each process says that it runs. */
export const signOfServerEveryMs = 5000;

/**
 * Says that the server runs, and finds out whether for a while no process of it did. A process that signed a moment
 * ago knows that it was there, whatever its clock says now.
 * @returns whether a span was written down in which it was away
 */
export async function signOfServer(db: Db, now: number, wasHereAMomentAgo: boolean): Promise<boolean> {
  const iso = (at: number) => new Date(at).toISOString();
  // one statement: a process that is stopped in the middle of it holds up no other
  const { rows } = await db.execute(sql`
    with was as (select last_at from server_signs where name = 'server'),
    away as (
      insert into server_away (from_at, to_at)
      select last_at, ${iso(now)}::timestamptz from was
      where not ${wasHereAMomentAgo}::boolean and last_at < ${iso(now - awayAfterMs)}::timestamptz
      on conflict do nothing returning 1),
    signed as (
      insert into server_signs (name, last_at) values ('server', ${iso(now)}::timestamptz)
      on conflict (name) do update set last_at = greatest(server_signs.last_at, excluded.last_at))
    select exists (select 1 from away) as is_away`);
  return rows[0]!["is_away"] === true;
}

/** A process's own signs that it runs, one every few seconds. Its clock may be moved; how long it was silent is not. */
export class OwnSign {
  /** by the process's own count; null: it never signed */
  private lastMs: number | null = null;

  constructor(
    private readonly db: Db,
    private readonly now: () => number,
    private readonly elapsedMs: () => number = () => performance.now(),
  ) {}

  async give(): Promise<void> {
    const elapsed = this.elapsedMs();
    const silentMs = this.lastMs === null ? Infinity : elapsed - this.lastMs;
    if (silentMs < signOfServerEveryMs) return;
    await signOfServer(this.db, this.now(), silentMs <= awayAfterMs);
    this.lastMs = elapsed;
  }
}
