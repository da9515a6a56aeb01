import { and, count, eq, isNull } from "drizzle-orm";
import { entryCorrectionInput, mergeLinesInput, testInput } from "@/contracts";
import { mergeFault, type Correction } from "@/core/attendance";
import { Refusal } from "@/core/shared";
import { countAgain } from "../../db/queries/count-again";
import { corrections, occurrences } from "../../db/schema";
import { dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, parse, type Context } from "../ground/context";
import { mostCorrections } from "../ground/corrections";
import { dateReport, type DateReport } from "../ground/date-report";

interface About {
  readonly eventId: string;
  readonly occurrenceId: string;
}
type Kept = Pick<typeof corrections.$inferInsert, "kind" | "personKey" | "intoKey" | "entryKey" | "inAt" | "outAt"> & {
  readonly reason?: string;
};

/** One correction after the other on each date: what is checked still holds when it is written. */
async function correct(
  context: Context,
  member: TeamMember,
  { eventId, occurrenceId }: About,
  check: (data: DateReport) => Kept,
): Promise<{ readonly id: string }> {
  const access = await dateAccess(context, member, eventId, occurrenceId, "report.correct");
  return context.db.transaction(async (tx) => {
    await tx.select({ id: occurrences.id }).from(occurrences).where(eq(occurrences.id, occurrenceId)).for("update");
    const within = { ...context, db: tx };
    const kept = check(await dateReport(within, access.event, access.occurrence));
    const [sum] = await tx.select({ n: count() }).from(corrections).where(eq(corrections.occurrenceId, occurrenceId));
    if (sum!.n >= mostCorrections) throw new Refusal({ code: "too-many-rows", most: mostCorrections });
    const id = context.ids.id();
    await tx.insert(corrections).values({
      id,
      organisationId: member.organisationId,
      occurrenceId,
      actorId: member.userId,
      at: context.clock.now(),
      ...kept,
    });
    await countAgain(tx, occurrenceId);
    await audit(within, tx, {
      organisationId: member.organisationId,
      actorId: member.userId,
      action: "report.correct",
      eventId,
      occurrenceId,
      facts: { kind: kept.kind, correction: id },
    });
    return { id };
  });
}

const live = ({ corrections: rows }: DateReport): Correction[] =>
  rows.flatMap((one) => (one.undoneAt === null ? [one.correction] : []));
const requireLine = (data: DateReport, personKey: string): void => {
  if (!data.people.has(personKey)) throw notFound("person");
};

/** Two lines are one person. Refused for people who were on stage at once: they are two. */
export async function mergeLines(context: Context, member: TeamMember, about: About, rawInput: unknown) {
  const { personKey, intoKey } = parse(mergeLinesInput, rawInput);
  return correct(context, member, about, (data) => {
    for (const key of [personKey, intoKey]) requireLine(data, key);
    const why = mergeFault(data.rawEntries, live(data), personKey, intoKey);
    if (why) throw new Refusal({ code: "merge-refused", why });
    return { kind: "merge", personKey, intoKey };
  });
}

/** Somebody only tried: they count in no figure. */
export async function markAsTest(context: Context, member: TeamMember, about: About, rawInput: unknown) {
  const { personKey } = parse(testInput, rawInput);
  return correct(context, member, about, (data) => {
    requireLine(data, personKey);
    if (live(data).some((one) => one.kind === "test" && one.personKey === personKey))
      throw new Refusal({ code: "already-done", action: "report.correct" });
    return { kind: "test", personKey };
  });
}

/** An entry was from and to another instant. One that was put right before is put right anew. */
export async function correctEntry(context: Context, member: TeamMember, about: About, rawInput: unknown) {
  const { entryKey, inAt, outAt, reason } = parse(entryCorrectionInput, rawInput);
  return correct(context, member, about, (data) => {
    const entry = data.rawEntries.find((one) => one.entryKey === entryKey);
    if (!entry) throw notFound("entry");
    return { kind: "entry", personKey: entry.personKey, entryKey, inAt, outAt, reason };
  });
}

/** As if it had never been put right. */
export async function undoCorrection(
  context: Context,
  member: TeamMember,
  { eventId, occurrenceId }: About,
  correctionId: string,
): Promise<void> {
  await dateAccess(context, member, eventId, occurrenceId, "report.correct");
  await context.db.transaction(async (tx) => {
    const undone = await tx
      .update(corrections)
      .set({ undoneAt: context.clock.now() })
      .where(
        and(eq(corrections.id, correctionId), eq(corrections.occurrenceId, occurrenceId), isNull(corrections.undoneAt)),
      )
      .returning({ id: corrections.id });
    if (undone.length === 0) throw new Refusal({ code: "nothing-to-undo" });
    await countAgain(tx, occurrenceId);
    await audit({ ...context, db: tx }, tx, {
      organisationId: member.organisationId,
      actorId: member.userId,
      action: "report.undo-correction",
      eventId,
      occurrenceId,
      facts: { correction: correctionId },
    });
  });
}
