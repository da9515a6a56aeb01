import { eq } from "drizzle-orm";
import { houseRulesInput } from "@/contracts";
import { brokenLimits, standardRules, type HouseRules } from "@/core/organisation";
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

/** Refuses a plan beyond the house limits. */
export function requireWithinLimits(
  rules: HouseRules,
  plan: { durationMinutes: number; houseSize: number; onStage: number },
): void {
  const broken = brokenLimits(rules, plan)[0];
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
