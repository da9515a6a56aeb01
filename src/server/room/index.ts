import type { CommandBody, FactBody } from "@/contracts";
import type { JournalEntry, OwnParts, RoomCommand, RoomDirectory, RoomState } from "@/core/room";
import type { Db } from "../db/client";
import { boardServer } from "./board";
import { captionsServer } from "./captions";
import { chatServer } from "./chat";
import { cuesServer } from "./cues";
import { filesServer } from "./files";
import { floorServer } from "./floor";
import { hourServer } from "./hour";
import { pollsServer } from "./polls";
import { questionsServer } from "./questions";
import type { FactOutcome, FactPlace, LogReader, RoomPlace, RoomServer, Said, WordsWanted } from "./room-server";
import { recordingServer } from "./recording";
import { scenesServer } from "./scenes";
import { sideRoomsServer } from "./side-rooms";
import { signalsServer } from "./signals";
import { slidesServer } from "./slides";
import { stageServer } from "./stage";
import * as words from "./words";
import type { Notes, WordsOf } from "./words";

/** The one list of the server's sides. */
const servers: Readonly<Record<string, RoomServer>> = {
  hour: hourServer,
  stage: stageServer,
  floor: floorServer,
  cues: cuesServer,
  questions: questionsServer,
  polls: pollsServer,
  chat: chatServer,
  signals: signalsServer,
  slides: slidesServer,
  board: boardServer,
  files: filesServer,
  scenes: scenesServer,
  captions: captionsServer,
  sideRooms: sideRoomsServer,
  recording: recordingServer,
};
const ofType = (type: string): RoomServer => servers[type.slice(0, type.indexOf("."))] ?? {};

/** The core's command for the client's: texts stay out of it. */
export const commandOf = (said: Said, room: RoomState): RoomCommand =>
  ofType(said.body.type).command?.(said, room) ?? (said.body as RoomCommand);

/** What the decision needs to have looked up of what the command is about. */
export const aboutOf = async (db: Db, place: RoomPlace, body: CommandBody): Promise<unknown> =>
  (await ofType(body.type).about?.(db, place, body)) ?? null;

/** Writes the texts of a command into their erasable tables. */
export const writeWords = async (tx: Db, place: RoomPlace, said: Said): Promise<void> =>
  ofType(said.body.type).write?.(tx, place, said);

/** Brings every table that mirrors the room in step with it. */
export async function keepTables(
  tx: Db,
  place: RoomPlace,
  before: RoomState,
  after: RoomState,
  entries: readonly JournalEntry[],
): Promise<void> {
  for (const server of Object.values(servers)) await server.keep?.(tx, place, before, after, entries);
}

/** One fact into its capability's table. */
export const bring = (db: Db, place: FactPlace, fact: FactBody): Promise<FactOutcome> =>
  ofType(fact.type).fact!(db, place, fact);

/** What several people have of their own in a room, over all capabilities. */
export async function ownParts(
  db: Db,
  occurrenceId: string,
  ticketIds: readonly string[],
  room: RoomState,
): Promise<ReadonlyMap<string, OwnParts>> {
  const parts = await Promise.all(
    Object.values(servers).map((server) => server.own?.(db, occurrenceId, ticketIds, room)),
  );
  return new Map(ticketIds.map((id) => [id, Object.assign({}, ...parts.map((part) => part?.get(id))) as OwnParts]));
}

/** How the rows of a log feed are read. */
export const logReader = (topic: string): LogReader => servers[topic.slice(0, topic.indexOf(":"))]!.logs!;

/** Whose own part, and which log feeds, these rows changed. */
export function touchedBy(entries: readonly JournalEntry[]): {
  readonly people: Set<string>;
  readonly logs: Set<string>;
} {
  const touched = entries.map(({ body }) => ofType(body.type).touches?.(body) ?? {});
  return {
    people: new Set(touched.flatMap((one) => one.people ?? [])),
    logs: new Set(touched.flatMap((one) => one.logs ?? [])),
  };
}

/** Whether figures are to be counted anew after these rows. */
export const asksForRecount = (entries: readonly JournalEntry[]): boolean =>
  entries.some(({ body }) => ofType(body.type).recounts?.(body) ?? false);

/** Whose own part these rows changed beyond what the room's state says of it. */
export async function concernedBy(
  db: Db,
  entries: readonly JournalEntry[],
  room: RoomState,
): Promise<readonly string[]> {
  const found = await Promise.all(entries.map(({ body }) => ofType(body.type).concerns?.(db, body, room) ?? []));
  return found.flat();
}

/** The words that rows bring, each part once. */
export function wordsWanted(entries: readonly JournalEntry[]): readonly WordsWanted[] {
  const wanted = new Map<string, { part: WordsWanted["part"]; isAgain: boolean; ids: Set<string> | null }>();
  for (const { body } of entries) {
    for (const { part, ids, isAgain = false } of ofType(body.type).wants?.(body) ?? []) {
      const key = `${part} ${isAgain}`;
      const known = wanted.get(key);
      const all = !ids || known?.ids === null ? null : new Set([...(known?.ids ?? []), ...ids]);
      wanted.set(key, { part, isAgain, ids: all });
    }
  }
  return [...wanted.values()].map(({ part, isAgain, ids }) => ({
    part,
    ...(isAgain ? { isAgain } : {}),
    ...(ids ? { ids: [...ids] } : {}),
  }));
}

export type { FactOutcome, FactPlace, FigureChange, LogReader, RoomPlace, Said, WordsWanted } from "./room-server";
/** Words that stand in no list of their own, over all capabilities. */
const notes: Notes = async (db, of) =>
  new Map((await Promise.all(Object.values(servers).map((server) => server.notes?.(db, of) ?? []))).flat());

/** Names and texts of one date; null for an unknown one. */
export const loadDirectory = (db: Db, occurrenceId: string) => words.loadDirectory(db, occurrenceId, notes);
/** The words with some parts read again. */
export const freshened = (db: Db, of: WordsOf, known: RoomDirectory, wanted: readonly WordsWanted[]) =>
  words.freshened(db, of, known, wanted, notes);

export { loadFigures, loadTallies } from "./figures";
export { captionLanguages, captionsOf } from "./captions";
export { loadFiles } from "./files";
export { mostActs, surfaceActs } from "./board/acts";
export { dropMarks, layMarks } from "./board/lay";
export { recentSignals } from "./signals/recent";
