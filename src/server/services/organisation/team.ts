import { and, asc, eq, inArray } from "drizzle-orm";
import { standingInput, type TeamLine } from "@/contracts";
import { leavesNoOwner } from "@/core/organisation";
import type { Standing } from "@/core/people";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { members, organisations, session, tickets, user } from "../../db/schema";
import { requireStanding, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, parse, type Context } from "../ground/context";

const mostMembers = 500;

/** Everyone who signs in here, by name. */
export async function teamOf(context: Context, member: TeamMember): Promise<readonly TeamLine[]> {
  const rows = await context.db
    .select({ userId: members.userId, standing: members.standing, name: user.name, email: user.email })
    .from(members)
    .innerJoin(user, eq(user.id, members.userId))
    .where(eq(members.organisationId, member.organisationId))
    .orderBy(asc(user.name), asc(user.id))
    .limit(mostMembers);
  return rows.map((row) => ({ ...row, isMe: row.userId === member.userId }));
}

/** Locks the team, so that of two owners who step down at once one is refused. */
async function lockedTeam(tx: Db, organisationId: string) {
  await tx
    .select({ id: organisations.id })
    .from(organisations)
    .where(eq(organisations.id, organisationId))
    .for("no key update");
  return tx.select().from(members).where(eq(members.organisationId, organisationId)).limit(mostMembers);
}

/** Whoever left works no desk of any event: by their link they could ask for one again. */
const takeDuties = (tx: Db, organisationId: string, personId: string) =>
  tx
    .update(tickets)
    .set({ role: "crew", duties: [] })
    .where(
      and(
        eq(tickets.organisationId, organisationId),
        eq(tickets.personId, personId),
        inArray(tickets.role, ["producer", "crew"]),
      ),
    );

async function change(context: Context, member: TeamMember, userId: string, next: Standing | null): Promise<void> {
  const { organisationId } = member;
  await context.db.transaction(async (tx) => {
    const team = await lockedTeam(tx, organisationId);
    if (!team.some((one) => one.userId === userId)) throw notFound("member");
    if (leavesNoOwner(team, userId, next)) throw new Refusal({ code: "last-owner" });
    const theirs = and(eq(members.organisationId, organisationId), eq(members.userId, userId));
    if (next) await tx.update(members).set({ standing: next }).where(theirs);
    else await tx.delete(members).where(theirs);
    // whoever leaves is signed out everywhere; their desk closes when it is next asked for
    if (!next) {
      await tx.delete(session).where(eq(session.userId, userId));
      await takeDuties(tx, organisationId, team.find((one) => one.userId === userId)!.personId);
    }
    const facts = { userId, standing: next ?? "none" };
    await audit(context, tx, { organisationId, actorId: member.userId, action: "team.edit", facts });
  });
}

/** Says what somebody of the team is in the organisation. @throws last-owner */
export async function setStanding(context: Context, member: TeamMember, userId: string, raw: unknown): Promise<void> {
  requireStanding(member, "team.edit");
  await change(context, member, userId, parse(standingInput, raw));
}

/** Takes somebody out of the team; their places in events stay, without duties and a desk. @throws last-owner */
export async function removeMember(context: Context, member: TeamMember, userId: string): Promise<void> {
  if (userId !== member.userId) requireStanding(member, "team.edit");
  await change(context, member, userId, null);
}
