import { and, eq } from "drizzle-orm";
import { hashPassword } from "better-auth/crypto";
import { newPasswordInput } from "@/contracts";
import { Refusal } from "@/core/shared";
import { hourMs } from "@/core/time";
import type { Db } from "../../db/client";
import { account, members, passwordResets, session, user } from "../../db/schema";
import { audit } from "../ground/audit";
import { notFound, oneOf, parse, type Context } from "../ground/context";
import { planLetter } from "../ground/letters";
import { countTries } from "../ground/tries";

/** How long the link can be followed. */
const lifeMs = hourMs;

/**
 * Sends a link to choose a new password to whoever signs in with this address. The answer is the same where nobody
 * does: it tells nothing of who is in the team.
 * @throws too-many-tries
 */
export async function askForPassword(
  context: Context,
  organisationId: string,
  typed: string,
  network: string,
): Promise<void> {
  const email = typed.trim().toLowerCase();
  await countTries(context, [
    ["sign-in-of-network", `forgot|${network}`],
    ["mail-to-address", `forgot|${email}`],
  ]);
  const [who] = await context.db
    .select({ userId: user.id, name: user.name })
    .from(user)
    .innerJoin(members, eq(members.userId, user.id))
    .where(and(eq(user.email, email), eq(members.organisationId, organisationId)));
  if (!who) return;
  const now = context.clock.now();
  const resetId = context.ids.id();
  await context.db.transaction(async (tx) => {
    await tx
      .insert(passwordResets)
      .values({ id: resetId, organisationId, userId: who.userId, createdAt: now, expiresAt: now + lifeMs });
    const to = { name: who.name, email };
    await planLetter(context, tx, organisationId, to, { kind: "password-reset", resetId });
    await audit(context, tx, { organisationId, actorId: who.userId, action: "password.forgotten" });
  });
}

/** A link that is still good. @throws not-found, invitation-over */
async function openReset(context: Context, db: Db, token: string, isLocked: boolean) {
  const claim = context.secrets.readToken(token);
  if (!claim?.matches(0)) throw notFound("link");
  const query = db.select().from(passwordResets).where(eq(passwordResets.id, claim.ticketId));
  const row = oneOf(isLocked ? await query.for("no key update") : await query, "link");
  if (row.usedAt !== null || row.expiresAt <= context.clock.now()) throw new Refusal({ code: "invitation-over" });
  return row;
}

/** Whether a link can still be followed. @throws not-found, invitation-over */
export const requireOpenReset = async (context: Context, token: string): Promise<void> =>
  void (await openReset(context, context.db, token, false));

/** Sets the new password; every session ends, and a second step stays. */
export async function setForgottenPassword(context: Context, token: string, input: unknown): Promise<void> {
  const { password } = parse(newPasswordInput, input);
  await requireOpenReset(context, token);
  // outside the transaction: it is slow on purpose
  const hash = await hashPassword(password);
  await context.db.transaction(async (tx) => {
    const { id, organisationId, userId } = await openReset(context, tx, token, true);
    await tx
      .update(account)
      .set({ password: hash })
      .where(and(eq(account.userId, userId), eq(account.providerId, "credential")));
    await tx.delete(session).where(eq(session.userId, userId));
    // every other link that was asked for is over with it
    await tx.update(passwordResets).set({ usedAt: context.clock.now() }).where(eq(passwordResets.userId, userId));
    await audit(context, tx, { organisationId, actorId: userId, action: "password.reset", facts: { resetId: id } });
  });
}
