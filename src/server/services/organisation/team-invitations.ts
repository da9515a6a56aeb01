import { and, desc, eq, gt, isNull, sql } from "drizzle-orm";
import { hashPassword } from "better-auth/crypto";
import { joinTeamInput, teamInviteInput, type InvitationLine } from "@/contracts";
import { invitationDays } from "@/core/organisation";
import type { Standing } from "@/core/people";
import { Refusal } from "@/core/shared";
import { dayMs } from "@/core/time";
import type { Db } from "../../db/client";
import { account, letters, members, organisations, people, teamInvitations, user } from "../../db/schema";
import { requireStanding, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, oneOf, parse, type Context } from "../ground/context";
import { planLetter } from "../ground/letters";
import { personByEmail } from "../ground/people-records";

type InvitationRow = typeof teamInvitations.$inferSelect;
const mostOpen = 100;

const isOpen = (now: number) =>
  and(isNull(teamInvitations.acceptedAt), isNull(teamInvitations.withdrawnAt), gt(teamInvitations.expiresAt, now));

/** The invitations that can still be followed, the newest first. */
export async function openInvitations(context: Context, member: TeamMember): Promise<readonly InvitationLine[]> {
  requireStanding(member, "team.edit");
  const rows = await context.db
    .select({ invitation: teamInvitations, letter: letters.state })
    .from(teamInvitations)
    .leftJoin(letters, eq(sql`${letters.body} ->> 'invitationId'`, sql`${teamInvitations.id}::text`))
    .where(and(eq(teamInvitations.organisationId, member.organisationId), isOpen(context.clock.now())))
    .orderBy(desc(teamInvitations.createdAt))
    .limit(mostOpen);
  return rows.map(({ invitation: { id, name, email, standing, expiresAt }, letter }) => ({
    id,
    name,
    email,
    standing,
    expiresAt,
    letter: letter ?? "planned",
  }));
}

async function isMember(db: Db, organisationId: string, email: string): Promise<boolean> {
  const [known] = await db
    .select({ userId: members.userId })
    .from(members)
    .innerJoin(user, eq(user.id, members.userId))
    .where(and(eq(members.organisationId, organisationId), eq(user.email, email)));
  return known !== undefined;
}

interface Wanted {
  readonly name: string;
  readonly email: string;
  readonly standing: Standing;
}

/** A letter that has not left yet would bring a link that is over. */
const dropLetter = (tx: Db, invitationId: string) =>
  tx
    .delete(letters)
    .where(and(eq(sql`${letters.body} ->> 'invitationId'`, invitationId), eq(letters.state, "planned")));

/** An invitation and its letter; one that the address had before is good no more. */
async function invite(
  context: Context,
  tx: Db,
  organisationId: string,
  { name, email, standing }: Wanted,
  by: { readonly userId: string; readonly name: string } | null,
): Promise<string> {
  const now = context.clock.now();
  const before = await tx
    .update(teamInvitations)
    .set({ withdrawnAt: now })
    .where(and(eq(teamInvitations.organisationId, organisationId), eq(teamInvitations.email, email), isOpen(now)))
    .returning({ id: teamInvitations.id });
  for (const one of before) await dropLetter(tx, one.id);
  const id = context.ids.id();
  const times = { createdAt: now, expiresAt: now + invitationDays * dayMs };
  const invitedBy = by?.userId ?? null;
  await tx.insert(teamInvitations).values({ id, organisationId, name, email, standing, invitedBy, ...times });
  const body = { kind: "team-invitation", invitationId: id, standing, by: by?.name ?? "" } as const;
  await planLetter(context, tx, organisationId, { name, email }, body);
  return id;
}

/** Asks somebody into the team, by a letter with a link that works once. @throws address-taken */
export async function inviteMember(context: Context, member: TeamMember, input: unknown): Promise<void> {
  requireStanding(member, "team.edit");
  const wanted = parse(teamInviteInput, input);
  const { organisationId, userId } = member;
  if (await isMember(context.db, organisationId, wanted.email)) throw new Refusal({ code: "address-taken" });
  await context.db.transaction(async (tx) => {
    const [me] = await tx.select({ name: user.name }).from(user).where(eq(user.id, userId));
    const invitationId = await invite(context, tx, organisationId, wanted, { userId, name: me?.name ?? "" });
    const facts = { invitationId, standing: wanted.standing };
    await audit(context, tx, { organisationId, actorId: userId, action: "team.edit", facts });
  });
}

/** Takes an invitation back: its link says so from then on. */
export async function withdrawInvitation(context: Context, member: TeamMember, id: string): Promise<void> {
  requireStanding(member, "team.edit");
  const [gone] = await context.db
    .update(teamInvitations)
    .set({ withdrawnAt: context.clock.now() })
    .where(
      and(
        eq(teamInvitations.id, id),
        eq(teamInvitations.organisationId, member.organisationId),
        isOpen(context.clock.now()),
      ),
    )
    .returning({ id: teamInvitations.id });
  if (!gone) throw notFound("invitation");
  await dropLetter(context.db, gone.id);
}

