import { and, asc, eq } from "drizzle-orm";
import { templateBody, type PlanInput, type TemplateBody } from "@/contracts";
import { nobody, mailingKinds, type MailingKind } from "@/core/mailings";
import { Refusal } from "@/core/shared";
import { minutesBetween, shiftLocal, wallTimeAt } from "@/core/time";
import type { Db } from "../../db/client";
import { mailings, parts, polls, segments, templates } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, parse, wrongInput, type Context } from "../ground/context";
import { dateOrNull, datesOf, seriesOf, type OccurrenceRow } from "./dates/load";
import { freshAccessCode } from "./access-codes";
import { createEvent, planOf } from "./events";
import { pollPlanOf } from "./polls";
import { layRunSheet, sheetOf } from "./run-sheets";

export interface TemplateLine {
  readonly id: string;
  readonly name: string;
  readonly updatedAt: number;
  readonly plan: PlanInput;
  readonly segments: number;
  readonly polls: number;
}

/** What stands in a kept plan for the code, which no template keeps. */
const noCode = "each-event-makes-its-own";

/** A template as it is used: its plan has no code until an event is made of it. */
function bodyOf(row: typeof templates.$inferSelect): TemplateBody {
  const body = parse(templateBody, row.body);
  return { ...body, plan: { ...body.plan, accessCode: null } };
}

/** The organisation's templates by name. */
export async function templatesOf(context: Context, member: TeamMember): Promise<readonly TemplateLine[]> {
  const rows = await context.db
    .select()
    .from(templates)
    .where(eq(templates.organisationId, member.organisationId))
    .orderBy(asc(templates.name))
    .limit(200);
  return rows.map((row) => {
    const body = bodyOf(row);
    return {
      id: row.id,
      name: row.name,
      updatedAt: row.updatedAt,
      plan: body.plan,
      segments: body.segments.length,
      polls: body.polls.length,
    };
  });
}

async function ownTemplate(context: Context, member: TeamMember, templateId: string) {
  const [row] = await context.db
    .select()
    .from(templates)
    .where(and(eq(templates.id, templateId), eq(templates.organisationId, member.organisationId)));
  if (!row) throw notFound("template");
  return row;
}

const requirePlanner = (member: TeamMember): void => {
  if (member.standing === "crew") throw new Refusal({ code: "not-allowed", action: "event.plan" });
};

async function bodyFrom(
  context: Context,
  eventId: string,
  plan: PlanInput,
  date: OccurrenceRow | null,
): Promise<TemplateBody> {
  const { db } = context;
  const sheet = date ? await sheetOf(db, date) : { segments: [], polls: [], parts: [] };
  const words = await db.select().from(mailings).where(eq(mailings.eventId, eventId)).limit(30);
  const start = date?.startLocal ?? plan.startLocal;
  return {
    // an access code is somebody's secret: each event makes its own
    plan: { ...plan, accessCode: plan.isPrivate ? noCode : null },
    segments: sheet.segments.map(({ title, lengthMinutes, fixedStartLocal, pollId }) => ({
      title,
      lengthMinutes,
      offsetMinutes: fixedStartLocal === null ? null : minutesBetween(start, fixedStartLocal),
      pollIndex: pollId === null ? null : sheet.polls.findIndex((poll) => poll.id === pollId),
    })),
    polls: sheet.polls.map(pollPlanOf),
    parts: sheet.parts.map(({ title, startLocal, lengthMinutes }) => ({
      title,
      offsetMinutes: minutesBetween(start, startLocal),
      lengthMinutes,
    })),
    mailings: words.map(({ kind, subject, body, doc, afterMinutes }) => ({
      kind,
      subject,
      body,
      doc: doc as TemplateBody["mailings"][number]["doc"],
      afterMinutes,
    })),
  };
}

/** Saves an event as a template, in the place of one of the same name. */
export async function saveTemplate(
  context: Context,
  member: TeamMember,
  eventId: string,
  rawName: string,
): Promise<string> {
  const { event } = await accessFor(context, member, eventId, "event.plan");
  const name = rawName.trim().slice(0, 120);
  if (name === "") throw wrongInput("name", "template-unnamed");
  const date = await dateOrNull(context.db, eventId, context.clock.now());
  const rows = event.shape === "series" ? await seriesOf(context.db, eventId) : [];
  const body = await bodyFrom(context, eventId, planOf(context, event, date, rows.at(-1)?.rule ?? null), date);
  const values = { body, updatedAt: context.clock.now() };
  const [saved] = await context.db
    .insert(templates)
    .values({ id: context.ids.id(), organisationId: event.organisationId, name, ...values })
    .onConflictDoUpdate({ target: [templates.organisationId, templates.name], set: values })
    .returning({ id: templates.id });
  await audit(context, context.db, {
    organisationId: event.organisationId,
    actorId: member.userId,
    action: "template.save",
    eventId,
  });
  return saved!.id;
}

