import { noDial } from "@/server/platform/phone-dial";
import { noCrowd } from "@/server/services/ground/crowd-port";
import { mainRoomOf } from "@/server/db/queries/journal";
import { randomUUID } from "node:crypto";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import pg from "pg";
import { freshPlan, type PlanInput } from "@/contracts";
import { standardRules } from "@/core/organisation";
import { openDatabase, type Database } from "@/server/db/client";
import { admissions, stays, members, organisations, people, tickets, user } from "@/server/db/schema";
import { makeCertificate } from "@/server/workers/certificate";
import { makeDeck } from "@/server/workers/deck-maker";
import { mediaInThread } from "@/server/workers/media-worker";
import { sumsHere } from "@/server/workers/sums";
import { folderStorage } from "@/server/files/folder-storage";
import { noInbox } from "@/server/mail/inbox";
import type { OutgoingMail } from "@/server/mail/mailer";
import { randomIds } from "@/server/platform/ids";
import { silentLog } from "@/server/platform/log";
import { noQueue } from "@/server/platform/queue";
import { makeSecrets } from "@/server/platform/secrets";
import type { TeamMember } from "@/server/services/ground/access";
import type { Context } from "@/server/services/ground/context";
import { createEvent } from "@/server/services/planning/events";
import { publishEvent } from "@/server/services/planning/event-life";
import { RoomCache } from "@/server/services/ground/room/commands";
import type { Role } from "@/core/people";

export const startOfTime = Date.parse("2026-11-24T09:00:00Z");

/** Browsers of tests find one another by themselves. */
const noServersBetween = { STAGE_CALL_STUN: [], STAGE_CALL_TURN: [] };

/** A database of its own, a clock that only the test moves, and a post box that keeps what is sent. */
export interface World {
  readonly context: Context;
  readonly database: Database;
  readonly databaseUrl: string;
  readonly clock: { now(): number; set(at: number): void; advance(ms: number): void };
  readonly sent: OutgoingMail[];
  /** what the next mails are answered with; 250 when empty */
  readonly replies: (number | null)[];
  readonly cache: RoomCache;
  readonly owner: TeamMember;
  readonly organisationId: string;
  close(): Promise<void>;
}

const clusterUrl = (): string => {
  const url = process.env["TEST_CLUSTER_URL"];
  if (!url) throw new Error("run these through `npm test`: they need its database");
  return url;
};

async function onCluster(statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: `${clusterUrl()}/postgres` });
  await client.connect();
  try {
    await client.query(statement);
  } finally {
    await client.end();
  }
}

const environmentOf = (databaseUrl: string): Context["environment"] => ({
  DATABASE_URL: databaseUrl,
  STAGE_CALL_URL: "https://stage.example.org",
  STAGE_CALL_SECRET: "",
  STAGE_CALL_FILES: "",
  SMTP_URL: "",
  STAGE_CALL_TRUSTED_HOPS: 0,
  ...noServersBetween,
  STAGE_CALL_TRIES: "strict",
  STAGE_CALL_UI_KIT: "hidden",
  STAGE_CALL_PHONE_LINE: "stand-in",
  STAGE_CALL_UPLOAD_LIMIT_MB: 1,
  STAGE_CALL_STORE_LIMIT_GB: 200,
  STAGE_CALL_MAILS_PER_SECOND: 100_000,
});

export async function makeWorld(): Promise<World> {
  const name = `t_${randomUUID().replaceAll("-", "")}`;
  for (let tries = 0; ; tries += 1) {
    try {
      await onCluster(`create database ${name} template stagecall_template`);
      break;
    } catch (error) {
      // another file copies the template at this very moment
      if (tries > 40) throw error;
      await new Promise((done) => setTimeout(done, 50));
    }
  }
  const databaseUrl = `${clusterUrl()}/${name}`;
  const database = openDatabase(databaseUrl, silentLog, 12);
  let now = startOfTime;
  const clock = { now: () => now, set: (at: number) => void (now = at), advance: (ms: number) => void (now += ms) };
  const sent: OutgoingMail[] = [];
  const replies: (number | null)[] = [];
  const context: Context = {
    db: database.db,
    clock,
    ids: randomIds,
    log: silentLog,
    secrets: makeSecrets("only-for-tests-0123456789abcdef-0123456789"),
    queue: noQueue,
    mailer: {
      async send(mail) {
        const smtpCode = replies.length > 0 ? replies.shift()! : 250;
        if (smtpCode === 250) sent.push(mail);
        return { smtpCode };
      },
      close: () => {},
    },
    inbox: noInbox,
    storage: folderStorage(mkdtempSync(join(tmpdir(), "stage-call-"))),
    sums: sumsHere,
    makeDeck,
    makeMedia: mediaInThread,
    makeCertificate,
    crowd: noCrowd,
    dial: noDial,
    environment: environmentOf(databaseUrl),
  };
  const organisationId = await addOrganisation(context, null);
  const owner = await addMember(context, organisationId, "owner", "Marit Corrant");
  const close = () => database.close().then(() => onCluster(`drop database if exists ${name} with (force)`));
  return { context, database, databaseUrl, clock, sent, replies, cache: new RoomCache(), owner, organisationId, close };
}

