import { hashPassword } from "better-auth/crypto";
import { eq } from "drizzle-orm";

import { dayMs, hourMs, instantOf, minuteMs, wallTimeAt } from "../../src/core/time";
import type { Context } from "../../src/server/services/ground/context";
import { account, members, organisations, people, seeded, tickets, user } from "../../src/server/db/schema";

import { demoMails, demoRecording } from "./after-dates";
import { insertDate } from "./date-rows";
import { demoEarlierDates } from "./earlier-dates";
import { insertSheet } from "./sheet";
import { makeDecks } from "../../src/server/services/hour/make-decks";
import { demoSlides, turnedPages } from "./slides";
import { makeChance, type Chance } from "./chance";
import type { TeamMember } from "../../src/server/services/ground/access";
import { fillPastDate } from "./past-date";
import { seedWayIn } from "./way-in";
import { seedPlanning } from "./planning";
import { familyNames, givenNames, organisation, segmentSets, zones } from "./words";
import { DemoEvent, demoEvents, demoTitles } from "./events";

export const demoPassword = "salt-marsh-at-dawn";
export const demoTeam = [
  { name: "Marit Corrant", email: "marit@brinewold.example.org", standing: "owner" },
  { name: "Nuno Fenmoor", email: "nuno@brinewold.example.org", standing: "crew" },
] as const;

/** Dates further away than this stand at the hour at which people hold them. */
const aboutNowMinutes = 300;

class Seeder {
  private readonly crowd: string[] = [];
  private readonly organisationId: string;
  constructor(
    private readonly context: Context,
    private readonly chance: Chance,
    private readonly now: number,
  ) {
    this.organisationId = chance.id();
  }

  private async person(name: string, email: string, zone: string): Promise<string> {
    const id = this.chance.id();
    await this.context.db
      .insert(people)
      .values({ id, organisationId: this.organisationId, name, email, zone, createdAt: this.now - 200 * dayMs });
    return id;
  }

  private owner: TeamMember | null = null;

  async organisation(): Promise<string[]> {
    const { db } = this.context;
    await db.insert(organisations).values({ id: this.organisationId, ...organisation });
    const password = await hashPassword(demoPassword);
    const ids: string[] = [];
    for (const { name, email, standing } of demoTeam) {
      const userId = this.chance.id();
      await db.insert(user).values({ id: userId, name, email, emailVerified: true });
      await db
        .insert(account)
        .values({ id: this.chance.id(), accountId: userId, providerId: "credential", userId, password });
      const personId = await this.person(name, email, organisation.zone);
      await db.insert(members).values({ organisationId: this.organisationId, userId, personId, standing });
      ids.push(personId);
      if (standing === "owner") this.owner = { organisationId: this.organisationId, userId, personId, standing };
    }
    return ids;
  }

  async people(count: number): Promise<void> {
    const rows = Array.from({ length: count }, (_, i) => {
      const name = `${this.chance.pick(givenNames)} ${this.chance.pick(familyNames)}`;
      const host = this.chance.pick(["example.org", "example.com", "example.net"]);
      const email = `${name.toLowerCase().replace(" ", ".")}.${i + 1}@${host}`;
      const id = this.chance.id();
      this.crowd.push(id);
      return {
        id,
        organisationId: this.organisationId,
        name,
        email,
        zone: this.chance.pick(zones),
        createdAt: this.now - 200 * dayMs,
      };
    });
    for (let i = 0; i < rows.length; i += 500) await this.context.db.insert(people).values(rows.slice(i, i + 500));
  }

  private startOf(event: DemoEvent): { startAt: number; startLocal: string } {
    // the live date keeps its minute; the others begin on a quarter
    const raw = this.now + event.startsInMinutes * minuteMs;
    if (Math.abs(event.startsInMinutes) > aboutNowMinutes) {
      const day = wallTimeAt(raw, event.zone).local.slice(0, 10);
      const startLocal = `${day}T${event.clock}`;
      return { startAt: instantOf({ local: startLocal, zone: event.zone }), startLocal };
    }
    const at =
      event.phase === "live" ? Math.floor(raw / minuteMs) * minuteMs : Math.ceil(raw / (15 * minuteMs)) * 15 * minuteMs;
    const startLocal = wallTimeAt(at, event.zone).local;
    return { startAt: at, startLocal };
  }

  /** Makes stage tickets of one event. */
  private ticketMaker(
    common: { organisationId: string; eventId: string },
    invitedAt: number | null,
    registeredAt: number,
  ) {
    return async (
      personId: string,
      role: "producer" | "crew" | "panelist",
      duties: ("doors-and-curtain" | "questions" | "cues" | "chat")[] = [],
    ): Promise<string> => {
      const id = this.chance.id();
      const about = { id, ...common, personId, role, duties, registeredAt, invitedAt };
      await this.context.db.insert(tickets).values(about);
      return id;
    };
  }

