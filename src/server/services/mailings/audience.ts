import { and, eq, inArray, isNull, sql } from "drizzle-orm";
import {
  nobody,
  readAddresses,
  type Audience,
  type AudienceStanding,
  type ComposedKind,
  type ListedAddress,
} from "@/core/mailings";
import type { Db } from "../../db/client";
import { isCountedRole } from "../../db/queries/roles";
import { contactGroups, groupMembers, invitees, people, tickets } from "../../db/schema";
import { inBook } from "../people/contacts/book";
import type { Context } from "../ground/context";
import { whoCame, whoCameToEvent } from "../ground/who-came";

/** Somebody a mailing would reach. New addresses have no person until it is sent. */
export interface Target {
  readonly personId: string | null;
  readonly ticketId: string | null;
  readonly name: string;
  readonly email: string;
}

export interface AudienceCount {
  readonly targets: readonly Target[];
  /** named more than once */
  readonly twice: number;
  /** invited before, or registered: an invitation would be one too many */
  readonly already: number;
  readonly unsubscribed: number;
  readonly failed: number;
  /** taken out by hand */
  readonly byHand: number;
  /** what was pasted and holds no address */
  readonly unread: readonly string[];
  /** each who was named and gets nothing, with the reason */
  readonly leftOut: readonly LeftOut[];
}

/** Why somebody who was named is left out. */
export type LeaveReason = "already" | "unsubscribed" | "failed" | "by-hand";
export interface LeftOut {
  readonly name: string;
  readonly email: string;
  readonly why: LeaveReason;
}

type Found = { personId: string; ticketId: string | null };

/** People of one event by where they stand; of its date alone where one is given. */
async function byStanding(
  context: Context,
  db: Db,
  eventId: string,
  dateId: string | null,
  standing: AudienceStanding,
): Promise<Found[]> {
  const { id: ticketId, personId } = tickets;
  const select = () => db.select({ personId, ticketId }).from(tickets);
  const ofEvent = and(
    eq(tickets.eventId, eventId),
    isNull(tickets.revokedAt),
    dateId && standing !== "stage" ? eq(tickets.occurrenceId, dateId) : undefined,
  );
  // whom a file brought in was there, and has not registered
  const hasRegistered = sql`${tickets.source} is distinct from 'import'`;
  const registered = and(ofEvent, eq(tickets.role, "attendee"), eq(tickets.status, "registered"), hasRegistered);
  switch (standing) {
    case "registered":
      return select().where(registered);
    case "waiting":
      return select().where(and(ofEvent, eq(tickets.role, "attendee"), eq(tickets.status, "waiting")));
    case "came":
    case "missed":
      return [...(dateId ? await whoCame(context, dateId) : await whoCameToEvent(context, eventId))[standing]];
    case "stage":
      return select().where(and(ofEvent, isNull(tickets.occurrenceId)));
    case "unanswered": {
      const rows = await db
        .select({ personId: invitees.personId })
        .from(invitees)
        .where(
          and(
            eq(invitees.eventId, eventId),
            isNull(invitees.reply),
            sql`not exists (select 1 from tickets t where t.event_id = ${invitees.eventId} and t.person_id = ${invitees.personId} and ${isCountedRole(sql`t.role`)} and t.status <> 'cancelled')`,
          ),
        );
      return rows.map((row) => ({ ...row, ticketId: null }));
    }
  }
}

const pastStanding = { registered: "registered", came: "came", missed: "missed" } as const;

async function found(
  context: Context,
  db: Db,
  organisationId: string,
  eventId: string,
  dateId: string | null,
  audience: Audience,
): Promise<Found[]> {
  const parts = await Promise.all([
    ...audience.standing.map((standing) => byStanding(context, db, eventId, dateId, standing)),
    ...audience.past.map(async ({ eventId: pastId, who }) => {
      const rows = await byStanding(context, db, pastId, null, pastStanding[who]);
      return rows.map((row) => ({ personId: row.personId, ticketId: null }));
    }),
  ]);
  const direct: Found[] = audience.personIds.map((personId) => ({ personId, ticketId: null }));
  if (audience.groups.length > 0) {
    const rows = await db
      .select({ personId: groupMembers.personId })
      .from(groupMembers)
      .innerJoin(contactGroups, eq(contactGroups.id, groupMembers.groupId))
      .where(and(eq(contactGroups.organisationId, organisationId), inArray(contactGroups.name, [...audience.groups])));
    direct.push(...rows.map((row) => ({ ...row, ticketId: null })));
  }
  if (audience.tags.length > 0) {
    const tagged = await db
      .select({ personId: people.id })
      .from(people)
      .where(and(inBook(organisationId), sql`${people.tags} && ${sql.param([...audience.tags])}::text[]`));
    direct.push(...tagged.map((row) => ({ ...row, ticketId: null })));
  }
  return [...parts.flat(), ...direct];
}

async function inChunks<T, R>(items: readonly T[], read: (chunk: T[]) => Promise<R[]>): Promise<R[]> {
  const out: R[] = [];
  for (let from = 0; from < items.length; from += 5000) out.push(...(await read(items.slice(from, from + 5000))));
  return out;
}

