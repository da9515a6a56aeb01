import { sql, type SQL } from "drizzle-orm";
import { LRUCache } from "lru-cache";
import type { CommandInput, JournalledBody } from "@/contracts";
import type { Actor } from "@/core/people";
import {
  append,
  decide,
  foldAll,
  outwardOf,
  type Decision,
  type EntryBody,
  type JournalEntry,
  type RoomState,
  type Scene,
} from "@/core/room";
import { unwrap } from "@/core/shared";
import type { Db } from "../../../db/client";
import { allWritten } from "../../../db/begin";
import { executeNamed } from "../../../db/named";
import { loadScene, type CommandScene } from "../../../db/queries/command-scene";
import { journalAfter, loadRoom } from "../../../db/queries/journal";
import { roomChannel } from "../../../db/notify";
import { writeLast } from "../../../db/write-last";
import { aboutOf, commandOf, keepTables, writeWords, type RoomPlace, type Said } from "../../../room";
import { admitWaiting } from "./admissions";
import { notFound, type Context } from "../context";
import { drainOutbox, intoOutbox } from "./outbox";

export { roomOf } from "../../../db/queries/journal";

/** Whoever sends a command: their ticket in this room and what the permission table knows them as. */
export interface RoomActor {
  readonly actorId: string;
  readonly actor: Actor;
  readonly occurrenceId: string;
}

/** What a command came to: the committed rows and the room after them; null where it had been done before. */
export interface Executed {
  readonly seq: number;
  readonly roomId: string;
  readonly done: { readonly entries: readonly JournalEntry[]; readonly next: RoomState } | null;
  /** whether something of it waits in the room's outbox */
  readonly hasOutward: boolean;
}

/** A checkpoint each so many rows: opening a room never folds more than these. */
const checkpointEvery = 200;

interface Locked {
  readonly id: string;
  readonly organisationId: string;
  readonly seq: number;
}

/**
 * The room's lock, always before any row of the date's: every change of a room goes through here. Not so
 * strong that rows that only refer to the room would wait for it.
 */
async function lockRoom(tx: Db, occurrenceId: string): Promise<Locked> {
  const { rows } = await executeNamed(
    tx,
    sql`
    select id, organisation_id as "organisationId", seq from rooms
    where occurrence_id = ${occurrenceId} and parent_id is null for no key update`,
  );
  if (!rows[0]) throw notFound("date");
  return rows[0] as unknown as Locked;
}

/** The room under its lock, and its scene as it is then: read behind the lock on the same way to the database. */
async function lockedScene(tx: Db, occurrenceId: string, commandId?: string): Promise<[Locked, CommandScene]> {
  const [room, scene] = await allWritten([lockRoom(tx, occurrenceId), loadScene(tx, occurrenceId, commandId)]);
  if (!scene) throw notFound("date");
  return [room, scene];
}

/** Rooms as this process last folded them, so that a command folds only what came since. */
export class RoomCache {
  private readonly states = new LRUCache<string, RoomState>({ max: 200 });

  /** @param seq how far the journal has come, where that is known: then memory that is as far asks nothing */
  async current(db: Db, roomId: string, seq?: number): Promise<RoomState> {
    const known = this.states.get(roomId);
    if (!known) return loadRoom(db, roomId);
    if (seq !== undefined && known.seq === seq) return known;
    return foldAll(known, await journalAfter(db, roomId, known.seq));
  }
  /** only committed rooms may be kept */
  keep(roomId: string, room: RoomState): void {
    this.states.set(roomId, room);
  }
}

const placeOf = (room: Locked, scene: CommandScene, now: number): RoomPlace => ({
  roomId: room.id,
  occurrenceId: scene.occurrenceId,
  eventId: scene.eventId,
  organisationId: room.organisationId,
  now,
});

/** Rows, position and word to the other processes; a checkpoint where one is due. */
function journalStatements(place: RoomPlace, commandId: string | null, decision: Decision): readonly SQL[] {
  const { roomId, organisationId, occurrenceId } = place;
  const { entries, next } = decision;
  const rows = entries.map(({ seq, at, actorId, body }, i) => ({
    seq,
    at: new Date(at).toISOString(),
    actor_id: actorId,
    command_id: i === 0 ? commandId : null,
    body,
  }));
  const notice = JSON.stringify({ room: occurrenceId, seq: next.seq });
  const journal = sql`
    with written as (
      insert into journal (room_id, organisation_id, seq, at, actor_id, command_id, body)
      select ${roomId}::uuid, ${organisationId}::uuid, e.* from jsonb_to_recordset(${JSON.stringify(rows)}::jsonb)
        as e(seq int, at timestamptz, actor_id text, command_id uuid, body jsonb)),
    moved as (update rooms set seq = ${next.seq} where id = ${roomId} returning 1)
    select pg_notify(${roomChannel}, ${notice}) from moved`;
  if (Math.floor(next.seq / checkpointEvery) === Math.floor((next.seq - entries.length) / checkpointEvery))
    return [journal];
  const checkpoint = sql`
    insert into room_checkpoints (room_id, organisation_id, seq, state)
    values (${roomId}, ${organisationId}, ${next.seq}, ${JSON.stringify(next)}::jsonb)
    on conflict (room_id) do update set seq = excluded.seq, state = excluded.state`;
  return [journal, checkpoint];
}

