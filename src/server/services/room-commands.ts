import { and, eq, sql } from "drizzle-orm";
import type { CommandBody, CommandInput } from "@/contracts";
import type { Actor } from "@/core/people";
import {
  append,
  decide,
  emptyRoom,
  foldAll,
  type Decision,
  type EntryBody,
  type RoomCommand,
  type RoomFacts,
  type RoomState,
} from "@/core/room";
import { Refusal, unwrap } from "@/core/shared";
import type { Db } from "../db/client";
import { notifyJournal } from "../db/notify";
import { journalAfter } from "../db/queries/journal";
import { loadScene, type CommandScene } from "../db/queries/command-scene";
import { journal, polls, questions, rooms } from "../db/schema";
import { notFound, type Context } from "./context";
import { carryOut } from "./room-effects";

/** Whoever sends a command: their ticket in this room and what the permission table knows them as. */
export interface RoomActor {
  readonly actorId: string;
  readonly actor: Actor;
  readonly occurrenceId: string;
}

type JournalledBody = Exclude<CommandBody, { type: "question.vote" | "ballot.cast" | "sign" | "goodbye" }>;

/** The room's lock and how far its journal has come. Every change of a room goes through here. */
async function lockRoom(tx: Db, occurrenceId: string): Promise<{ seq: number; organisationId: string }> {
  const [room] = await tx.select().from(rooms).where(eq(rooms.occurrenceId, occurrenceId)).for("update");
  if (!room) throw notFound("date");
  return room;
}

/** Rooms as this process last folded them, so that a command folds only what came since. */
export class RoomCache {
  private readonly states = new Map<string, RoomState>();
  constructor(private readonly limit = 200) {}

  async current(db: Db, occurrenceId: string): Promise<RoomState> {
    const known = this.states.get(occurrenceId) ?? emptyRoom;
    return foldAll(known, await journalAfter(db, occurrenceId, known.seq));
  }
  /** only committed rooms may be kept */
  keep(occurrenceId: string, room: RoomState): void {
    this.states.delete(occurrenceId);
    this.states.set(occurrenceId, room);
    const oldest = this.states.size > this.limit ? this.states.keys().next().value : undefined;
    if (oldest !== undefined) this.states.delete(oldest);
  }
}

export function factsFor(scene: CommandScene, who: Pick<RoomActor, "actor" | "actorId">, now: number): RoomFacts {
  return {
    now,
    ...who,
    times: scene.times,
    questionsOn: scene.questionsOn,
    pollsOn: scene.pollsOn,
    earlyEntry: scene.earlyEntry,
    stageMicrophonesOpen: scene.stageMicrophonesOpen,
    segmentIds: scene.segmentIds,
    pollIds: new Set(scene.pollIds),
    stageTicketIds: new Set(scene.stageTicketIds),
  };
}

/** The core's command from the client's: texts stay out of it, new things are named after the command. */
function toRoomCommand(commandId: string, body: JournalledBody): RoomCommand {
  switch (body.type) {
    case "question.ask":
      return { type: body.type, questionId: commandId, segmentId: body.segmentId };
    case "question.answer":
      return { type: body.type, questionId: body.questionId, how: body.how };
    case "poll.add":
      return { type: body.type, pollId: commandId };
    default:
      return body;
  }
}

/** Writes the texts of a command into their erasable tables, before the journal names their ids. */
async function writeWords(
  context: Context,
  tx: Db,
  scene: CommandScene,
  organisationId: string,
  who: RoomActor,
  commandId: string,
  body: JournalledBody,
): Promise<void> {
  const { occurrenceId } = who;
  const about = { id: commandId, organisationId, occurrenceId };
  if (body.type === "question.ask") {
    await tx.insert(questions).values({
      ...about,
      askerTicketId: who.actorId,
      segmentId: body.segmentId,
      text: body.text,
      askedAt: context.clock.now(),
    });
  } else if (body.type === "question.answer" && body.how !== "aloud") {
    if (!body.text)
      throw new Refusal({ code: "invalid-input", issues: [{ path: "text", message: "The answer has no words." }] });
    await tx
      .update(questions)
      .set({ answer: body.text })
      .where(and(eq(questions.id, body.questionId), eq(questions.occurrenceId, occurrenceId)));
  } else if (body.type === "poll.add") {
    const options = body.options.map((label, i) => ({ id: `o${i + 1}`, label }));
    await tx.insert(polls).values({ ...about, position: scene.pollIds.length, question: body.question, options });
  }
}

