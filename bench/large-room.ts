import { randomUUID } from "node:crypto";
import { eq, sql } from "drizzle-orm";
import {
  emptyRoom,
  foldAll,
  changesBetween,
  fold,
  project,
  sourcesOf,
  viewTopics,
  type EntryBody,
  type JournalEntry,
  type MadeView,
  type RoomState,
} from "../src/core/room";
import { chatLines, journal, logHeads, questions, roomCheckpoints, rooms } from "../src/server/db/schema";
import { OpenRooms } from "../src/server/live/open-rooms";
import { execute, RoomCache } from "../src/server/services/ground/room/commands";
import type { Context } from "../src/server/services/ground/context";
import { makeContext } from "../src/server/worker";
import { makeBusyDate } from "../tests/support/busy-date";
import { record, spread } from "./figures";

const counts = { questions: 2000, lines: 20_000, rows: 50_000, attendees: 500 };
const chunk = 1000;
const times = (n: number, run: () => void): number[] =>
  Array.from({ length: n }, () => {
    const at = performance.now();
    run();
    return performance.now() - at;
  });

/** A journal as a long hour leaves it: questions asked, moved, taken, answered. */
function journalOf(askers: readonly string[], producerId: string, startAt: number): JournalEntry[] {
  const ids = Array.from({ length: counts.questions }, () => randomUUID());
  const bodies: EntryBody[] = [
    { type: "hour.backstage-opened" },
    { type: "hour.doors-opened" },
    { type: "hour.curtain-raised" },
  ];
  ids.forEach((questionId, i) => {
    bodies.push({ type: "questions.asked", questionId, askerId: askers[i % askers.length]!, segmentId: null });
  });
  for (let i = 0; bodies.length < counts.rows; i += 1) {
    const questionId = ids[i % ids.length]!;
    bodies.push(
      i % 3 === 0
        ? { type: "questions.taken", questionId, byId: producerId }
        : { type: "questions.moved", questionId, state: i % 2 === 0 ? "lined-up" : "later", segmentId: null },
    );
  }
  return bodies.map((body, i) => ({ seq: i + 1, at: startAt + i, actorId: producerId, body }));
}

type BusyDate = Awaited<ReturnType<typeof makeBusyDate>>;
type Place = { roomId: string; organisationId: string; occurrenceId: string };

/** Writes the journal and a checkpoint a little behind it; answers the state at the checkpoint. */
async function storeJournal({ db, clock }: Context, date: BusyDate, { roomId, organisationId }: Place) {
  const askers = date.attendees.map((one) => one.ticketId);
  const entries = journalOf(askers, date.producer.ticketId, clock.now() - 3_600_000);
  const state = foldAll(emptyRoom, entries.slice(0, counts.rows - 150));
  for (let i = 0; i < entries.length; i += chunk) {
    await db.insert(journal).values(entries.slice(i, i + chunk).map((entry) => ({ roomId, organisationId, ...entry })));
  }
  const plain = JSON.parse(JSON.stringify(state)) as object;
  await db.insert(roomCheckpoints).values({ roomId, organisationId, seq: state.seq, state: plain });
  await db.update(rooms).set({ seq: counts.rows }).where(eq(rooms.id, roomId));
  return state;
}

async function storeQuestions({ db }: Context, state: RoomState, { organisationId, occurrenceId }: Place) {
  const asked = [...state.questions.asked].map(([id, one]) => ({
    id,
    organisationId,
    occurrenceId,
    askerTicketId: one.askerId,
    text: "How far inland does the saltmarsh reach at spring tide now?",
    askedAt: one.askedAt,
  }));
  for (let i = 0; i < asked.length; i += chunk) await db.insert(questions).values(asked.slice(i, i + chunk));
}

async function storeChat({ db, clock }: Context, date: BusyDate, { roomId, organisationId }: Place) {
  await db.insert(logHeads).values({ roomId, topic: "chat:house", organisationId, head: counts.lines });
  for (let from = 1; from <= counts.lines; from += chunk) {
    const rows = Array.from({ length: chunk }, (_, i) => ({
      roomId,
      topic: "chat:house",
      seq: from + i,
      rev: from + i,
      organisationId,
      lineId: randomUUID(),
      authorTicketId: date.attendees[i % date.attendees.length]!.ticketId,
      target: "all" as const,
      text: "We had more curlew than ever on the spring tide.",
      state: "shown" as const,
      at: clock.now(),
    }));
    await db.insert(chatLines).values(rows);
  }
}