export async function addOrganisation(context: Context, host: string | null): Promise<string> {
  const id = randomUUID();
  const words = {
    name: "Brinewold Shore Trust",
    zone: "Europe/Lisbon",
    senderName: "Brinewold Shore Trust",
    senderEmail: "events@brinewold.example.org",
  };
  await context.db.insert(organisations).values({ id, host, ...words });
  return id;
}

export async function addPerson(
  context: Context,
  organisationId: string,
  name: string,
  email = `${randomUUID().slice(0, 8)}@example.org`,
): Promise<string> {
  const id = randomUUID();
  await context.db
    .insert(people)
    .values({ id, organisationId, name, email, zone: "Europe/Madrid", createdAt: context.clock.now() });
  return id;
}

export async function addMember(
  context: Context,
  organisationId: string,
  standing: TeamMember["standing"],
  name: string,
): Promise<TeamMember> {
  const personId = await addPerson(context, organisationId, name);
  const userId = randomUUID();
  await context.db.insert(user).values({ id: userId, name, email: `${userId}@example.org` });
  await context.db.insert(members).values({ organisationId, userId, personId, standing });
  return { organisationId, userId, personId, standing };
}

/** A plan that is right; tests change what they are about. */
export const goodPlan = (part: Partial<PlanInput> = {}): PlanInput => ({
  ...freshPlan("2026-11-26T18:00", "Europe/Lisbon", standardRules.proposed),
  title: "Tides and the saltmarsh",
  descriptionHtml: "<p>Why the marsh moves.</p>",
  ...part,
});

export interface MadeEvent {
  readonly eventId: string;
  readonly occurrenceId: string;
}

/** A published event of the owner's. */
export async function makeEvent(world: World, part: Partial<PlanInput> = {}): Promise<MadeEvent> {
  const made = await createEvent(world.context, world.owner, goodPlan(part));
  await publishEvent(world.context, world.owner, made.eventId, true);
  return { eventId: made.eventId, occurrenceId: made.occurrenceId! };
}

/** A ticket of some role, straight into the table: for tests that are about the room, not the way there. */
export async function addTicket(
  world: World,
  event: MadeEvent,
  role: Role,
  name: string,
  duties: (typeof tickets.$inferInsert)["duties"] = [],
): Promise<string> {
  const id = randomUUID();
  const personId = await addPerson(world.context, world.organisationId, name);
  const isAudience = role === "attendee" || role === "test-guest";
  await world.context.db.insert(tickets).values({
    id,
    organisationId: world.organisationId,
    eventId: event.eventId,
    occurrenceId: isAudience ? event.occurrenceId : null,
    personId,
    role,
    duties,
    registeredAt: world.clock.now(),
    invitedAt: world.clock.now(),
  });
  return id;
}

/** Somebody's time in the house of a date, as the tables have it afterwards. */
export async function stayed(
  world: World,
  occurrenceId: string,
  ticketId: string,
  {
    fromAt,
    toAt,
    lastSignAt = toAt ?? fromAt,
    device = "computer",
    role = "attendee",
  }: {
    fromAt: number;
    toAt: number | null;
    lastSignAt?: number;
    device?: string;
    role?: string;
  },
): Promise<string> {
  const id = randomUUID();
  const room = await mainRoomOf(world.context.db, occurrenceId);
  const of = { organisationId: world.organisationId, occurrenceId, roomId: room!.id, ticketId, chainId: ticketId };
  await world.context.db
    .insert(stays)
    .values({ id, connectionId: id, ...of, role, device, place: "house", fromAt, toAt, lastSignAt });
  return id;
}

/** Lets somebody into the house of a date, and keeps them there: only who is inside takes part. */
export async function seat(
  world: World,
  event: MadeEvent,
  ticketId: string,
  role: "attendee" | "test-guest" = "attendee",
): Promise<string> {
  const at = world.clock.now();
  const of = { organisationId: world.organisationId, occurrenceId: event.occurrenceId, ticketId };
  const stay = { fromAt: at, toAt: null, lastSignAt: at + 3_600_000, role };
  const id = await stayed(world, event.occurrenceId, ticketId, stay);
  await world.context.db
    .insert(admissions)
    .values({ ...of, admittedAt: at })
    .onConflictDoNothing();
  return id;
}
