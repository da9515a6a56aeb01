import { createHmac, randomBytes } from "node:crypto";
import { and, eq, inArray, isNull, lt, ne } from "drizzle-orm";
import type { Db } from "../../db/client";
import { events, visitKeys, visits } from "../../db/schema";
import type { Visit } from "./visit-shelf";
import type { Context } from "../ground/context";
import { organisationFor } from "./front-door";

/** A day in UTC, as `2026-11-26`. */
export const visitDay = (at: number): string => new Date(at).toISOString().slice(0, 10);

/** The day's key, made by whoever counts first; those of days that are over are thrown away. */
async function keyOfDay(db: Db, day: string): Promise<string> {
  await db.delete(visitKeys).where(lt(visitKeys.day, day));
  await db
    .insert(visitKeys)
    .values({ day, key: randomBytes(32).toString("base64url") })
    .onConflictDoNothing();
  const [row] = await db.select().from(visitKeys).where(eq(visitKeys.day, day));
  return row!.key;
}

const visitorUnder = (key: string, remote: string, agent: string): string =>
  createHmac("sha256", key).update(`${remote}|${agent}`).digest("base64url").slice(0, 22);

/** Somebody who registers: at which event's page, from where, with which browser. */
export interface Comer {
  readonly eventId: string;
  readonly remote: string;
  readonly agent: string;
}

/**
 * The tags by which people first came to the page today (rule 29), whichever process counted the visit; null where
 * none is known: they came without one, or so short a time ago that the page they stand at is their first.
 */
export async function firstTags(context: Context, comers: readonly Comer[]): Promise<readonly (string | null)[]> {
  const day = visitDay(context.clock.now());
  const [row] = await context.db.select({ key: visitKeys.key }).from(visitKeys).where(eq(visitKeys.day, day));
  if (!row || comers.length === 0) return comers.map(() => null);
  const names = comers.map(({ remote, agent }) => visitorUnder(row.key, remote, agent));
  const found = await context.db
    .select({ eventId: visits.eventId, visitor: visits.visitor, via: visits.via })
    .from(visits)
    .where(
      and(
        inArray(visits.eventId, [...new Set(comers.map((one) => one.eventId))]),
        eq(visits.day, day),
        inArray(visits.visitor, [...new Set(names)]),
        ne(visits.via, ""),
      ),
    );
  const tags = new Map(found.map((one) => [`${one.eventId}|${one.visitor}`, one.via]));
  return comers.map(({ eventId }, i) => tags.get(`${eventId}|${names[i]}`) ?? null);
}

/**
 * Counts visits to public pages, once a visitor and day (rule 29). A visitor is a network address and a browser's
 * name under the day's key: from one day to the next nobody can be followed. The day's first tag stays.
 */
export async function countVisits(context: Context, seen: readonly Visit[]): Promise<void> {
  if (seen.length === 0) return;
  const { db } = context;
  const day = visitDay(context.clock.now());
  const key = await keyOfDay(db, day);
  for (const host of new Set(seen.map((one) => one.host))) {
    const own = seen.filter((one) => one.host === host);
    const { id: organisationId } = await organisationFor(db, host);
    const found = await db
      .select({ id: events.id, slug: events.slug })
      .from(events)
      .where(
        and(
          eq(events.organisationId, organisationId),
          inArray(events.slug, [...new Set(own.map((one) => one.slug))]),
          isNull(events.deletedAt),
        ),
      );
    const bySlug = new Map(found.map((one) => [one.slug, one.id]));
    const rows = own.flatMap(({ slug, remote, agent, via }) => {
      const eventId = bySlug.get(slug);
      const visitor = visitorUnder(key, remote, agent);
      return eventId ? [{ eventId, day, visitor, organisationId, via }] : [];
    });
    for (let i = 0; i < rows.length; i += 2000)
      await db
        .insert(visits)
        .values(rows.slice(i, i + 2000))
        .onConflictDoNothing();
  }
}