/** Opening from the checkpoint, and making all the pictures of the opened room. */
async function measureOpening(context: Context, occurrenceId: string): Promise<void> {
  const opening: number[] = [];
  for (let i = 0; i < 10; i += 1) {
    const at = performance.now();
    await new OpenRooms(context.db, context.clock, context.ids).open(occurrenceId);
    opening.push(performance.now() - at);
  }
  record({ name: "open-large-room", n: opening.length, ...spread(opening), cpu: null, bare: null }, "at most 300 ms");
}

/** A tick in which somebody moved a question, a vote was counted and somebody came: every feed that this changes, made and compared. */
async function measureTicks(context: Context, date: BusyDate): Promise<void> {
  const room = await new OpenRooms(context.db, context.clock, context.ids).open(date.occurrenceId);
  const questionIds = [...room.state.questions.asked].map(([id]) => id);
  const actorId = date.producer.ticketId;
  const { words } = room;
  let { state, figures } = room;
  const kept = new Map<string, { sources: readonly unknown[]; view: MadeView }>();
  const tick = () => {
    for (const topic of viewTopics) {
      const before = kept.get(topic);
      const sources = sourcesOf(topic, state, words, figures);
      if (before && sources.every((one, i) => one === before.sources[i])) continue;
      const view = project(topic, state, words, figures);
      if (before) changesBetween(before.view, view);
      kept.set(topic, { sources, view });
    }
  };
  tick();
  const making = Array.from({ length: 60 }, (_, i) => {
    const questionId = questionIds[(i * 37) % questionIds.length]!;
    const at = context.clock.now() + i;
    const came = date.attendees[i % date.attendees.length]!.ticketId;
    state = fold(state, {
      seq: state.seq + 1,
      at,
      actorId,
      body: { type: "questions.moved", questionId, state: i % 2 === 0 ? "lined-up" : "later", segmentId: null },
    });
    figures = {
      ...figures,
      votes: new Map([...figures.votes, [questionId, i + 1]]),
      present: new Map([...figures.present, [came, "house"]]),
    };
    const [time] = times(1, tick);
    return time!;
  });
  record(
    { name: "tick-large-room", n: making.length, ...spread(making), cpu: null, bare: null },
    "at most 5 ms of projection",
  );
}

async function measureCommands(context: Context, date: BusyDate): Promise<void> {
  const cache = new RoomCache();
  const { occurrenceId } = date;
  const who = { actorId: date.producer.ticketId, actor: { role: "producer" as const, duties: [] }, occurrenceId };
  const commanding: number[] = [];
  const turn = (i: number) => {
    const command = { type: i % 2 === 0 ? "hour.hold-doors" : "hour.release-doors" } as const;
    return execute(context, cache, who, { commandId: randomUUID(), command });
  };
  // the first opens the room, which is measured above
  for (let i = 0; i < 4; i += 1) await turn(i);
  const cpu = process.cpuUsage();
  for (let i = 0; i < 40; i += 1) {
    const at = performance.now();
    await turn(i);
    commanding.push(performance.now() - at);
  }
  const used = process.cpuUsage(cpu);
  const cpuEach = (used.user + used.system) / 1000 / commanding.length;
  record(
    { name: "command-in-large-room", n: commanding.length, ...spread(commanding), cpu: cpuEach, bare: null },
    "at most 5 ms of processor time each",
  );
}

/** Opening a room that has seen much, a command in it, and the making of all its pictures. */
export async function largeRoomBench(): Promise<void> {
  const { context, close } = await makeContext(process.env);
  const { db } = context;
  const date = await makeBusyDate(context, counts.attendees, { areAdmitted: true });
  const { occurrenceId } = date;
  const [room] = await db.select().from(rooms).where(eq(rooms.occurrenceId, occurrenceId));
  const place = { roomId: room!.id, organisationId: room!.organisationId, occurrenceId };
  await storeQuestions(context, await storeJournal(context, date, place), place);
  await storeChat(context, date, place);
  await db.execute(sql`analyze`);
  await measureOpening(context, occurrenceId);
  await measureTicks(context, date);
  await measureCommands(context, date);
  await close();
}
