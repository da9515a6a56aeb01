import { timingSafeEqual } from "node:crypto";
import { eq } from "drizzle-orm";
import { members, user } from "../../db/schema";
import { audit } from "./audit";
import type { Context } from "./context";
import { countTries, type Try } from "./tries";

/** What a browser keeps that has signed in as this address once: it can be recognised, and made by nobody else. */
export const deviceMark = (context: Pick<Context, "secrets">, email: string): string =>
  context.secrets.fingerprint(`signed in before|${email}`);

function isKnown(context: Context, email: string, mark: string | null): boolean {
  const own = Buffer.from(deviceMark(context, email));
  const shown = Buffer.from(mark ?? "");
  return shown.length === own.length && timingSafeEqual(shown, own);
}

/**
 * Counts one try to sign in: by address and network together, and each alone far more generously, so that whoever
 * guesses from elsewhere locks nobody out at show time. A device that has been in before is counted for itself.
 * @throws too-many-tries
 */
export async function countSignIn(
  context: Context,
  { email, network, mark }: { readonly email: string; readonly network: string; readonly mark: string | null },
): Promise<void> {
  const wanted: readonly Try[] = isKnown(context, email, mark)
    ? [["sign-in-of-device", `${email}|${network}`]]
    : [
        ["sign-in", `${email}|${network}`],
        ["sign-in-in-an-hour", `${email}|${network}`],
        ["sign-in-in-a-day", `${email}|${network}`],
        ["sign-in-of-network", network],
        ["sign-in-of-address", email],
      ];
  await countTries(context, wanted);
}

/** Counts one try at the second step. The library locks the account's codes after ten of its own besides. @throws too-many-tries */
export const countSecondStep = (context: Context, email: string, network: string): Promise<void> =>
  countTries(context, [
    ["sign-in", `second step|${email}|${network}`],
    ["sign-in-of-network", network],
  ]);

/** Writes down that somebody signed in, or was refused: by ids, never with what they typed. An unknown address leaves nothing. */
export async function noteSignIn(context: Context, email: string, isIn: boolean): Promise<void> {
  const [who] = await context.db
    .select({ userId: user.id, organisationId: members.organisationId })
    .from(user)
    .innerJoin(members, eq(members.userId, user.id))
    .where(eq(user.email, email));
  if (!who) return;
  const { userId: actorId, organisationId } = who;
  await audit(context, context.db, { organisationId, actorId, action: isIn ? "sign-in" : "sign-in.refused" });
}
