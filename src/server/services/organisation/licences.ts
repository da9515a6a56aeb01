import { eq } from "drizzle-orm";
import { licencesInput } from "@/contracts";
import type { HouseRules } from "@/core/organisation";
import { Refusal } from "@/core/shared";
import { licences, organisations } from "../../db/schema";
import type { TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { parse, type Context } from "../ground/context";
import { organisationOf, requireOwner, rulesOf } from "./rules";
import { clashUnder, licencesOf } from "./seats";

export interface House {
  readonly name: string;
  readonly zone: string;
  readonly rules: HouseRules;
  readonly licences: readonly { readonly size: number; readonly count: number }[];
  readonly mayEdit: boolean;
}

/** The organisation's licences, limits and proposals. */
export async function house(context: Context, member: TeamMember): Promise<House> {
  const organisation = await organisationOf(context, member.organisationId);
  const counts = new Map<number, number>();
  for (const { size } of await licencesOf(context.db, member.organisationId))
    counts.set(size, (counts.get(size) ?? 0) + 1);
  return {
    name: organisation.name,
    zone: organisation.zone,
    rules: rulesOf(organisation),
    licences: [...counts].map(([size, count]) => ({ size, count })),
    mayEdit: member.standing === "owner",
  };
}

/**
 * Sets how many licences of each size the organisation owns. Fewer than the coming dates need are
 * refused, with the dates; licences that stay keep their ids, so live dates keep theirs.
 */
export async function saveLicences(context: Context, member: TeamMember, input: unknown): Promise<void> {
  requireOwner(member);
  const wanted = parse(licencesInput, input);
  const { organisationId } = member;
  await context.db.transaction(async (tx) => {
    const [organisation] = await tx
      .select()
      .from(organisations)
      .where(eq(organisations.id, organisationId))
      .for("no key update");
    const owned = await licencesOf(tx, organisationId);
    const kept = wanted.flatMap(({ size, count }) => owned.filter((one) => one.size === size).slice(0, count));
    const fresh = wanted.flatMap(({ size, count }) => {
      const missing = Math.max(0, count - owned.filter((one) => one.size === size).length);
      return Array.from({ length: missing }, () => ({
        id: context.ids.id(),
        organisationId,
        size,
        createdAt: context.clock.now(),
      }));
    });
    const next = [...kept, ...fresh];
    const dates =
      next.length === 0
        ? []
        : await clashUnder(context, tx, organisationId, next, rulesOf(organisation!).overrunMinutes);
    if (dates.length > 0) throw new Refusal({ code: "licences-in-use", dates });
    for (const one of owned) if (!kept.includes(one)) await tx.delete(licences).where(eq(licences.id, one.id));
    if (fresh.length > 0) await tx.insert(licences).values(fresh);
    await audit(context, tx, {
      organisationId,
      actorId: member.userId,
      action: "house.licences",
      facts: { count: next.length },
    });
  });
}
