import { lt, sql } from "drizzle-orm";
import { Refusal } from "@/core/shared";
import { hourMs, minuteMs } from "@/core/time";
import { tries } from "../../db/schema";
import type { Context } from "./context";

const iso = (ms: number): string => new Date(ms).toISOString();

/**
 * Every limit on tries there is: so many a window. What can be guessed is limited by network and, whatever the
 * network, by what is guessed at; a whole campus may register from one network, one address may not for ever.
 */
export const limits = {
  "access-code": { count: 10, windowMs: 10 * minuteMs },
  /** all tries at one event's code, or at room codes altogether */
  "code-of-target": { count: 300, windowMs: 10 * minuteMs },
  registration: { count: 600, windowMs: hourMs },
  "registration-of-address": { count: 5, windowMs: hourMs },
  "mail-to-address": { count: 12, windowMs: hourMs },
  /** browsers without a ticket that begin to watch a recording */
  "viewer-of-network": { count: 2000, windowMs: hourMs },
  /** of one ticket: questions while a recording is watched */
  "question-on-demand": { count: 10, windowMs: hourMs },
  /** certificates looked up from one network: a class reads its own, nobody a thousand */
  "certificate-number": { count: 60, windowMs: 10 * minuteMs },
  "phone-pin": { count: 10, windowMs: 10 * minuteMs },
  "call-back": { count: 4, windowMs: hourMs },
  /** nobody is rung up again and again by somebody else's typing */
  "call-to-number": { count: 6, windowMs: hourMs },
  "pins-of-event": { count: 200, windowMs: 10 * minuteMs },
  /** of one address from one network: blind tries elsewhere do not lock its owner out */
  "sign-in": { count: 8, windowMs: 10 * minuteMs },
  // the longer somebody guesses, the longer they wait: ten minutes, an hour, a day
  "sign-in-in-an-hour": { count: 16, windowMs: hourMs },
  "sign-in-in-a-day": { count: 30, windowMs: 24 * hourMs },
  "sign-in-of-network": { count: 60, windowMs: 10 * minuteMs },
  "sign-in-of-address": { count: 100, windowMs: 10 * minuteMs },
  /** a device that has signed in as this address before */
  "sign-in-of-device": { count: 20, windowMs: 10 * minuteMs },
} as const;

export type Try = readonly [limit: keyof typeof limits, key: string];

/**
 * Counts the tries of several at once, in one statement, each under its keys. Keys are fingerprinted: the
 * table holds no address. @returns for each the refusal of the first limit that is reached, or null
 */
export async function countTriesOfMany(
  context: Context,
  wanted: readonly (readonly Try[])[],
): Promise<readonly (Refusal | null)[]> {
  const now = context.clock.now();
  const lenience = context.environment.STAGE_CALL_TRIES === "lenient" ? 100 : 1;
  const added = new Map<string, { readonly windowStart: number; n: number }>();
  const counted = wanted.map((tries) =>
    tries.map(([limit, key]) => {
      const { count, windowMs } = limits[limit];
      const windowStart = now - (now % windowMs);
      const fingerprint = context.secrets.fingerprint(`${limit}|${key}`);
      const sum = added.get(fingerprint) ?? { windowStart, n: 0 };
      sum.n += 1;
      added.set(fingerprint, sum);
      return { key: fingerprint, place: sum.n, endsAt: windowStart + windowMs, most: count * lenience };
    }),
  );
  // always in one order, so that two who share several keys never wait for each other in a circle
  const rows = [...added].sort(([a], [b]) => (a < b ? -1 : 1));
  const list = (of: (row: (typeof rows)[number]) => string | number) => sql.param(rows.map(of));
  const kept = await context.db.execute(sql`
    insert into tries (key, window_start, count)
    select * from unnest(${list(([key]) => key)}::text[], ${list(([, { windowStart }]) => iso(windowStart))}::timestamptz[],
      ${list(([, { n }]) => n)}::int[])
    on conflict (key, window_start) do update set count = tries.count + excluded.count returning key, count`);
  const totals = new Map(kept.rows.map((row) => [String(row["key"]), Number(row["count"])]));
  return counted.map((tries) => {
    const broken = tries.find(({ key, place, most }) => totals.get(key)! - added.get(key)!.n + place > most);
    return broken
      ? new Refusal({ code: "too-many-tries", retryAfterSeconds: Math.ceil((broken.endsAt - now) / 1000) })
      : null;
  });
}

/** Counts one try under each key, and refuses the first whose limit is reached. */
export async function countTries(context: Context, wanted: readonly Try[]): Promise<void> {
  const [refusal] = await countTriesOfMany(context, [wanted]);
  if (refusal) throw refusal;
}

export const countTry = (context: Context, limit: Try[0], key: string): Promise<void> =>
  countTries(context, [[limit, key]]);

/** Old windows are of no more use. */
export const forgetTries = (context: Context) =>
  context.db.delete(tries).where(lt(tries.windowStart, context.clock.now() - 24 * hourMs));