/**
 * A sign-in of their own for somebody with duties who came by their personal link: proved by a letter to their
 * address, so that a link that was passed on opens no desk.
 */
export async function askForDesk(
  context: Context,
  holder: { readonly organisationId: string; readonly name: string; readonly email: string },
): Promise<void> {
  if (await isMember(context.db, holder.organisationId, holder.email)) throw new Refusal({ code: "address-taken" });
  if (holder.email === "") throw notFound("address");
  await context.db.transaction(async (tx) => {
    // whoever was asked in as more stays that: their letter is sent anew
    const [open] = await tx
      .select({ standing: teamInvitations.standing })
      .from(teamInvitations)
      .where(
        and(
          eq(teamInvitations.organisationId, holder.organisationId),
          eq(teamInvitations.email, holder.email),
          isOpen(context.clock.now()),
        ),
      );
    const wanted = { name: holder.name, email: holder.email, standing: open?.standing ?? "crew" };
    await invite(context, tx, holder.organisationId, wanted, null);
  });
}

/** Whether somebody signs in here. */
export async function hasDesk(context: Context, organisationId: string, personId: string): Promise<boolean> {
  const [row] = await context.db
    .select({ userId: members.userId })
    .from(members)
    .where(and(eq(members.organisationId, organisationId), eq(members.personId, personId)));
  return row !== undefined;
}

export interface OpenInvitation {
  readonly id: string;
  readonly organisation: string;
  readonly name: string;
  readonly email: string;
  readonly standing: Standing;
  /** they sign in elsewhere in this installation: their password is asked for, not made */
  readonly hasAccount: boolean;
}

async function byToken(context: Context, db: Db, token: string, isLocked: boolean): Promise<InvitationRow> {
  const claim = context.secrets.readToken(token);
  if (!claim?.matches(0)) throw notFound("invitation");
  const query = db.select().from(teamInvitations).where(eq(teamInvitations.id, claim.ticketId));
  const row = oneOf(isLocked ? await query.for("no key update") : await query, "invitation");
  const isGood = row.acceptedAt === null && row.withdrawnAt === null && row.expiresAt > context.clock.now();
  if (!isGood) throw new Refusal({ code: "invitation-over" });
  return row;
}

/** What an invitation's link shows. @throws invitation-over */
export async function invitationFor(context: Context, token: string): Promise<OpenInvitation> {
  const row = await byToken(context, context.db, token, false);
  const [[organisation], [known]] = await Promise.all([
    context.db.select({ name: organisations.name }).from(organisations).where(eq(organisations.id, row.organisationId)),
    context.db.select({ id: user.id }).from(user).where(eq(user.email, row.email)),
  ]);
  const { id, name, email, standing } = row;
  return { id, name, email, standing, organisation: organisation?.name ?? "", hasAccount: known !== undefined };
}

/**
 * Follows an invitation: makes the sign-in where there is none, and the membership. Of two who follow it at once one
 * comes in. An address that signs in already keeps its password; `knowsPassword` says whether the one given is right.
 * @throws invitation-over, invalid-input
 * @returns the address to sign in with
 */
export async function acceptInvitation(
  context: Context,
  token: string,
  input: unknown,
  knowsPassword: (email: string, password: string) => Promise<boolean>,
): Promise<string> {
  const { name, password } = parse(joinTeamInput, input);
  const { email, hasAccount } = await invitationFor(context, token);
  if (hasAccount && !(await knowsPassword(email, password)))
    throw new Refusal({ code: "invalid-input", issues: [{ path: "password", code: "password-wrong", facts: {} }] });
  // outside the transaction: it is slow on purpose
  const hash = hasAccount ? null : await hashPassword(password);
  return context.db.transaction(async (tx) => {
    const row = await byToken(context, tx, token, true);
    const { organisationId, standing } = row;
    const userId = hash === null ? await userOf(tx, email) : await makeUser(context, tx, { name, email, hash });
    const person = await personByEmail(context, tx, organisationId, { name, email });
    if (person.isNew) await tx.update(people).set({ name }).where(eq(people.id, person.id));
    await tx.insert(members).values({ organisationId, userId, personId: person.id, standing }).onConflictDoNothing();
    await tx.update(teamInvitations).set({ acceptedAt: context.clock.now() }).where(eq(teamInvitations.id, row.id));
    await audit(context, tx, { organisationId, actorId: userId, action: "team.join", facts: { invitationId: row.id } });
    return email;
  });
}

const userOf = async (tx: Db, email: string): Promise<string> =>
  oneOf(await tx.select({ id: user.id }).from(user).where(eq(user.email, email)), "account").id;

async function makeUser(
  context: Context,
  tx: Db,
  { name, email, hash }: { name: string; email: string; hash: string },
): Promise<string> {
  const userId = context.ids.id();
  // the letter proved the address
  await tx.insert(user).values({ id: userId, name, email, emailVerified: true });
  await tx
    .insert(account)
    .values({ id: context.ids.id(), accountId: userId, providerId: "credential", userId, password: hash });
  return userId;
}
