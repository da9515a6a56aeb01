import { eq } from "drizzle-orm";
import { recordStoreInput, type StatementPost } from "@/contracts";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { recordStores, statementPosts } from "../../db/schema";
import { dateAccess, requireStanding, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { parse, wrongInput, type Context } from "../ground/context";

/** The organisation's record store, without what opens it. */
export interface RecordStore {
  readonly url: string;
  readonly userName: string;
}

export async function recordStoreOf(context: Context, member: TeamMember): Promise<RecordStore | null> {
  requireStanding(member, "contacts.read");
  const [row] = await context.db
    .select({ url: recordStores.url, userName: recordStores.userName })
    .from(recordStores)
    .where(eq(recordStores.organisationId, member.organisationId));
  return row ?? null;
}

/** Keeps where statements go; the password is sealed, and shown to nobody again. */
export async function saveRecordStore(context: Context, member: TeamMember, rawInput: unknown): Promise<void> {
  requireStanding(member, "house.rules");
  const { url, userName, password } = parse(recordStoreInput, rawInput);
  const { organisationId, userId } = member;
  await context.db.transaction(async (tx) => {
    const own = eq(recordStores.organisationId, organisationId);
    const [before] = await tx.select().from(recordStores).where(own).for("update");
    // a kept password goes to the address it was typed for, and to no other
    const isSamePlace = before?.url === url && before.userName === userName;
    if (url === "") await tx.delete(recordStores).where(own);
    else if (password === "" && !isSamePlace) throw wrongInput("password", "needed");
    else {
      const passwordSealed = password === "" ? before!.passwordSealed : context.secrets.seal(password);
      const values = { url, userName, passwordSealed };
      await tx
        .insert(recordStores)
        .values({ organisationId, ...values })
        .onConflictDoUpdate({ target: recordStores.organisationId, set: values });
    }
    await audit({ ...context, db: tx }, tx, { organisationId, actorId: userId, action: "record-store.set" });
  });
}

/** Asks for a date's statements to be posted; again from the first one, for the store knows each by its id. */
export async function postStatements(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<void> {
  const { organisationId, userId } = member;
  await dateAccess(context, member, eventId, occurrenceId, "credit.issue");
  await context.db.transaction(async (tx) => {
    if ((await tx.$count(recordStores, eq(recordStores.organisationId, organisationId))) === 0)
      throw new Refusal({ code: "no-record-store" });
    const now = context.clock.now();
    const fresh = { askedAt: now, dueAt: now, attempts: 0, sent: 0, total: null, answer: null };
    await tx
      .insert(statementPosts)
      .values({ occurrenceId, organisationId, ...fresh })
      .onConflictDoUpdate({ target: statementPosts.occurrenceId, set: fresh });
    await audit({ ...context, db: tx }, tx, {
      organisationId,
      actorId: userId,
      action: "record-store.post",
      eventId,
      occurrenceId,
    });
  });
}

/** How a date's posting stands; null where none was asked for. */
export async function statementPostOf(db: Db, occurrenceId: string): Promise<StatementPost | null> {
  const [row] = await db.select().from(statementPosts).where(eq(statementPosts.occurrenceId, occurrenceId));
  if (!row) return null;
  const { sent, total, askedAt, answer, dueAt } = row;
  const ended = answer === "answered" ? "posted" : answer === "refused" ? "refused" : "given-up";
  return { state: dueAt === null ? ended : answer === "silent" ? "waits" : "on-its-way", sent, total, askedAt };
}
