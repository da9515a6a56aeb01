import { and, desc, eq, isNull } from "drizzle-orm";
import { summaryLinkInput } from "@/contracts";
import { dayMs } from "@/core/time";
import { events, occurrences, summaryLinks } from "../../db/schema";
import { dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, parse, type Context } from "../ground/context";

/** Tokens of these links are of the first version for good: one that is taken back stays so. */
const version = 0;
const mostShown = 50;

export interface SummaryLink {
  readonly id: string;
  readonly address: string;
  readonly withNames: boolean;
  readonly expiresAt: number;
  readonly isRevoked: boolean;
}

const addressOf = (context: Context, id: string): string =>
  `${context.environment.STAGE_CALL_URL}/summary/${context.secrets.tokenFor(id, version)}`;

/** The links that were given out for a date's summary, newest first. */
export async function summaryLinksOf(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<readonly SummaryLink[]> {
  await dateAccess(context, member, eventId, occurrenceId, "report.share");
  const rows = await context.db
    .select()
    .from(summaryLinks)
    .where(eq(summaryLinks.occurrenceId, occurrenceId))
    .orderBy(desc(summaryLinks.createdAt))
    .limit(mostShown);
  return rows.map((row) => ({
    id: row.id,
    address: addressOf(context, row.id),
    withNames: row.withNames,
    expiresAt: row.expiresAt,
    isRevoked: row.revokedAt !== null,
  }));
}

/** Gives out a link by which whoever has it reads the summary, for so many days. */
export async function makeSummaryLink(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  rawInput: unknown,
): Promise<{ readonly address: string }> {
  await dateAccess(context, member, eventId, occurrenceId, "report.share");
  const { withNames, days } = parse(summaryLinkInput, rawInput);
  const id = context.ids.id();
  const createdAt = context.clock.now();
  await context.db.transaction(async (tx) => {
    await tx.insert(summaryLinks).values({
      id,
      organisationId: member.organisationId,
      occurrenceId,
      withNames,
      createdAt,
      expiresAt: createdAt + days * dayMs,
    });
    await audit({ ...context, db: tx }, tx, {
      organisationId: member.organisationId,
      actorId: member.userId,
      action: "report.share",
      eventId,
      occurrenceId,
      facts: { link: id, days },
    });
  });
  return { address: addressOf(context, id) };
}

/** Takes a link back: it opens nothing from now on. */
export async function revokeSummaryLink(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  linkId: string,
): Promise<void> {
  await dateAccess(context, member, eventId, occurrenceId, "report.share");
  const done = await context.db
    .update(summaryLinks)
    .set({ revokedAt: context.clock.now() })
    .where(
      and(eq(summaryLinks.id, linkId), eq(summaryLinks.occurrenceId, occurrenceId), isNull(summaryLinks.revokedAt)),
    )
    .returning({ id: summaryLinks.id });
  if (done.length === 0) throw notFound("link");
}

/** What a summary's link opens; unknown, forged, taken back and old ones are refused alike. */
export async function summaryBehind(context: Context, token: string) {
  const claim = context.secrets.readToken(token);
  if (!claim?.matches(version)) throw notFound("summary");
  const [row] = await context.db
    .select({ link: summaryLinks, event: events, occurrence: occurrences })
    .from(summaryLinks)
    .innerJoin(occurrences, eq(occurrences.id, summaryLinks.occurrenceId))
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(eq(summaryLinks.id, claim.ticketId));
  const isOpen = row && row.link.revokedAt === null && row.link.expiresAt > context.clock.now();
  if (!isOpen || row.event.deletedAt !== null) throw notFound("summary");
  return { event: row.event, occurrence: row.occurrence, withNames: row.link.withNames };
}
