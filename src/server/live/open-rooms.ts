import type { Db } from "../db/client";
import { loadRoom, logHeads, mainRoomOf } from "../db/queries/journal";
import type { Clock } from "../platform/clock";
import type { Ids } from "../platform/ids";
import { logTopics } from "@/core/room";
import { loadDirectory, logReader } from "../room";
import { countAnew } from "./count-anew";
import { LiveRoom } from "./live-room";
import { LogTail } from "./log-tail";

/** The rooms that this process follows, by date. Two who come at once open it once. */
export class OpenRooms implements Iterable<LiveRoom> {
  private readonly rooms = new Map<string, LiveRoom>();
  private readonly opening = new Map<string, Promise<LiveRoom>>();
  private readonly chains = new Map<string, Promise<void>>();

  constructor(
    private readonly db: Db,
    private readonly clock: Clock,
    private readonly ids: Ids,
  ) {}

  [Symbol.iterator](): Iterator<LiveRoom> {
    return [...this.rooms.values()][Symbol.iterator]();
  }
  get(occurrenceId: string): LiveRoom | undefined {
    return this.rooms.get(occurrenceId);
  }
  get size(): number {
    return this.rooms.size;
  }

  async open(occurrenceId: string): Promise<LiveRoom> {
    const known = this.rooms.get(occurrenceId) ?? this.opening.get(occurrenceId);
    if (known) return known;
    const opening = this.load(occurrenceId).finally(() => this.opening.delete(occurrenceId));
    this.opening.set(occurrenceId, opening);
    return opening;
  }
  private async load(occurrenceId: string): Promise<LiveRoom> {
    const { db, clock } = this;
    const [main, directory] = await Promise.all([mainRoomOf(db, occurrenceId), loadDirectory(db, occurrenceId)]);
    if (!main || !directory) throw new Error("unknown date");
    const { eventId, words } = directory;
    const now = () => clock.now();
    const room = new LiveRoom(main.id, occurrenceId, eventId, main.organisationId, words, this.ids.id(), now);
    room.state = await loadRoom(db, main.id);
    await countAnew(db, room, clock.now());
    const heads = await logHeads(db, main.id);
    for (const [topic, { window }] of logTopics) {
      const head = heads.get(topic) ?? 0;
      // most feeds of most rooms have no row: side rooms alone are forty
      const rows = head === 0 ? [] : await logReader(topic).before(db, main.id, topic, null, window);
      room.logs.set(
        topic,
        new LogTail(
          topic,
          window,
          [...rows].sort((a, b) => a.rev - b.rev),
          head,
        ),
      );
    }
    this.rooms.set(occurrenceId, room);
    return room;
  }

  /** The room of a date whose journal has come further than memory: rows that this process wrote itself are in it. */
  behind(occurrenceId: string, seq: number): readonly LiveRoom[] {
    const room = this.rooms.get(occurrenceId);
    return room && seq > room.state.seq ? [room] : [];
  }
  /** Lets go of a room that nobody follows, and of everything that was kept for it. */
  forget(room: LiveRoom): void {
    this.rooms.delete(room.occurrenceId);
    this.chains.delete(room.occurrenceId);
  }

  /** Runs one thing after another for a room, so that folding never overtakes itself. */
  inOrder<T>(occurrenceId: string, run: () => Promise<T>): Promise<T> {
    const next = (this.chains.get(occurrenceId) ?? Promise.resolve()).then(run);
    const settled = next.then(
      () => {},
      () => {},
    );
    this.chains.set(occurrenceId, settled);
    return next;
  }
}
