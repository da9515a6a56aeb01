import { and, desc, eq } from "drizzle-orm";
import { seatDecisionInput, seatRequestInput, type SeatRequestLine } from "@/contracts";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { events, people, seatRequests } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, parse, wrongInput, type Context } from "../ground/context";
import { planLetter } from "../ground/letters";
import { datesOf } from "./dates/load";
import { requireOwner } from "../organisation/rules";
import { settleSeats } from "../organisation/seats";

/** Asks whoever runs the house for a larger one. */
export async function requestSeats(
  context: Context,
  member: TeamMember,
  eventId: string,
  rawInput: unknown,
): Promise<void> {
  const { event } = await accessFor(context, member, eventId, "event.plan");
  const input = parse(seatRequestInput, rawInput);
  if (input.wantedSize <= event.houseSize)
    throw wrongInput("wantedSize", "house-so-large-already", { size: event.houseSize });
  await context.db.insert(seatRequests).values({
    id: context.ids.id(),
    organisationId: event.organisationId,
    eventId,
    requestedBy: member.personId,
    ...input,
    createdAt: context.clock.now(),
  });
}

/** Requests of the organisation, or of one event, the open ones first. */
export async function seatRequestsOf(
  context: Context,
  member: TeamMember,
  eventId: string | null = null,
): Promise<readonly SeatRequestLine[]> {
  const rows = await context.db
    .select({ request: seatRequests, title: events.title, houseSize: events.houseSize, by: people.name })
    .from(seatRequests)
    .innerJoin(events, eq(events.id, seatRequests.eventId))
    .innerJoin(people, eq(people.id, seatRequests.requestedBy))
    .where(
      and(
        eq(seatRequests.organisationId, member.organisationId),
        eventId ? eq(seatRequests.eventId, eventId) : undefined,
      ),
    )
    .orderBy(desc(seatRequests.createdAt))
    .limit(100);
  const lines = rows.map(({ request, title, houseSize, by }) => ({
    id: request.id,
    eventId: request.eventId,
    title,
    houseSize,
    wantedSize: request.wantedSize,
    note: request.note,
    by: by ?? "",
    state: request.state,
    answer: request.answer,
    createdAt: request.createdAt,
  }));
  return [...lines.filter((one) => one.state === "open"), ...lines.filter((one) => one.state !== "open")];
}

/** Grants a request, and makes the house as large as was asked, or declines it with a word. */
export async function decideSeats(
  context: Context,
  member: TeamMember,
  requestId: string,
  rawInput: unknown,
): Promise<void> {
  requireOwner(member);
  const { isGranted, answer } = parse(seatDecisionInput, rawInput);
  const { organisationId } = member;
  await context.db.transaction(async (tx) => {
    const [request] = await tx
      .select()
      .from(seatRequests)
      .where(and(eq(seatRequests.id, requestId), eq(seatRequests.organisationId, organisationId)))
      .for("no key update");
    if (!request) throw notFound("request");
    if (request.state !== "open") throw new Refusal({ code: "already-done", action: "seats.decide" });
    const decision = {
      state: isGranted ? ("granted" as const) : ("declined" as const),
      answer,
      decidedBy: member.userId,
      decidedAt: context.clock.now(),
    };
    await tx.update(seatRequests).set(decision).where(eq(seatRequests.id, requestId));
    if (isGranted) {
      await tx
        .update(events)
        .set({ houseSize: request.wantedSize, grantedSeats: request.wantedSize })
        .where(eq(events.id, request.eventId));
      const ahead = (await datesOf(tx, request.eventId)).filter((date) => date.phase === "scheduled");
      await settleSeats(context, tx, organisationId, new Set(ahead.map((date) => date.id)));
    }
    await tellRequester(context, tx, request, isGranted, answer);
    await audit(context, tx, {
      organisationId,
      actorId: member.userId,
      action: "seats.decide",
      eventId: request.eventId,
      facts: { size: request.wantedSize, granted: String(isGranted) },
    });
  });
}

/** Whoever asked hears what was decided, by mail. */
async function tellRequester(
  context: Context,
  tx: Db,
  request: typeof seatRequests.$inferSelect,
  isGranted: boolean,
  answer: string,
): Promise<void> {
  const { organisationId, eventId, wantedSize } = request;
  const [asked] = await tx
    .select({ name: people.name, email: people.email, title: events.title })
    .from(people)
    .innerJoin(events, eq(events.id, eventId))
    .where(eq(people.id, request.requestedBy));
  if (!asked?.email) return;
  const to = { name: asked.name ?? "", email: asked.email };
  const body = { kind: "seats-decided", eventId, title: asked.title, wantedSize, isGranted, answer } as const;
  await planLetter(context, tx, organisationId, to, body);
}
