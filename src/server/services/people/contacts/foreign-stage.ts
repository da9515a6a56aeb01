import { and, inArray, isNull, sql } from "drizzle-orm";
import { stageRoles } from "@/core/people";
import { Refusal } from "@/core/shared";
import type { Db } from "../../../db/client";
import { anyOf } from "../../../db/queries/any-of";
import { entryProofs, tickets } from "../../../db/schema";
import type { TeamMember } from "../../ground/access";

/**
 * Refuses where one of these people holds a stage seat in an event that the member does not produce: whoever changes
 * their address, or makes them one with somebody else, would hold that seat. The owner answers for every event.
 */
export async function requireOwnStage(
  db: Db,
  member: TeamMember,
  personIds: readonly string[],
  action: "contacts.merge" | "contacts.edit",
): Promise<void> {
  if (member.standing === "owner") return;
  const producesIt = sql`exists (select 1 from tickets own where own.event_id = ${tickets.eventId} and own.person_id = ${member.personId} and own.role = 'producer' and own.revoked_at is null)`;
  const foreign = await db
    .select({ id: tickets.id })
    .from(tickets)
    .where(
      and(
        anyOf(tickets.personId, personIds),
        inArray(tickets.role, [...stageRoles]),
        isNull(tickets.revokedAt),
        sql`not ${producesIt}`,
      ),
    )
    .limit(1);
  if (foreign.length > 0) throw new Refusal({ code: "not-allowed", action });
}

/** Every link that these people were sent is dead from now on, one-time links too: a new one has to be sent. */
export async function newLinks(db: Db, personIds: readonly string[]): Promise<void> {
  const theirs = anyOf(tickets.personId, personIds);
  await db
    .update(tickets)
    .set({ linkVersion: sql`${tickets.linkVersion} + 1` })
    .where(and(theirs, isNull(tickets.revokedAt)));
  await db
    .delete(entryProofs)
    .where(
      and(
        isNull(entryProofs.usedAt),
        inArray(entryProofs.ticketId, db.select({ id: tickets.id }).from(tickets).where(theirs)),
      ),
    );
}
