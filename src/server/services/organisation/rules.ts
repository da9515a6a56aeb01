import { eq } from "drizzle-orm";
import { houseRulesInput } from "@/contracts";
import {
  brokenLimits,
  newlyBrokenLimits,
  standardRules,
  type HouseRules,
  type LimitedSizes,
} from "@/core/organisation";
import { Refusal } from "@/core/shared";
import { organisations } from "../../db/schema";
import { requireStanding, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { oneOf, parse, type Context } from "../ground/context";

/** An organisation's house rules: its own over the standard ones. */
export const rulesOf = (organisation: Pick<typeof organisations.$inferSelect, "rules">): HouseRules => ({
  ...standardRules,
  ...organisation.rules,
});

/** Refuses a plan that goes beyond the house limits, and beyond what the event had before. */
export function requireWithinLimits(rules: HouseRules, plan: LimitedSizes, before: LimitedSizes | null): void {
  const broken = (before ? newlyBrokenLimits(rules, plan, before) : brokenLimits(rules, plan))[0];
  if (broken) throw new Refusal({ code: "limit-broken", ...broken });
}

export const organisationOf = async (context: Context, organisationId: string) =>
  oneOf(await context.db.select().from(organisations).where(eq(organisations.id, organisationId)), "organisation");

export const requireOwner = (member: TeamMember): void => requireStanding(member, "house.rules");

export async function saveRules(context: Context, member: TeamMember, input: unknown): Promise<void> {
  requireOwner(member);
  const rules = parse(houseRulesInput, input);
  await context.db.transaction(async (tx) => {
    await tx.update(organisations).set({ rules }).where(eq(organisations.id, member.organisationId));
    await audit(context, tx, { organisationId: member.organisationId, actorId: member.userId, action: "house.rules" });
  });
}
