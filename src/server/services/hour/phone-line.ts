import { and, eq, isNull, desc, sql } from "drizzle-orm";
import type { z } from "zod";
import { callInput, pickedUp, type CallReport, type CallState, type CommandBody } from "@/contracts";
import { isStageRole } from "@/core/people";
import { commandsOfKey, isCurtainUp, keysFor, switchesNow, type PhoneKey } from "@/core/room";
import { Refusal } from "@/core/shared";
import { notifyFacts } from "../../db/notify";
import { switchesOf } from "../../db/queries/switches";
import { stays, events, tickets } from "../../db/schema";
import { notFound, parse, type Context } from "../ground/context";
import { needsProof } from "../way-in/entry-proofs";
import { organisationOf, rulesOf } from "../organisation/rules";
import { closeConnection, openConnection, type SignBook } from "./presence";
import { executeWhole, roomOf, type RoomCache } from "../ground/room/commands";
import { whoPickedUp } from "./call-back";
import { wayIn } from "./entry";
import { holderById, requireWayIn, type Holder } from "../way-in/tickets";
import { countTries } from "../ground/tries";

const phoneDevice = "phone-line";

interface LinePorts {
  readonly context: Context;
  readonly roomCache: RoomCache;
  readonly signs: Pick<SignBook, "sign">;
}

/** A number and a conference number that belong together, or one refusal for every other pair. */
async function eventOnLine(
  context: Context,
  number: string,
  conferenceNumber: string,
): Promise<typeof events.$inferSelect> {
  const [event] = await context.db
    .select()
    .from(events)
    .where(and(eq(events.conferenceNumber, conferenceNumber), isNull(events.deletedAt)));
  if (!event || event.soundBy === "computer") throw notFound("call");
  const { phoneNumbers } = rulesOf(await organisationOf(context, event.organisationId));
  if (!phoneNumbers.some((one) => one.number === number)) throw notFound("call");
  return event;
}

/**
 * Whoever a PIN belongs to. PINs are derived, so the event's tickets are gone through: some thousand at
 * most, a few milliseconds. Two tickets with one PIN open nothing.
 */
async function holderByPin(context: Context, eventId: string, pin: string): Promise<Holder> {
  const rows = await context.db
    .select({ id: tickets.id, linkVersion: tickets.linkVersion })
    .from(tickets)
    .where(and(eq(tickets.eventId, eventId), isNull(tickets.revokedAt)))
    .limit(50_000);
  const matching = rows.filter((row) => context.secrets.isPin(pin, row.id, row.linkVersion));
  if (matching.length !== 1) throw notFound("call");
  return holderById(context, matching[0]!.id);
}

/** Backstage, unless another device of theirs is there already. */
async function enterStage(
  { context, roomCache }: Pick<LinePorts, "context" | "roomCache">,
  { ticket, actor, occurrence }: Holder,
): Promise<void> {
  const who = { actorId: ticket.id, actor, occurrenceId: occurrence.id };
  await executeWhole(context, roomCache, who, { commandId: context.ids.id(), command: { type: "stage.enter" } }).catch(
    (error: unknown) => {
      if (!(error instanceof Refusal) || error.failure.code !== "already-done") throw error;
    },
  );
}

async function whoDialled(context: Context, input: z.infer<typeof callInput>, from: string): Promise<Holder> {
  await countTries(context, [
    ["phone-pin", `${input.conferenceNumber}|${from}`],
    ["pins-of-event", input.conferenceNumber],
  ]);
  const event = await eventOnLine(context, input.number, input.conferenceNumber);
  return holderByPin(context, event.id, input.pin);
}

/** Somebody has dialled in, or picked up where they asked to be called. @returns the call's own token, for everything the line reports about it */
export async function answerCall(
  { context, roomCache }: LinePorts,
  rawInput: unknown,
  from: string,
): Promise<{ call: string; state: CallState }> {
  const picked = pickedUp.safeParse(rawInput);
  const holder = picked.success
    ? await whoPickedUp(context, picked.data.answer)
    : await whoDialled(context, parse(callInput, rawInput), from);
  requireWayIn(holder);
  // neither a PIN nor a number proves an address
  if (needsProof(holder)) throw notFound("call");
  const { occurrence, ticket, actor } = holder;
  if (!wayIn(holder, context.clock.now()).isOpen)
    throw new Refusal({ code: "wrong-state", action: "enter", state: occurrence.phase });
  if (isStageRole(actor.role)) await enterStage({ context, roomCache }, holder);
  const { connectionId } = await openConnection(context, {
    organisationId: ticket.organisationId,
    occurrenceId: occurrence.id,
    ticketId: ticket.id,
    role: actor.role,
    device: phoneDevice,
    mayReturn: "ask",
    stagePlace: "ask",
  });
  await notifyFacts(context.db, occurrence.id);
  return {
    call: context.secrets.tokenFor(connectionId, 0),
    state: await stateOf({ context }, holder, connectionId),
  };
}