async function writeJournal(
  tx: Db,
  occurrenceId: string,
  organisationId: string,
  commandId: string | null,
  decision: Decision,
): Promise<void> {
  if (decision.entries.length === 0) return;
  await tx.insert(journal).values(
    decision.entries.map((entry, i) => ({
      occurrenceId,
      organisationId,
      ...entry,
      commandId: i === 0 ? commandId : null,
    })),
  );
  await tx.update(rooms).set({ seq: decision.next.seq }).where(eq(rooms.occurrenceId, occurrenceId));
  await notifyJournal(tx, occurrenceId);
}

/**
 * Carries out one journalled command under the room's lock: rights, decision, journal row, effects,
 * one transaction. A command whose id the journal knows is answered with its row and changes nothing.
 */
export async function execute(
  context: Context,
  cache: RoomCache,
  who: RoomActor,
  input: CommandInput,
): Promise<{ seq: number }> {
  const body = input.command as JournalledBody;
  const { occurrenceId } = who;
  const done = await context.db.transaction(async (tx) => {
    const { organisationId } = await lockRoom(tx, occurrenceId);
    const [repeat] = await tx
      .select({ seq: journal.seq })
      .from(journal)
      .where(and(eq(journal.occurrenceId, occurrenceId), eq(journal.commandId, input.commandId)));
    if (repeat) return { seq: repeat.seq, room: null };
    const scene = await loadScene(tx, occurrenceId);
    if (!scene) throw notFound("date");
    const facts = factsFor(scene, who, context.clock.now());
    const known =
      body.type === "poll.add" ? { ...facts, pollIds: new Set([...facts.pollIds, input.commandId]) } : facts;
    const room = await cache.current(tx, occurrenceId);
    const decision = unwrap(decide(room, toRoomCommand(input.commandId, body), known));
    await writeWords(context, tx, scene, organisationId, who, input.commandId, body);
    await writeJournal(tx, occurrenceId, organisationId, input.commandId, decision);
    await carryOut(context, tx, { scene, organisationId, actorId: who.actorId }, decision.effects);
    return { seq: decision.next.seq, room: decision.next };
  });
  if (done.room) cache.keep(occurrenceId, done.room);
  return { seq: done.seq };
}

/** Rows that nobody asked for by command: what time does, and what an import brings. Inside a transaction. */
export async function appendRows(
  context: Context,
  tx: Db,
  occurrenceId: string,
  make: (room: RoomState) => readonly EntryBody[],
  actorId = "system",
): Promise<RoomState> {
  const { organisationId } = await lockRoom(tx, occurrenceId);
  const scene = await loadScene(tx, occurrenceId);
  if (!scene) throw notFound("date");
  const room = foldAll(emptyRoom, await journalAfter(tx, occurrenceId, 0));
  const decision = append(room, make(room), context.clock.now(), actorId);
  await writeJournal(tx, occurrenceId, organisationId, null, decision);
  await carryOut(context, tx, { scene, organisationId, actorId }, decision.effects);
  return decision.next;
}

/** The room as its journal has it now. */
export const roomOf = async (db: Db, occurrenceId: string): Promise<RoomState> =>
  foldAll(emptyRoom, await journalAfter(db, occurrenceId, 0));

/** How many rows a journal has: for tests and the operator. */
export const journalLength = async (db: Db, occurrenceId: string): Promise<number> =>
  Number(
    (await db.execute(sql`select count(*)::int as n from journal where occurrence_id = ${occurrenceId}`)).rows[0]!["n"],
  );