/** Whether somebody of the foyer may come in by this row. */
const letsIn = (body: EntryBody): boolean =>
  ["hour.doors-opened", "hour.doors-released", "hour.people-let-in"].includes(body.type) ||
  (body.type === "hour.switch-set" && body.name === "door");

/** Everything that a decision writes, in the caller's transaction. */
async function writeDecision(
  context: Context,
  tx: Db,
  written: {
    place: RoomPlace;
    scene: CommandScene;
    before: RoomState;
    decision: Decision;
    commandId: string | null;
    actorId: string;
  },
): Promise<{ readonly hasOutward: boolean }> {
  const { place, scene, before, decision, commandId, actorId } = written;
  if (decision.entries.length === 0) return { hasOutward: false };
  const outward = decision.entries.flatMap((entry) => outwardOf(entry, before));
  await allWritten([
    writeLast(tx, journalStatements(place, commandId, decision)),
    keepTables(tx, place, before, decision.next, decision.entries),
    intoOutbox(context, tx, place, actorId, outward),
  ]);
  if (decision.entries.some(({ body }) => letsIn(body))) {
    await admitWaiting(context, tx, { ...scene, hour: decision.next.hour }, place);
  }
  return { hasOutward: outward.length > 0 };
}

/**
 * Carries out one journalled command under the room's lock: rights, decision, journal rows, the tables
 * beside them, one transaction. A command whose id the journal knows is answered with its row and changes
 * nothing. The caller publishes what is returned at once and drains the room's outbox; other processes hear
 * of it by NOTIFY.
 */
export async function execute(
  context: Context,
  cache: RoomCache,
  who: RoomActor,
  input: CommandInput,
): Promise<Executed> {
  const body = input.command as JournalledBody;
  const said: Said = { commandId: input.commandId, body, actorId: who.actorId };
  const executed = await context.db.transaction<Executed>(async (tx) => {
    const [room, scene] = await lockedScene(tx, who.occurrenceId, input.commandId);
    const { repeatOf } = scene;
    // what it had to do outside may not have been done yet
    if (repeatOf !== null) return { seq: repeatOf, roomId: room.id, done: null, hasOutward: true };
    const place = placeOf(room, scene, context.clock.now());
    const pollIds = body.type === "polls.add" ? new Set([...scene.pollIds, input.commandId]) : scene.pollIds;
    const facts: Scene = { ...scene, pollIds, actor: who.actor, about: await aboutOf(tx, place, body) };
    const before = await cache.current(tx, room.id, room.seq);
    const decision = unwrap(decide(before, commandOf(said, before), facts, { ticketId: who.actorId, at: place.now }));
    await writeWords(tx, place, said);
    const of = { place, scene, before, decision, commandId: input.commandId, actorId: who.actorId };
    const { hasOutward } = await writeDecision(context, tx, of);
    return { seq: decision.next.seq, roomId: room.id, done: decision, hasOutward };
  });
  if (executed.done) cache.keep(executed.roomId, executed.done.next);
  return executed;
}

/** The same, and its acts outside the room with it: for callers that show nothing themselves. */
export async function executeWhole(
  context: Context,
  cache: RoomCache,
  who: RoomActor,
  input: CommandInput,
): Promise<Executed> {
  const executed = await execute(context, cache, who, input);
  if (executed.hasOutward) await drainOutbox(context, executed.roomId);
  return executed;
}

/** Rows that nobody asked for by command: what time does, and what an import brings. Inside a transaction. */
export async function appendRows(
  context: Context,
  tx: Db,
  occurrenceId: string,
  make: (room: RoomState, now: number) => readonly EntryBody[],
  actorId = "system",
): Promise<RoomState> {
  const [room, scene] = await lockedScene(tx, occurrenceId);
  const place = placeOf(room, scene, context.clock.now());
  const before = await loadRoom(tx, room.id);
  const decision = append(before, make(before, place.now), { ticketId: actorId, at: place.now });
  await writeDecision(context, tx, { place, scene, before, decision, commandId: null, actorId });
  return decision.next;
}

/** How many rows a journal has: for tests and the operator. */
export const journalLength = async (db: Db, occurrenceId: string): Promise<number> =>
  Number(
    (
      await db.execute(
        sql`select count(*)::int as n from journal j join rooms r on r.id = j.room_id where r.occurrence_id = ${occurrenceId}`,
      )
    ).rows[0]!["n"],
  );
