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

/**
 * Counts one try under a key and refuses it once the limit is reached. Keys are fingerprinted: the
 * table holds no address.
 */
export async function countTry(context: Context, limit: keyof typeof limits, key: string): Promise<void> {
  const { count, windowMs } = limits[limit];
  const now = context.clock.now();
  const windowStart = now - (now % windowMs);
  const print = context.secrets.fingerprint(`${limit}|${key}`);
  const [row] = await context.db
    .insert(tries)
    .values({ key: print, windowStart, count: 1 })
    .onConflictDoUpdate({ target: [tries.key, tries.windowStart], set: { count: sql`${tries.count} + 1` } })
    .returning({ count: tries.count });
  const allowed = count * (context.environment.STAGE_CALL_TRIES === "lenient" ? 100 : 1);
  if ((row?.count ?? 0) <= allowed) return;
  throw new Refusal({ code: "too-many-tries", retryAfterSeconds: Math.ceil((windowStart + windowMs - now) / 1000) });
}

/** Old windows are of no more use. */
export const forgetTries = (context: Context) =>
  context.db.delete(tries).where(lt(tries.windowStart, context.clock.now() - 24 * hourMs));
