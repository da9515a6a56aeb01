import { plainPoll } from "../../src/core/polls";
import { and, eq, inArray } from "drizzle-orm";
import { freshPlan, type PlanInput } from "../../src/contracts";
import { standardRules } from "../../src/core/organisation";
import { dayOfLocal, wallTimeAt, weekdayOf } from "../../src/core/time";
import { events, licences, occurrences, organisations, tickets } from "../../src/server/db/schema";
import type { TeamMember } from "../../src/server/services/ground/access";
import type { Context } from "../../src/server/services/ground/context";
import { createEvent } from "../../src/server/services/planning/events";
import { publishEvent } from "@/server/services/planning/event-life";
import { settleSeats } from "../../src/server/services/organisation/seats";
import { saveRunSheet } from "../../src/server/services/planning/run-sheets";
import { addStagePerson } from "../../src/server/services/people/stage-people";
import { saveTemplate } from "../../src/server/services/planning/templates";

const zone = "Europe/Lisbon";
/** A poll that still lacks its answers, for readiness to find. */
const unfinishedPoll = {
  ...plainPoll,
  questions: [
    { id: "q1", kind: "one-choice" as const, text: "Which song shall be the last?", options: [], rightIds: [] },
  ],
};

/** So many licences of so many seats. */
const owned = [
  [4, 100],
  [2, 500],
  [1, 1000],
] as const;
/** The event that shows most of what can be missing. */
export const worstTitle = "Shore songs on Christmas evening";
export const seriesTitle = "Ringing crew evening";
export const standingTitle = "The warden's room";

const plan = (startLocal: string, some: Partial<PlanInput>): PlanInput => ({
  ...freshPlan(startLocal, zone, { durationMinutes: 60, houseSize: 100, callMinutes: 20 }),
  ...some,
});

async function layLicences(context: Context, organisationId: string): Promise<void> {
  const { db, ids, clock } = context;
  await db
    .insert(licences)
    .values(
      owned.flatMap(([count, size]) =>
        Array.from({ length: count }, () => ({ id: ids.id(), organisationId, size, createdAt: clock.now() })),
      ),
    );
  const ahead = await db
    .select({ id: occurrences.id })
    .from(occurrences)
    .where(
      and(
        eq(occurrences.organisationId, organisationId),
        inArray(occurrences.phase, ["scheduled", "backstage", "open"]),
      ),
    );
  await db.transaction((tx) => settleSeats(context, tx, organisationId, new Set(ahead.map((one) => one.id))));
}

/** Numbers of ranges kept for fiction (Ofcom's and the North American plan's), and two events that take callers. */
async function phones(context: Context, organisationId: string, liveTitle: string): Promise<void> {
  const phoneNumbers = [
    { country: "United Kingdom", number: "+44 20 7946 0123" },
    { country: "United States", number: "+1 202 555 0143" },
  ];
  await context.db
    .update(organisations)
    .set({ rules: { ...standardRules, phoneNumbers } })
    .where(eq(organisations.id, organisationId));
  for (const title of [liveTitle, "Briefing for ringing crews"]) {
    await context.db
      .update(events)
      .set({ soundBy: "both", conferenceNumber: context.ids.digits(9) })
      .where(and(eq(events.organisationId, organisationId), eq(events.title, title)));
  }
}

/** The next Wednesday after today, as a local day. */
function nextWednesday(now: number): string {
  for (let ahead = 2; ; ahead += 1) {
    const day = wallTimeAt(now + ahead * 86_400_000, zone).local;
    if (weekdayOf(dayOfLocal(day)) === "WE") return day.slice(0, 10);
  }
}

/** Every Wednesday for half a year: across the clock change that lies ahead. */
async function weekly(context: Context, member: TeamMember): Promise<void> {
  const rule = {
    freq: "WEEKLY" as const,
    interval: 1,
    count: 26,
    until: null,
    byMonth: [],
    byMonthDay: [],
    byDay: [{ weekday: "WE" as const, ordinal: null }],
    wkst: "MO" as const,
  };
  const input = plan(`${nextWednesday(context.clock.now())}T19:30`, {
    title: seriesTitle,
    shape: "series",
    rule,
    houseSize: 60,
    descriptionHtml: "<p>Rings, re-sightings and the week’s doubtful cases, every Wednesday.</p>",
  });
  const { eventId } = await createEvent(context, member, input);
  await publishEvent(context, member, eventId, true);
  await addStagePerson(context, member, eventId, {
    name: "Wenna Tarrow",
    email: "wenna.tarrow@example.com",
    role: "panelist",
    duties: [],
    languages: null,
  });
}

