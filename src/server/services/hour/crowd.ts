import { eq } from "drizzle-orm";
import { z } from "zod";
import { inventedFamilyNames, inventedNames, makeChance, mostInvented, tempers } from "@/core/crowd";
import { isOver } from "@/core/people";
import { Refusal } from "@/core/shared";
import { minuteMs } from "@/core/time";
import { notifyJournal } from "../../db/notify";
import { crowds, occurrences, people, tickets } from "../../db/schema";
import { dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { parse, type Context } from "../ground/context";
import { crowdSource, removeCrowd } from "../ground/room/crowd-rows";

const crowdInput = z.object({
  size: z.coerce.number().int().min(1).max(mostInvented),
  temper: z.enum(tempers),
  seed: z.coerce.number().int().min(0).max(2_147_483_647).optional(),
});
/** A house that is begun late in its rehearsal stays for so long all the same. */
const shortestMinutes = 30;

/** A rehearsal of the event that is still to come or on. */
async function rehearsal(context: Context, member: TeamMember, eventId: string, occurrenceId: string) {
  const access = await dateAccess(context, member, eventId, occurrenceId, "event.people");
  if (access.occurrence.kind !== "rehearsal") throw new Refusal({ code: "not-found", what: "rehearsal" });
  return access;
}

/**
 * Fills a rehearsal with invented people (rule 27). They have tickets, come in and act as everybody does; they are
 * marked on every screen, stand in no figure, and go with the rehearsal.
 */
export async function fillRehearsal(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  rawInput: unknown,
): Promise<void> {
  const { event, occurrence } = await rehearsal(context, member, eventId, occurrenceId);
  if (isOver(occurrence.phase)) throw new Refusal({ code: "wrong-state", action: "crowd", state: occurrence.phase });
  const { size, temper, seed = Math.floor(context.clock.now() % 1_000_000) } = parse(crowdInput, rawInput);
  const { organisationId } = event;
  const now = context.clock.now();
  const chance = makeChance(seed);
  const folk = Array.from({ length: size }, () => ({
    id: context.ids.id(),
    organisationId,
    name: `${chance.pick(inventedNames)} ${chance.pick(inventedFamilyNames)}`,
    email: null,
    createdAt: now,
  }));
  const seats = folk.map((person) => ({
    id: context.ids.id(),
    organisationId,
    eventId,
    occurrenceId,
    personId: person.id,
    role: "attendee" as const,
    source: crowdSource,
    registeredAt: now,
  }));
  await context.db.transaction(async (tx) => {
    await tx
      .select({ id: occurrences.id })
      .from(occurrences)
      .where(eq(occurrences.id, occurrenceId))
      .for("no key update");
    await removeCrowd(tx, occurrenceId);
    await tx.insert(people).values(folk);
    await tx.insert(tickets).values(seats);
    await tx.insert(crowds).values({ occurrenceId, organisationId, size, temper, seed, startedAt: now });
    await audit(context, tx, { organisationId, actorId: member.userId, action: "crowd.fill", eventId, occurrenceId });
    await notifyJournal(tx, occurrenceId);
  });
  const endAt = Math.max(occurrence.endAt, now + shortestMinutes * minuteMs);
  context.crowd.play(
    occurrenceId,
    { seed, size, temper, startAt: now, endAt },
    seats.map(({ id }) => ({ ticketId: id, token: context.secrets.tokenFor(id, 1), occurrenceId })),
  );
}

/** Sends the invented house home: nothing of it stays. */
export async function emptyRehearsal(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<void> {
  await rehearsal(context, member, eventId, occurrenceId);
  context.crowd.stop(occurrenceId);
  await context.db.transaction(async (tx) => {
    await removeCrowd(tx, occurrenceId);
    await notifyJournal(tx, occurrenceId);
  });
}
