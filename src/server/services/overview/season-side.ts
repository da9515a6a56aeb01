import { dayMs } from "@/core/time";
import { eq, and, isNull, asc, gte, desc } from "drizzle-orm";
import { people, tickets, events } from "../../db/schema";
import type { TeamMember } from "../ground/access";
import type { Context } from "../ground/context";
import { visibleTo } from "./season";

/** Producers by whom the season can be narrowed. */

export async function producersOf(
  context: Context,
  member: TeamMember,
): Promise<readonly { id: string; name: string }[]> {
  const rows = await context.db
    .selectDistinct({ id: people.id, name: people.name })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(
      and(eq(tickets.organisationId, member.organisationId), eq(tickets.role, "producer"), isNull(tickets.revokedAt)),
    )
    .orderBy(asc(people.name))
    .limit(100);
  return rows.map((row) => ({ id: row.id, name: row.name ?? "" }));
}
/** What was deleted within the last week and can still be brought back. */

export async function binned(
  context: Context,
  member: TeamMember,
): Promise<readonly { eventId: string; title: string; deletedAt: number }[]> {
  const rows = await context.db
    .select({ eventId: events.id, title: events.title, deletedAt: events.deletedAt })
    .from(events)
    .where(
      and(
        eq(events.organisationId, member.organisationId),
        gte(events.deletedAt, context.clock.now() - 7 * dayMs),
        visibleTo(member),
      ),
    )
    .orderBy(desc(events.deletedAt))
    .limit(50);
  return rows.map((row) => ({ ...row, deletedAt: row.deletedAt! }));
}