/** A room whose code is read out to whoever needs it. */
async function standing(context: Context, member: TeamMember): Promise<void> {
  const now = wallTimeAt(context.clock.now(), zone).local;
  const { eventId } = await createEvent(
    context,
    member,
    plan(now, {
      title: standingTitle,
      shape: "standing",
      entryBy: "open-link",
      houseSize: 40,
      descriptionHtml: "<p>For a word between wardens, whenever one is needed.</p>",
    }),
  );
  await publishEvent(context, member, eventId, true);
}

/** Next Christmas Day that is more than a few days away: a public holiday in Portugal. */
function nextChristmas(now: number): string {
  const year = Number(wallTimeAt(now + 5 * 86_400_000, zone).local.slice(0, 4));
  const day = `${year}-12-25`;
  return day > wallTimeAt(now + 5 * 86_400_000, zone).local.slice(0, 10) ? day : `${year + 1}-12-25`;
}

async function worst(context: Context, member: TeamMember): Promise<void> {
  const start = `${nextChristmas(context.clock.now())}T20:00`;
  const { eventId, occurrenceId } = await createEvent(
    context,
    member,
    plan(start, {
      title: worstTitle,
      houseSize: 500,
      registrationLimit: 900,
      isPrivate: true,
      accessCode: "for-readiness-to-find",
      isRecorded: true,
      interpretationInto: ["es"],
      creditPoints: 3,
      entryBy: "open-link",
      picture: "slides-and-speaker-720",
    }),
  );
  // as pages made before codes had to be long have it
  await context.db
    .update(events)
    .set({ accessCodeSealed: context.secrets.seal("1111") })
    .where(eq(events.id, eventId));
  const oskar = { name: "Oskar Vell", email: "oskar.vell@example.net", duties: [], languages: null };
  const dana = await addStagePerson(context, member, eventId, { ...oskar, role: "panelist" });
  await context.db.update(tickets).set({ reply: "not-coming" }).where(eq(tickets.id, dana));
  const id = () => context.ids.id();
  const pollId = id();
  await saveRunSheet(
    context,
    member,
    eventId,
    {
      segments: (
        [
          ["Songs of the flats", 35, null, dana],
          ["What the waders heard", 30, `${start.slice(0, 10)}T20:25`, null],
          ["A long goodbye", 20, null, null],
        ] as const
      ).map(([title, lengthMinutes, fixedStartLocal, leaderTicketId]) => ({
        id: id(),
        title,
        lengthMinutes,
        fixedStartLocal,
        leaderTicketId,
        pollId: null,
      })),
      polls: [{ id: pollId, ...unfinishedPoll }],
      parts: [
        {
          id: id(),
          title: "The quiet room",
          startLocal: `${start.slice(0, 10)}T21:30`,
          lengthMinutes: 30,
          leaderTicketId: null,
        },
      ],
    },
    occurrenceId,
  );
}

async function templateFrom(context: Context, member: TeamMember, title: string, name: string): Promise<void> {
  const [event] = await context.db
    .select({ id: events.id })
    .from(events)
    .where(and(eq(events.organisationId, member.organisationId), eq(events.title, title)));
  await saveTemplate(context, member, event!.id, name);
}

/** What planning needs beside single dates: licences, a series, a standing room, a plan with gaps, a template. */
export async function seedPlanning(
  context: Context,
  member: TeamMember,
  templateTitle: string,
  liveTitle: string,
): Promise<void> {
  await phones(context, member.organisationId, liveTitle);
  await layLicences(context, member.organisationId);
  await weekly(context, member);
  await standing(context, member);
  await worst(context, member);
  await templateFrom(context, member, templateTitle, "Public evening");
}
