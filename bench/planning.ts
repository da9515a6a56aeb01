import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { freshPlan } from "../src/contracts";
import { findSlots, type SlotPerson } from "../src/core/people";
import { allocate, type Licence, type SeatClaim } from "../src/core/seats";
import { dayMs, hourMs, minuteMs, wallTimeAt } from "../src/core/time";
import { makeChance } from "../scripts/demo/chance";
import { events, members, occurrences } from "../src/server/db/schema";
import type { TeamMember } from "../src/server/services/ground/access";
import type { Context } from "../src/server/services/ground/context";
import { applyExtent } from "../src/server/services/planning/dates/extents";
import { datesOf } from "../src/server/services/planning/dates/load";
import { createEvent } from "../src/server/services/planning/events";
import { season, seasonList } from "../src/server/services/overview/season";
import { makeContext } from "../src/server/worker";
import { show } from "./figures";

async function times(count: number, once: (i: number) => unknown): Promise<number[]> {
  const out: number[] = [];
  for (let i = 0; i < count; i += 1) {
    const from = performance.now();
    await once(i);
    out.push(performance.now() - from);
  }
  return out;
}

/** Rule 3: 300 dates on 10 licences of 3 sizes, drawn so that they fit more often than not. */
async function allocationBench(): Promise<void> {
  const licences: Licence[] = [100, 100, 100, 100, 100, 500, 500, 500, 1000, 1000].map((size, i) => ({
    id: `l${i}`,
    size,
  }));
  const claimsOf = (seed: number): SeatClaim[] => {
    const chance = makeChance(seed);
    return Array.from({ length: 300 }, (_, i) => {
      const startAt = Math.floor(chance.between(0, 120 * 24)) * hourMs;
      return {
        id: `d${i}`,
        need: chance.pick([50, 80, 100, 300, 400, 800]),
        startAt,
        endAt: startAt + chance.pick([90, 120, 180]) * minuteMs,
        heldLicenceId: null,
      };
    });
  };
  const sets = Array.from({ length: 20 }, (_, i) => claimsOf(i));
  show(
    "allocation, 300 dates on 10 licences of 3 sizes",
    await times(20, (i) => allocate(sets[i]!, licences)),
    "150 ms",
  );
}

/** Rule 4: twelve people with a year of busy times, every quarter of an hour of two weeks. */
async function slotsBench(): Promise<void> {
  const chance = makeChance(5);
  const from = Date.parse("2027-01-04T00:00:00Z");
  const people = Array.from({ length: 12 }, (_, i): SlotPerson => {
    const busy = Array.from({ length: 365 * 3 }, (_unused, k) => {
      const start = from + Math.floor(k / 3) * dayMs + (8 + (k % 3) * 4) * hourMs + chance.between(0, 2) * hourMs;
      return { start, end: start + chance.between(0.5, 1.5) * hourMs };
    });
    return {
      id: `p${i}`,
      zone: chance.pick(["Europe/Lisbon", "America/New_York", "Australia/Adelaide"]),
      isRequired: i < 3,
      busy,
    };
  });
  show(
    "find a time, 12 people with a year of busy times, all of it",
    await times(20, () => findSlots(people, 60, { start: from, end: from + 365 * dayMs })),
    "100 ms",
  );
}

async function owner(context: Context): Promise<TeamMember> {
  const [row] = await context.db.select().from(members).where(eq(members.standing, "owner"));
  return { organisationId: row!.organisationId, userId: row!.userId, personId: row!.personId, standing: "owner" };
}

const plan = (context: Context, daysAhead: number) =>
  freshPlan(
    wallTimeAt(context.clock.now() + daysAhead * dayMs, "Europe/Lisbon").local.replace(/T.*/, "T10:00"),
    "Europe/Lisbon",
    { durationMinutes: 60, houseSize: 20, callMinutes: 20 },
  );

/** Rule 2: a year's weekly series, "this and later" moved by an hour, there and back. */
async function seriesBench(context: Context, member: TeamMember): Promise<void> {
  const rule = {
    freq: "WEEKLY" as const,
    interval: 1,
    count: 52,
    until: null,
    byMonth: [],
    byMonthDay: [],
    byDay: [],
    wkst: "MO" as const,
  };
  const { eventId } = await createEvent(context, member, {
    ...plan(context, 400),
    title: "Bench series",
    shape: "series" as const,
    rule,
  });
  const edit = async (i: number) => {
    const dates = (await datesOf(context.db, eventId)).slice(4);
    const firstStartLocal = dates[0]!.startLocal.replace(/T.*/, i % 2 === 0 ? "T11:00" : "T10:00");
    await applyExtent(
      context,
      member,
      eventId,
      { markedIds: dates.map((date) => date.id), change: { kind: "move", firstStartLocal, durationMinutes: null } },
      false,
    );
  };
  show("a year's weekly series, later ones moved (48 dates)", await times(10, edit), "300 ms");
}

/** The season with 2,000 events ahead and behind. */
async function seasonBench(context: Context, member: TeamMember): Promise<void> {
  const { db } = context;
  const now = context.clock.now();
  const rows = Array.from({ length: 2000 }, (_, i) => ({ id: randomUUID(), at: now + (i - 1000) * 7 * hourMs }));
  for (let i = 0; i < rows.length; i += 500) {
    const part = rows.slice(i, i + 500);
    await db.insert(events).values(
      part.map(({ id }) => ({
        id,
        organisationId: member.organisationId,
        slug: id,
        uid: id,
        title: `Bench ${id.slice(0, 4)}`,
        descriptionHtml: "",
        houseSize: 20,
        createdAt: now,
        publishedAt: now,
      })),
    );
    await db.insert(occurrences).values(
      part.map(({ id, at }) => {
        const startLocal = wallTimeAt(at, "Europe/Lisbon").local;
        return {
          id: randomUUID(),
          organisationId: member.organisationId,
          eventId: id,
          kind: "show" as const,
          phase: at < now - dayMs ? ("ended" as const) : ("scheduled" as const),
          originalStartLocal: startLocal,
          startLocal,
          zone: "Europe/Lisbon",
          durationMinutes: 60,
          startAt: at,
          endAt: at + hourMs,
        };
      }),
    );
  }
  show("season as rails, 2,000 events", await times(20, () => season(context, member)), "100 ms");
  show("season as a list, 2,000 events", await times(20, (i) => seasonList(context, member, {}, i)), "100 ms");
}

/** What planning computes: rules 2, 3 and 4, and the season. */
export async function planningBench(): Promise<void> {
  await allocationBench();
  await slotsBench();
  const { context, close } = await makeContext(process.env);
  const member = await owner(context);
  await seriesBench(context, member);
  await seasonBench(context, member);
  await close();
}