const callerOf = ({ ticket, actor }: Holder) => ({ ticketId: ticket.id, isOfTheStage: isStageRole(actor.role) });

async function stateOf(
  { context }: Pick<LinePorts, "context">,
  holder: Holder,
  connectionId: string,
): Promise<CallState> {
  const room = await roomOf(context.db, holder.occurrence.id);
  const [line] = await context.db
    .select({ place: stays.place, toAt: stays.toAt })
    .from(stays)
    .where(eq(stays.connectionId, connectionId))
    .orderBy(desc(stays.fromAt), sql`${stays.toAt} desc nulls first`)
    .limit(1);
  const caller = callerOf(holder);
  const own = caller.isOfTheStage ? (room.stage.people.get(holder.ticket.id) ?? null) : null;
  const isOver = !line || line.toAt !== null || room.hour.phase === "ended" || room.hour.phase === "cancelled";
  const inHouse = line?.place === "foyer" ? "foyer" : "house";
  const place = isOver ? "over" : caller.isOfTheStage ? (own?.place ?? "backstage") : inHouse;
  const held = room.floor.holders.get(holder.ticket.id)?.isMicrophoneOpen ?? null;
  const mayRaise = room.hour.phase === "open" && switchesNow(room.hour, switchesOf(holder.event)).hands.on;
  return {
    title: holder.event.title,
    name: holder.person.name ?? "",
    place,
    isMicrophoneOpen: caller.isOfTheStage ? (own?.isMicrophoneOpen ?? false) : held,
    isCurtainUp: isCurtainUp(room.hour),
    keys: place === "over" || place === "foyer" ? {} : keysFor(room, caller, mayRaise),
  };
}

async function callOf(context: Context, call: string): Promise<{ connectionId: string; holder: Holder }> {
  const claim = context.secrets.readToken(call);
  if (!claim?.matches(0)) throw notFound("call");
  const [row] = await context.db
    .select()
    .from(stays)
    .where(and(eq(stays.connectionId, claim.ticketId), eq(stays.device, phoneDevice)))
    .limit(1);
  if (!row?.ticketId) throw notFound("call");
  return { connectionId: row.connectionId, holder: await holderById(context, row.ticketId) };
}

/** A key does what it was said to do just now; pressed at any other time it does nothing. */
async function pressKey(ports: LinePorts, holder: Holder, connectionId: string, key: PhoneKey): Promise<void> {
  const { context, roomCache } = ports;
  const act = (await stateOf(ports, holder, connectionId)).keys[key];
  if (!act) return;
  const room = await roomOf(context.db, holder.occurrence.id);
  const who = { actorId: holder.ticket.id, actor: holder.actor, occurrenceId: holder.occurrence.id };
  for (const command of commandsOfKey(room, callerOf(holder), act))
    await executeWhole(context, roomCache, who, { commandId: context.ids.id(), command: command as CommandBody });
}

/** The line reports on a call: how loud it is, a key, or that it was hung up. Each report is a sign of life. */
export async function hearCall(ports: LinePorts, call: string, report: CallReport): Promise<CallState> {
  const { context, signs } = ports;
  const { connectionId, holder } = await callOf(context, call);
  const occurrenceId = holder.occurrence.id;
  if (report.type === "hung-up") await closeConnection(context, connectionId);
  else signs.sign(connectionId);
  if (report.type === "key") await pressKey(ports, holder, connectionId, report.key);
  if (report.type === "level")
    await context.db
      .update(stays)
      .set({ level: report.level })
      .where(and(eq(stays.connectionId, connectionId), isNull(stays.toAt)));
  await notifyFacts(context.db, occurrenceId);
  return stateOf(ports, holder, connectionId);
}

/** Every number that the organisation's phone line answers. */
export const phoneNumbersOf = async (context: Context, organisationId: string) =>
  rulesOf(await organisationOf(context, organisationId)).phoneNumbers;