/** Whom a mailing would reach, and who is left out and why. Nothing is kept. */
export async function countAudience(
  context: Context,
  db: Db,
  about: { organisationId: string; eventId: string; dateId: string | null; kind: ComposedKind | "invitation-again" },
  kept: Audience,
): Promise<AudienceCount> {
  // one that was kept before there were tags and exceptions
  const audience = { ...nobody, ...kept };
  const { organisationId, eventId } = about;
  const pasted = readAddresses(audience.pasted);
  const named = await found(context, db, organisationId, eventId, about.dateId, audience);
  const byAddress = await inChunks(
    pasted.addresses.map((one) => one.email),
    (chunk) =>
      db
        .select()
        .from(people)
        .where(and(inBook(organisationId), inArray(people.email, chunk))),
  );
  const known = new Map(byAddress.map((row) => [row.email!, row]));
  const ticketOf = new Map<string, string | null>();
  let twice = pasted.duplicates;
  for (const one of [...named, ...byAddress.map((row) => ({ personId: row.id, ticketId: null }))]) {
    if (ticketOf.has(one.personId)) twice += 1;
    ticketOf.set(one.personId, ticketOf.get(one.personId) ?? one.ticketId);
  }
  const folk = await inChunks([...ticketOf.keys()], (chunk) =>
    db
      .select()
      .from(people)
      .where(and(inBook(organisationId), inArray(people.id, chunk))),
  );
  const skipped = about.kind === "invitation" ? await haveBeenAsked(db, eventId) : new Set<string>();
  const fresh = pasted.addresses.filter((one) => !known.has(one.email));
  const whyNot = reasonsOf(audience, skipped);
  const leftOut = [...folk, ...fresh].flatMap((row): LeftOut[] => {
    const why = whyNot(row);
    return why ? [{ name: row.name ?? "", email: row.email ?? "", why }] : [];
  });
  return {
    targets: [
      ...folk
        .filter((row) => whyNot(row) === null)
        .map(({ id, name, email }) => ({
          personId: id,
          ticketId: ticketOf.get(id) ?? null,
          name: name ?? "",
          email: email!,
        })),
      ...fresh.filter((one) => whyNot(one) === null).map((one) => ({ personId: null, ticketId: null, ...one })),
    ],
    twice,
    ...countsOf(leftOut),
    unread: pasted.unread.slice(0, 100),
    leftOut,
  };
}

/** Why somebody gets nothing: taken out by hand, no mail wanted, mail that came back, asked before. */
function reasonsOf(audience: Audience, skipped: ReadonlySet<string>) {
  const except = new Set(audience.except.map((one) => one.toLowerCase()));
  return (row: { readonly email: string | null } & Partial<typeof people.$inferSelect>): LeaveReason | null => {
    if (except.has(row.email ?? "")) return "by-hand";
    if (row.unsubscribedAt) return "unsubscribed";
    if (row.addressFailedAt) return "failed";
    return row.id && skipped.has(row.id) ? "already" : null;
  };
}

function countsOf(leftOut: readonly LeftOut[]) {
  const count = (why: LeaveReason): number => leftOut.filter((one) => one.why === why).length;
  return {
    already: count("already"),
    unsubscribed: count("unsubscribed"),
    failed: count("failed"),
    byHand: count("by-hand"),
  };
}

/** Those who were invited to an event or hold a ticket of it. */
async function haveBeenAsked(db: Db, eventId: string): Promise<ReadonlySet<string>> {
  const [asked, holding] = await Promise.all([
    db.select({ id: invitees.personId }).from(invitees).where(eq(invitees.eventId, eventId)),
    db
      .select({ id: tickets.personId })
      .from(tickets)
      .where(
        and(
          eq(tickets.eventId, eventId),
          isNull(tickets.revokedAt),
          inArray(tickets.status, ["registered", "waiting", "pending"]),
        ),
      ),
  ]);
  return new Set([...asked, ...holding].map((row) => row.id));
}

/** People for addresses that nobody had yet, made in one step. */
export async function makePeople(
  context: Context,
  tx: Db,
  organisationId: string,
  fresh: readonly ListedAddress[],
): Promise<ReadonlyMap<string, string>> {
  const out = new Map<string, string>();
  for (let from = 0; from < fresh.length; from += 1000) {
    const chunk = fresh.slice(from, from + 1000);
    await tx
      .insert(people)
      .values(
        chunk.map(({ name, email }) => ({
          id: context.ids.id(),
          organisationId,
          name: name || email.split("@")[0]!,
          email,
          createdAt: context.clock.now(),
        })),
      )
      .onConflictDoNothing();
    const rows = await tx
      .select({ id: people.id, email: people.email })
      .from(people)
      .where(
        and(
          eq(people.organisationId, organisationId),
          inArray(
            people.email,
            chunk.map((one) => one.email),
          ),
        ),
      );
    for (const row of rows) out.set(row.email!, row.id);
  }
  return out;
}