  async event(event: DemoEvent, team: readonly string[], panelists: readonly string[]): Promise<void> {
    const { db } = this.context;
    const { chance, organisationId, now } = this;
    const parts = { context: this.context, chance, organisationId };
    const eventId = chance.id();
    const occurrenceId = chance.id();
    const { startAt, startLocal } = this.startOf(event);
    const set = segmentSets[event.set]!;
    const durationMinutes = set.reduce((sum, [, minutes]) => sum + minutes, 0);
    const slug = `${event.title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-|-$/g, "")}-${chance.code(4)}`;
    const common = { organisationId, eventId };
    await insertDate({ ...parts, now }, event, { eventId, occurrenceId, slug, startAt, startLocal, durationMinutes });
    const registeredAt = startAt - 30 * dayMs;
    const ticket = this.ticketMaker(common, event.isDraft ? null : registeredAt, registeredAt);
    const producerId = await ticket(team[0]!, "producer");
    if (!event.isDraft) await ticket(team[1]!, "crew", ["doors-and-curtain", "questions", "cues"]);
    const stageIds: string[] = [];
    for (const personId of event.isDraft ? [] : panelists) stageIds.push(await ticket(personId, "panelist"));
    const { polls, rows } = await insertSheet(parts, event, occurrenceId, stageIds, producerId);
    if (event.title === demoTitles.live) await demoSlides(parts, occurrenceId, rows[1]!.id, stageIds[0]!);
    const attendeeIds = await this.registrants(common, occurrenceId, event, Math.min(now, startAt));
    if (event.phase === "past") {
      await fillPastDate(db, chance, {
        organisationId,
        occurrenceId,
        startAt,
        durationMinutes,
        producerId,
        stageIds,
        attendeeIds,
        segments: rows,
        polls,
      });
    }
    if (event.phase === "ahead" && !event.isDraft) await demoMails(this.context, occurrenceId, event.registrants);
    if (!event.hasRecording) return;
    await demoRecording(parts, occurrenceId, slug, event.title, startAt + durationMinutes * minuteMs);
    const deckId = await demoSlides(parts, occurrenceId, rows[1]!.id, stageIds[0]!);
    await turnedPages(parts, { occurrenceId, deckId, fromAt: startAt, actorId: stageIds[0]! });
  }

  private async registrants(
    common: { organisationId: string; eventId: string },
    occurrenceId: string,
    event: DemoEvent,
    before: number,
  ): Promise<string[]> {
    const shuffled = [...this.crowd]
      .sort(() => this.chance.next() - 0.5)
      .slice(0, event.registrants + (event.registrationLimit ? 5 : 0));
    const rows = shuffled.map((personId, i) => ({
      id: this.chance.id(),
      ...common,
      occurrenceId,
      personId,
      role: "attendee" as const,
      status: event.registrationLimit && i >= event.registrationLimit ? ("waiting" as const) : ("registered" as const),
      waitingSince: event.registrationLimit && i >= event.registrationLimit ? before - hourMs : null,
      answers:
        event.set === "training"
          ? { site: this.chance.pick(["North spit", "Mill creek", "Gull bank", "The old salt pans"]) }
          : ({} as Record<string, string>),
      source: this.chance.pick(["newsletter", "invitation", null, null, "noticeboard"]),
      registeredAt: before - this.chance.between(0.1, 25) * dayMs,
    }));
    for (let i = 0; i < rows.length; i += 500) await this.context.db.insert(tickets).values(rows.slice(i, i + 500));
    return rows.map((row) => row.id);
  }

  async all(): Promise<void> {
    const team = await this.organisation();
    await this.people(700);
    const panelists = [
      await this.person("Ines Marl", "ines.marl@example.org", "Europe/Lisbon"),
      await this.person("Oskar Vell", "oskar.vell@example.net", "Europe/Berlin"),
      await this.person("Wenna Tarrow", "wenna.tarrow@example.com", "Europe/London"),
    ];
    for (const event of demoEvents) await this.event(event, team, panelists);
    await seedPlanning(this.context, this.owner!, demoTitles.live, demoTitles.live);
    await seedWayIn(this.context, this.owner!, {
      live: demoTitles.live,
      soon: demoTitles.soon,
      results: demoTitles.results,
    });
    // last: what stands before is the same with it and without
    await demoEarlierDates({ context: this.context, chance: this.chance, organisationId: this.organisationId });
  }
}

/** Lays the demo down once, relative to now. @returns false when it was there already */
export async function seedDemo(context: Context): Promise<boolean> {
  const [known] = await context.db.select().from(seeded).where(eq(seeded.name, "demo"));
  if (known) return false;
  const now = context.clock.now();
  await new Seeder(context, makeChance(20261124), now).all();
  // the evening is on at once: its slides are there with it
  await makeDecks(context);
  await context.db.insert(seeded).values({ name: "demo", at: now, isComplete: true });
  return true;
}
