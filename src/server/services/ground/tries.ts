import { lt, sql } from "drizzle-orm";
import { Refusal } from "@/core/shared";
import { hourMs, minuteMs } from "@/core/time";
import { tries } from "../../db/schema";
import type { Context } from "./context";

/** Every limit on tries there is: so many a window. */
export const limits = {
  "access-code": { count: 10, windowMs: 10 * minuteMs },
  registration: { count: 20, windowMs: hourMs },
  "mail-to-address": { count: 12, windowMs: hourMs },
  "phone-pin": { count: 10, windowMs: 10 * minuteMs },
  "sign-in": { count: 8, windowMs: 10 * minuteMs },
} as const;

type Try = readonly [limit: keyof typeof limits, key: string];

/**
 * Counts one try under each key, in one statement, and refuses the first whose limit is reached. Keys are
 * fingerprinted: the table holds no address.
 */
export async function countTries(context: Context, wanted: readonly Try[]): Promise<void> {
  const now = context.clock.now();
  const counted = wanted.map(([limit, key]) => {
    const { count, windowMs } = limits[limit];
    const windowStart = now - (now % windowMs);
    return { key: context.secrets.fingerprint(`${limit}|${key}`), windowStart, windowMs, most: count };
  });
  const rows = await context.db
    .insert(tries)
    // always in one order, so that two who share both keys never wait for each other in a circle
    .values(
      counted.map(({ key, windowStart }) => ({ key, windowStart, count: 1 })).sort((a, b) => (a.key < b.key ? -1 : 1)),
    )
    .onConflictDoUpdate({ target: [tries.key, tries.windowStart], set: { count: sql`${tries.count} + 1` } })
    .returning({ key: tries.key, count: tries.count });
  const lenience = context.environment.STAGE_CALL_TRIES === "lenient" ? 100 : 1;
  for (const { key, windowStart, windowMs, most } of counted) {
    if ((rows.find((row) => row.key === key)?.count ?? 0) <= most * lenience) continue;
    throw new Refusal({ code: "too-many-tries", retryAfterSeconds: Math.ceil((windowStart + windowMs - now) / 1000) });
  }
}

export const countTry = (context: Context, limit: Try[0], key: string): Promise<void> =>
  countTries(context, [[limit, key]]);

/** Old windows are of no more use. */
export const forgetTries = (context: Context) =>
  context.db.delete(tries).where(lt(tries.windowStart, context.clock.now() - 24 * hourMs));
