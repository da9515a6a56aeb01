import { and, asc, eq, inArray, isNull } from "drizzle-orm";
import sharp from "sharp";
import { docFromTemplate, nobody } from "../../src/core/mailings";
import { dayMs, wallTimeAt } from "../../src/core/time";
import {
  contactGroups,
  events,
  groupMembers,
  invitees,
  organisations,
  people,
  tickets,
} from "../../src/server/db/schema";
import type { TeamMember } from "../../src/server/services/ground/access";
import type { Context } from "../../src/server/services/ground/context";
import { frontDoorDraft, saveFrontDoor } from "../../src/server/services/way-in/front/look";
import { isStage } from "../../src/server/db/queries/roles";
import { figure } from "./figure";
import { addPicture } from "../../src/server/services/way-in/front/pictures";
import { saveMailing } from "../../src/server/services/mailings/compose";
import { sendMailing } from "../../src/server/services/mailings/send";
import { createSlots } from "../../src/server/services/way-in/slot-plans";
import { bookingPage, bookSlot } from "../../src/server/services/way-in/slots";

/** Lines of a tide, drawn for the demo: nobody's picture. */
const tide = (ground: string, line: string): Buffer =>
  Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="1600" height="400"><rect width="1600" height="400" fill="${ground}"/>${Array.from({ length: 14 }, (_, i) => `<path d="M0 ${60 + i * 24} C 300 ${20 + i * 26}, 500 ${120 + i * 18}, 800 ${70 + i * 24} S 1300 ${30 + i * 25}, 1600 ${80 + i * 22}" stroke="${line}" stroke-opacity="${0.2 + i * 0.05}" stroke-width="${1 + i * 0.35}" fill="none"/>`).join("")}</svg>`,
  );

const lines = [
  "Counts godwits on the outer flats since 2009.",
  "Rings dunlin, and reads rings through a scope.",
  "Walks the saltmarsh at every spring tide.",
];
const looks = [
  { colour: "#1F4E79", ground: "#1F4E79", line: "#DCE9F2" },
  { colour: "#7A3E1D", ground: "#F0E2CF", line: "#7A3E1D" },
] as const;

/** Two front doors with a look of their own, a picture, and lines about their people. */
async function dress(context: Context, member: TeamMember, titles: readonly string[]): Promise<void> {
  for (const [i, title] of titles.entries()) {
    const [event] = await context.db
      .select({ id: events.id })
      .from(events)
      .where(and(eq(events.organisationId, member.organisationId), eq(events.title, title)));
    if (!event) continue;
    const look = looks[i % looks.length]!;
    const banner = await addPicture(
      context,
      member,
      event.id,
      await sharp(tide(look.ground, look.line)).png().toBuffer(),
    );
    const { version, input } = await frontDoorDraft(context, member, event.id);
    await saveFrontDoor(context, member, event.id, version, {
      ...input,
      look: { colour: look.colour, bannerId: banner.id, logoId: null },
      stage: input.stage.map((one, k) => ({ ...one, aboutLine: lines[k % lines.length]! })),
    });
  }
}

/** A drawn face for everybody on stage, event by event: pictures belong to the event that shows them. */
async function portraits(context: Context, member: TeamMember): Promise<void> {
  const folk = await context.db
    .select({ ticketId: tickets.id, eventId: tickets.eventId, name: people.name })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(and(eq(tickets.organisationId, member.organisationId), isStage(tickets.role)))
    .limit(400);
  for (const { ticketId, eventId, name } of folk) {
    const { id } = await addPicture(context, member, eventId, await figure(name ?? ""));
    await context.db.update(tickets).set({ portraitId: id }).where(eq(tickets.id, ticketId));
  }
}

/** Groups and tags of the contact book, from people who are in it. */
async function groups(context: Context, organisationId: string): Promise<void> {
  const { db, ids } = context;
  const folk = await db
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.organisationId, organisationId), isNull(people.erasedAt)))
    .orderBy(asc(people.email))
    .limit(400);
  for (const [i, name] of ["Wardens", "Ringing crews", "Friends of the shore"].entries()) {
    const id = ids.id();
    await db.insert(contactGroups).values({ id, organisationId, name });
    const own = folk.filter((_, k) => k % (5 + i * 3) === i);
    await db.insert(groupMembers).values(own.map((one) => ({ groupId: id, personId: one.id, organisationId })));
    await db
      .update(people)
      .set({ tags: [["warden", "coast"], ["ringer"], ["friend"]][i]! })
      .where(
        inArray(
          people.id,
          own.map((one) => one.id),
        ),
      );
  }
}

/** An invitation on its way with uneven answers, and what goes after the end. */
async function mailings(context: Context, member: TeamMember, title: string): Promise<void> {
  const [event] = await context.db
    .select({ id: events.id })
    .from(events)
    .where(and(eq(events.organisationId, member.organisationId), eq(events.title, title)));
  const base = { senderName: "", replyTo: "", afterMinutes: null };
  const invitation = {
    ...base,
    kind: "invitation" as const,
    subject: "A year on the shore: {{event}}",
    doc: docFromTemplate(
      "Hello {{name}},\n\na year of counts, told by those who made them: {{event}}.\n\n{{join_details}}\n\nUntil then, dry boots,\n{{producer}}",
    ),
    audience: { ...nobody, groups: ["Friends of the shore"] },
  };
  const { id } = await saveMailing(context, member, event!.id, null, 0, invitation);
  await sendMailing(context, member, event!.id, id);
  const asked = await context.db
    .select({ id: invitees.id })
    .from(invitees)
    .where(eq(invitees.eventId, event!.id))
    .orderBy(asc(invitees.id));
  for (const [i, one] of asked.entries()) {
    const reply = ([null, "coming", "coming", "unsure", null, "not-coming", "coming"] as const)[i % 7]!;
    if (reply)
      await context.db.update(invitees).set({ reply, repliedAt: context.clock.now() }).where(eq(invitees.id, one.id));
  }
  const follow = (kind: "follow-up-came" | "follow-up-missed", subject: string, body: string, afterMinutes: number) =>
    saveMailing(context, member, event!.id, null, 0, {
      ...base,
      kind,
      subject,
      doc: docFromTemplate(body),
      audience: nobody,
      afterMinutes,
    });
  await follow(
    "follow-up-came",
    "Thank you for a good night",
    "Hello {{name}},\n\nthank you for having been at {{event}}.\n\n{{event_link}}\n\n{{producer}}",
    60,
  );
  await follow(
    "follow-up-missed",
    "What you missed",
    "Hello {{name}},\n\nwe are sorry that you could not be at {{event}}.\n\n{{event_link}}\n\n{{producer}}",
    24 * 60,
  );
}

/** Tech checks for an event's stage, two of them booked. */
async function hours(context: Context, member: TeamMember, title: string): Promise<void> {
  const [event] = await context.db
    .select({ id: events.id })
    .from(events)
    .where(and(eq(events.organisationId, member.organisationId), eq(events.title, title)));
  const [organisation] = await context.db
    .select()
    .from(organisations)
    .where(eq(organisations.id, member.organisationId));
  const day = wallTimeAt(context.clock.now() + 2 * dayMs, "Europe/Lisbon").local.slice(0, 10);
  const rule = {
    freq: "DAILY" as const,
    interval: 1,
    count: 3,
    until: null,
    byMonth: [],
    byMonthDay: [],
    byDay: [],
    wkst: "MO" as const,
  };
  const { slug } = await createSlots(context, member, {
    title: `Sound check: ${title}`.slice(0, 200),
    startLocal: `${day}T16:00`,
    untilClock: "18:00",
    zone: "Europe/Lisbon",
    lengthMinutes: 20,
    pauseMinutes: 5,
    capacity: 1,
    rule,
    forEventId: event!.id,
  });
  const page = await bookingPage(context, organisation!, slug);
  const stage = await context.db
    .select({ name: people.name, email: people.email })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(and(eq(tickets.eventId, event!.id), eq(tickets.role, "panelist")))
    .limit(2);
  for (const [i, one] of stage.entries())
    await bookSlot(
      context,
      page,
      page.slots[i * 2]!.startAt,
      { name: one.name!, email: one.email!, zone: null, hasConsented: true, source: "booking", answers: {} },
      "demo",
    );
}

/** What the way in needs: looks, groups, mailings with replies, bookable hours. */
export async function seedWayIn(
  context: Context,
  member: TeamMember,
  titles: { live: string; soon: string; results: string },
): Promise<void> {
  await groups(context, member.organisationId);
  await portraits(context, member);
  await dress(context, member, [titles.live, titles.results, titles.soon]);
  await mailings(context, member, titles.results);
  await hours(context, member, titles.results);
}
