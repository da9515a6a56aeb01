import { and, asc, eq } from "drizzle-orm";
import { creditChangeInput } from "@/contracts";
import { numberLength, readNumber, whatIf, type CreditRule, type WhatIf } from "@/core/attendance";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { credits, occurrences, segments, type CreditChange } from "../../db/schema";
import { networkOf } from "../../platform/client-address";
import { dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, parse, type Context } from "../ground/context";
import { creditRuleOf } from "../ground/credit-rule";
import { dateReport, type DateReport } from "../ground/date-report";
import { countTries } from "../ground/tries";

export type CreditRow = typeof credits.$inferSelect;
const mostCredits = 20_000;

export const creditsOf = (db: Db, occurrenceId: string): Promise<CreditRow[]> =>
  db
    .select()
    .from(credits)
    .where(eq(credits.occurrenceId, occurrenceId))
    .orderBy(asc(credits.name), asc(credits.number))
    .limit(mostCredits);

export interface CreditPage {
  readonly rule: CreditRule | null;
  readonly whatIf: readonly WhatIf[];
  /** measured against segments, not the whole show */
  readonly isOfSegments: boolean;
  readonly issued: readonly CreditRow[];
  /** earned, and not issued yet */
  readonly due: number;
}

/** Lines that earned something and have no certificate. */
const dueOf = ({ report }: DateReport, issued: ReadonlySet<string>) =>
  report.lines.filter((line) => (line.creditPoints ?? 0) > 0 && !issued.has(line.personKey));

/** A date's credit: what each threshold would come to, and what was issued. */
export async function creditPage(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<CreditPage> {
  const { event, occurrence } = await dateAccess(context, member, eventId, occurrenceId, "event.read");
  const [data, issued] = await Promise.all([
    dateReport(context, event, occurrence),
    creditsOf(context.db, occurrenceId),
  ]);
  const rule = creditRuleOf(event);
  const came = data.report.lines.filter((line) => line.role === "attendee" && line.minutesPresent > 0);
  return {
    rule,
    whatIf: rule ? whatIf(came, rule) : [],
    isOfSegments:
      (await context.db.$count(
        segments,
        and(eq(segments.occurrenceId, occurrenceId), eq(segments.carriesCredit, true)),
      )) > 0,
    issued,
    due: dueOf(data, new Set(issued.map((one) => one.personKey))).length,
  };
}

/**
 * Issues certificates to everybody who earned something and has none. Of two producers at once the second finds
 * nothing left to issue. @returns how many were issued
 */
export async function issueCredit(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<number> {
  const access = await dateAccess(context, member, eventId, occurrenceId, "credit.issue");
  const { organisationId, userId } = member;
  return context.db.transaction(async (tx) => {
    await tx.select({ id: occurrences.id }).from(occurrences).where(eq(occurrences.id, occurrenceId)).for("update");
    const within = { ...context, db: tx };
    const data = await dateReport(within, access.event, access.occurrence);
    const before = await creditsOf(tx, occurrenceId);
    const due = dueOf(data, new Set(before.map((one) => one.personKey)));
    if (due.length === 0)
      throw new Refusal(before.length > 0 ? { code: "already-done", action: "credit.issue" } : { code: "no-credit" });
    const issuedAt = context.clock.now();
    const rows = due.map((line): typeof credits.$inferInsert => ({
      id: context.ids.id(),
      organisationId,
      occurrenceId,
      personKey: line.personKey,
      personId: data.persons.get(line.personKey)?.personId || null,
      ticketId: data.persons.get(line.personKey)?.ticketId ?? null,
      number: context.ids.code(numberLength).toUpperCase(),
      name: line.name,
      points: line.creditPoints!,
      outOf: access.event.creditPoints!,
      minutesPresent: line.minutesPresent,
      issuedAt,
    }));
    for (let i = 0; i < rows.length; i += 1000) await tx.insert(credits).values(rows.slice(i, i + 1000));
    await audit(within, tx, {
      organisationId,
      actorId: userId,
      action: "credit.issue",
      eventId,
      occurrenceId,
      facts: { certificates: rows.length },
    });
    return rows.length;
  });
}

/** Puts a certificate's points right, withdraws it or lets it stand again; what stood before is kept. */
export async function changeCredit(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  rawInput: unknown,
): Promise<void> {
  const { creditId, points, isWithdrawn, why } = parse(creditChangeInput, rawInput);
  await dateAccess(context, member, eventId, occurrenceId, "credit.issue");
  await context.db.transaction(async (tx) => {
    const [row] = await tx
      .select()
      .from(credits)
      .where(and(eq(credits.id, creditId), eq(credits.occurrenceId, occurrenceId)))
      .for("update");
    if (!row) throw notFound("certificate");
    const now = context.clock.now();
    const before: CreditChange = {
      at: now,
      actorId: member.userId,
      points: row.points,
      isWithdrawn: row.withdrawnAt !== null,
      why,
    };
    await tx
      .update(credits)
      .set({
        points,
        withdrawnAt: isWithdrawn ? (row.withdrawnAt ?? now) : null,
        trail: [...row.trail, before].slice(-50),
      })
      .where(eq(credits.id, creditId));
    await audit({ ...context, db: tx }, tx, {
      organisationId: member.organisationId,
      actorId: member.userId,
      action: isWithdrawn ? "credit.withdraw" : "credit.correct",
      eventId,
      occurrenceId,
      facts: { certificate: creditId },
    });
  });
}

export type NumberState = "valid" | "withdrawn" | "unknown";

/** Whether a certificate is valid, and nothing more. Who tries number after number is slowed down. */
export async function stateOfNumber(context: Context, typed: string, remote: string): Promise<NumberState> {
  const number = readNumber(typed);
  if (!number) return "unknown";
  await countTries(context, [["certificate-number", networkOf(remote)]]);
  const [row] = await context.db
    .select({ withdrawnAt: credits.withdrawnAt })
    .from(credits)
    .where(eq(credits.number, number));
  return !row ? "unknown" : row.withdrawnAt === null ? "valid" : "withdrawn";
}

/** The certificate that a ticket earned; null for none. */
export async function creditOfTicket(db: Db, occurrenceId: string, ticketId: string): Promise<CreditRow | null> {
  const [row] = await db
    .select()
    .from(credits)
    .where(and(eq(credits.occurrenceId, occurrenceId), eq(credits.ticketId, ticketId)));
  return row ?? null;
}