export async function renameTemplate(
  context: Context,
  member: TeamMember,
  templateId: string,
  name: string,
): Promise<void> {
  requirePlanner(member);
  const row = await ownTemplate(context, member, templateId);
  if (name.trim() === "") throw wrongInput("name", "template-unnamed");
  await context.db
    .update(templates)
    .set({ name: name.trim().slice(0, 120), updatedAt: context.clock.now() })
    .where(eq(templates.id, row.id));
}

export async function deleteTemplate(context: Context, member: TeamMember, templateId: string): Promise<void> {
  requirePlanner(member);
  const row = await ownTemplate(context, member, templateId);
  await context.db.delete(templates).where(eq(templates.id, row.id));
}

/** A template's settings as the beginning of a plan, at a new start. */
export async function planFromTemplate(
  context: Context,
  member: TeamMember,
  templateId: string,
  startLocal: string,
): Promise<PlanInput> {
  const body = bodyOf(await ownTemplate(context, member, templateId));
  const accessCode = body.plan.isPrivate ? freshAccessCode(context) : null;
  return { ...body.plan, accessCode, startLocal: `${startLocal.slice(0, 10)}${body.plan.startLocal.slice(10)}` };
}

async function layBody(context: Context, tx: Db, eventId: string, body: TemplateBody): Promise<void> {
  const now = context.clock.now();
  const dates = await datesOf(tx, eventId);
  for (const date of dates) {
    const about = { occurrenceId: date.id, organisationId: date.organisationId };
    const pollIds = body.polls.map(() => context.ids.id());
    for (const [position, poll] of body.polls.entries())
      await tx.insert(polls).values({ id: pollIds[position]!, ...about, position, ...poll });
    for (const [position, one] of body.segments.entries()) {
      const fixedStartLocal = one.offsetMinutes === null ? null : shiftLocal(date.startLocal, one.offsetMinutes);
      await tx.insert(segments).values({
        id: context.ids.id(),
        ...about,
        position,
        title: one.title,
        lengthMinutes: one.lengthMinutes,
        fixedStartLocal,
        pollId: one.pollIndex === null ? null : (pollIds[one.pollIndex] ?? null),
      });
    }
    for (const [position, part] of body.parts.entries())
      await tx.insert(parts).values({
        id: context.ids.id(),
        ...about,
        position,
        title: part.title,
        startLocal: shiftLocal(date.startLocal, part.offsetMinutes),
        lengthMinutes: part.lengthMinutes,
      });
  }
  const first = dates[0];
  for (const words of body.mailings) {
    if (!first || !mailingKinds.includes(words.kind as MailingKind)) continue;
    await tx.insert(mailings).values({
      id: context.ids.id(),
      organisationId: first.organisationId,
      eventId,
      kind: words.kind as MailingKind,
      subject: words.subject,
      body: words.body,
      doc: words.doc ?? null,
      afterMinutes: words.afterMinutes ?? null,
      createdAt: now,
    });
  }
}

/** Makes an event from a plan and lays a template's sheet, polls and words into it. */
export async function createFromTemplate(context: Context, member: TeamMember, templateId: string, input: unknown) {
  const body = bodyOf(await ownTemplate(context, member, templateId));
  const made = await createEvent(context, member, input);
  await context.db.transaction((tx) => layBody(context, tx, made.eventId, body));
  return made;
}

/** The same event again, a week later: settings, sheet, polls and words, none of its people's data. */
export async function duplicateEvent(context: Context, member: TeamMember, eventId: string): Promise<string> {
  const { event } = await accessFor(context, member, eventId, "event.plan");
  const now = context.clock.now();
  const date = await dateOrNull(context.db, eventId, now);
  const rows = event.shape === "series" ? await seriesOf(context.db, eventId) : [];
  const plan = planOf(context, event, date, rows.at(-1)?.rule ?? null);
  // the same weekday and hour, in the first week that lies ahead
  let startLocal = shiftLocal(plan.startLocal, 7 * 24 * 60);
  while (startLocal <= wallTimeAt(now, plan.zone).local) startLocal = shiftLocal(startLocal, 7 * 24 * 60);
  const made = await createEvent(context, member, {
    ...plan,
    startLocal,
    accessCode: plan.isPrivate ? freshAccessCode(context) : null,
    title: `${plan.title} (again)`.slice(0, 200),
  });
  await context.db.transaction(async (tx) => {
    if (date) {
      const sheet = await sheetOf(tx, date);
      // leaders are people of the other event
      const bare = {
        ...sheet,
        segments: sheet.segments.map((one) => ({ ...one, leaderTicketId: null, besideTicketIds: [] })),
        parts: sheet.parts.map((one) => ({ ...one, leaderTicketId: null })),
      };
      for (const target of await datesOf(tx, made.eventId)) await layRunSheet(context, tx, bare, date, target);
    }
    for (const words of await tx.select().from(mailings).where(eq(mailings.eventId, eventId)))
      await tx.insert(mailings).values({
        ...words,
        id: context.ids.id(),
        eventId: made.eventId,
        audience: nobody,
        version: 1,
        createdAt: now,
      });
  });
  return made.eventId;
}
