import { editedParts, type HubPorts, type Join } from "./hub-ports";

export type { HubPorts, Join } from "./hub-ports";
import { beatEveryMs, type WhisperBody } from "@/contracts";
import { isOfTheStage, type JournalEntry } from "@/core/room";
import { Refusal } from "@/core/shared";
import { isDatabaseAway } from "../db/away";
import type { RoomNotice } from "../db/notify";
import { journalAfter } from "../db/queries/journal";
import { asksForRecount, concernedBy, touchedBy, wordsWanted, type FactOutcome } from "../room";
import { roomsBehind } from "./behind";
import { closeOverdue, dismissLongAway } from "./by-time";
import { actingCapabilities, concerned, isDoorOther } from "./concerned";
import { countAnew } from "./count-anew";
import { Follower } from "./follower";
import { beat, framed, keepAlive, messageText } from "./frame";
import type { LiveRoom } from "./live-room";
import { listen } from "./listener";
import { readLogs } from "./read-logs";
import { readWords } from "./read-words";
import { OpenRooms } from "./open-rooms";
import { sendOwnParts } from "./personal";
import { Timers } from "./timers";
import { Relay } from "./relay";
import type { Said } from "./whispers";

const figuresEveryMs = 250;
/** presence alone, and what another process counted, is read anew at most this often */
const recountEveryMs = 5000;
const headsEveryMs = 1000;
const keepAliveEveryMs = 15_000;
const mostStreamsEach = 4;

/** Every open stream of this process: follows the journals, folds, projects, writes. */
export class Hub {
  private readonly rooms: OpenRooms;
  private readonly timers: Timers;
  private readonly listener: { close(): Promise<void> };
  private readonly relay = new Relay();
  private readonly id: string;
  private isWell = true;
  private isTicking = false;

  constructor(private readonly ports: HubPorts) {
    this.id = ports.ids.id();
    this.rooms = new OpenRooms(ports.db, ports.clock, ports.ids);
    this.listener = listen(ports.databaseUrl, ports.log, {
      onNotice: (notice) => this.hear(notice),
      onConnected: () => {
        for (const room of this.rooms) {
          room.figuresReadAt = 0;
          for (const log of room.logs.values()) log.isBehind = true;
          void this.tail(room, true);
        }
      },
    });
    this.timers = new Timers(ports.log);
    this.timers.every(figuresEveryMs, () => this.tick());
    this.timers.every(headsEveryMs, () => this.pollHeads());
    this.timers.every(keepAliveEveryMs, () => this.broadcast(keepAlive));
    this.timers.every(beatEveryMs, () => this.broadcast(beat, ({ standing }) => isOfTheStage(standing)));
  }

  private setHealth(isWell: boolean): void {
    if (this.isWell === isWell) return;
    this.isWell = isWell;
    if (isWell) this.ports.databaseBack();
    this.broadcast(framed(messageText("health", { isWell })));
  }
  private broadcast(bytes: Uint8Array, isFor: (one: Follower) => boolean = () => true): void {
    for (const room of this.rooms) for (const one of room.followers()) if (isFor(one)) one.write(bytes);
  }

  /** Does something with the database. While it is away the screens are told; every other failure is a defect. */
  private async withDatabase(run: () => Promise<void>): Promise<void> {
    try {
      await run();
    } catch (error) {
      if (!isDatabaseAway(error)) throw error;
      this.ports.log.warn("live: database does not answer", { code: (error as { code?: string }).code });
      this.setHealth(false);
    }
  }

  /**
   * Follows a room with one stream until the returned function is called. Where a part of it fails nothing
   * of it stays.
   */
  async join(join: Join): Promise<() => void> {
    const room = await this.openRoom(join.occurrenceId, join.ticketId);
    if (room.countOf(join.ticketId) >= mostStreamsEach) throw new Refusal({ code: "too-many-streams" });
    const standing = room.standing(join.ticketId, join.wantsDesk, join.isInside);
    if (!standing) throw new Refusal({ code: room.state.hour.barred.has(join.ticketId) ? "barred" : "not-signed-in" });
    const leave = (follower: Follower) => this.leave(room, follower);
    const follower = new Follower(join.connectionId, join.ticketId, join.wantsDesk, standing, join.wire, leave);
    room.seat(follower);
    room.add(follower, join.have);
    if (!this.isWell) follower.write(framed(messageText("health", { isWell: false })));
    // own parts go with the next tick, those of all who came in one read
    room.changedPeople.add(join.ticketId);
    return () => this.leave(room, follower);
  }
  /** The room in memory, this person among its people. */
  async openRoom(occurrenceId: string, ticketId: string): Promise<LiveRoom> {
    const room = await this.rooms.open(occurrenceId);
    if (!room.words.people.has(ticketId)) await readWords(this.ports.db, room, [{ part: "people", ids: [ticketId] }]);
    return room;
  }
  private leave(room: LiveRoom, follower: Follower): void {
    if (!room.remove(follower)) return;
    follower.end();
    room.areFiguresDirty = true;
    room.figuresReadAt = 0;
  }

  private tellOwn = (room: LiveRoom, ticketIds: Iterable<string>): Promise<void> =>
    sendOwnParts(this.ports.db, room, ticketIds, (one) => this.withdraw(room, one));
  /** Whose own part changed since the last tick is told; where that fails, with the next one. */
  private async tellChanged(room: LiveRoom, changed: readonly string[]): Promise<void> {
    room.changedPeople.clear();
    try {
      await this.tellOwn(room, changed);
    } catch (error) {
      for (const id of changed) room.changedPeople.add(id);
      room.areFiguresDirty = true;
      throw error;
    }
  }
  private withdraw(room: LiveRoom, follower: Follower): void {
    const why = room.state.hour.barred.has(follower.ticketId) ? "shown-out" : "withdrawn";
    follower.write(framed(messageText("closed", { why })));
    this.leave(room, follower);
  }

  /** What the facts' services ask of a room that this process follows; null for any other. */
  known = (occurrenceId: string): LiveRoom | null => this.rooms.get(occurrenceId) ?? null;
  /** After a fact in this process: added here, shown with the next tick, told to the others once a tick. */
  factBrought(occurrenceId: string, ticketId: string, outcome: FactOutcome): void {
    const room = this.rooms.get(occurrenceId);
    for (const id of [ticketId, ...(outcome.concerns ?? [])]) room?.changedPeople.add(id);
    if (outcome.figure) room?.addFigure(outcome.figure);
    if (outcome.lines) for (const row of outcome.lines.rows) room?.logs.get(outcome.lines.topic)?.take(row);
    this.factsChanged(occurrenceId, outcome.lines ? [outcome.lines.topic] : []);
  }
  /** After a coming or going in this process. */
  factsChanged(occurrenceId: string, logs: readonly string[] = []): void {
    const room = this.rooms.get(occurrenceId);
    if (room) room.areFiguresDirty = true;
    this.relay.facts(occurrenceId, logs);
  }
  /** Said in passing in this process: shown with the next tick, and told to the others with it. */
  whispered(occurrenceId: string, ticketId: string, body: WhisperBody): void {
    this.rooms.get(occurrenceId)?.hear([[ticketId, body]]);
    this.relay.whisper(occurrenceId, [ticketId, body]);
  }
  /** The decision of a command of this process, just committed: its screens need not wait for NOTIFY. */
  async published(occurrenceId: string, done: { readonly entries: readonly JournalEntry[] } | null): Promise<void> {
    const room = this.rooms.get(occurrenceId);
    if (!room || !done) return;
    await this.rooms.inOrder(occurrenceId, () => this.withDatabase(() => this.takeIn(room, done.entries)));
  }

  private hear(notice: RoomNotice): void {
    const room = this.rooms.get(notice.room);
    if (!room) return;
    if ("whispers" in notice) {
      if (notice.by !== this.id) room.hear(notice.whispers as readonly Said[]);
    } else if ("facts" in notice) {
      // what this process counted itself is in memory already
      if (notice.by === this.id) return;
      room.areFiguresDirty = true;
      for (const topic of notice.logs) room.logs.get(topic)?.fallBehind();
      room.figuresReadAt = Math.min(room.figuresReadAt, this.ports.clock.now() - recountEveryMs + 1000);
    } else if ("edited" in notice) void this.tail(room, true);
    // rows that this process wrote itself are in memory already
    else if (notice.seq > room.state.seq) void this.tail(room, false);
  }
  private tail(room: LiveRoom, isEdited: boolean): Promise<void> {
    return this.rooms
      .inOrder(room.occurrenceId, () =>
        this.withDatabase(async () => {
          if (isEdited) {
            await readWords(this.ports.db, room, editedParts);
            this.ports.rightsChanged();
          }
          await this.takeIn(room, await journalAfter(this.ports.db, room.roomId, room.state.seq), isEdited);
        }),
      )
      .catch((error: unknown) => this.ports.log.error("following a room failed", error, { date: room.occurrenceId }));
  }

  /** New rows: their words, the fold, everybody's place, one publication. */
  private async takeIn(room: LiveRoom, entries: readonly JournalEntry[], isEdited = false): Promise<void> {
    const before = room.state;
    const wanted = wordsWanted(entries.filter((entry) => entry.seq > room.state.seq));
    // rows that skip some are not the next ones: the journal itself is asked
    const isNext = entries.length === 0 || entries[0]!.seq <= room.state.seq + 1;
    const rows = isNext ? entries : await journalAfter(this.ports.db, room.roomId, room.state.seq);
    await readWords(this.ports.db, room, isNext ? wanted : wordsWanted(rows));
    room.foldIn(rows);
    if (before === room.state && !isEdited) return;
    const touched = touchedBy(rows);
    for (const topic of touched.logs) room.logs.get(topic)!.isBehind = true;
    await readLogs(this.ports.db, room);
    this.showPlaces(room);
    room.publish(isEdited ? undefined : actingCapabilities(rows));
    const further = [...touched.people, ...(await concernedBy(this.ports.db, rows, room.state))];
    await this.tellOwn(room, [...concerned(before, room.state), ...further]);
    if (asksForRecount(rows)) await this.readFigures(room);
    if (isDoorOther(before, room.state)) {
      for (const id of room.inFoyer()) room.changedPeople.add(id);
      await this.readFigures(room);
    }
  }
  /** Rights are looked at again: whoever lost theirs is shown out, whoever moved gets the feeds of their place. */
  private showPlaces(room: LiveRoom, ticketIds?: Iterable<string>): readonly Follower[] {
    const { gone, moved } = room.restand(ticketIds);
    gone.forEach((one) => this.withdraw(room, one));
    return moved;
  }

  private async pollHeads(): Promise<void> {
    if (this.rooms.size === 0) return;
    await this.withDatabase(async () => {
      const behind = await roomsBehind(this.ports.db, this.rooms);
      // the one thing that always asks the database: its answer alone says that all is well again
      this.setHealth(true);
      behind.forEach((room) => void this.tail(room, false));
    });
  }

  private async tick(): Promise<void> {
    if (this.isTicking) return;
    this.isTicking = true;
    try {
      await this.withDatabase(async () => {
        await this.ports.flushPresence();
        await this.relay.tell(this.ports.db, this.id);
      });
      const now = this.ports.clock.now();
      for (const room of this.rooms) {
        await this.withDatabase(() => closeOverdue(this.ports, room, now));
        if (room.isEmpty) this.rooms.forget(room);
        else if (room.fadeSignals() || room.areFiguresDirty || now - room.figuresReadAt >= recountEveryMs) {
          await this.rooms.inOrder(room.occurrenceId, () => this.withDatabase(() => this.showFigures(room)));
        }
      }
    } finally {
      this.isTicking = false;
    }
  }
  /** Merged figures to the screens; read from the tables where that is due. */
  private async showFigures(room: LiveRoom): Promise<void> {
    room.areFiguresDirty = false;
    room.showArrived();
    room.fadeSignals();
    await readLogs(this.ports.db, room);
    if (this.ports.clock.now() - room.figuresReadAt >= recountEveryMs) return this.readFigures(room);
    room.publish();
    await this.tellChanged(room, [...room.changedPeople]);
    if (room.hasAdmissible() && (await this.ports.admit(room.occurrenceId)) > 0) await this.readFigures(room);
  }
  private async readFigures(room: LiveRoom): Promise<void> {
    const now = this.ports.clock.now();
    await countAnew(this.ports.db, room, now);
    room.showArrived();
    await readWords(this.ports.db, room, [{ part: "people", ids: [...room.figures.present.keys()] }]);
    const moved = this.showPlaces(room).map((one) => one.ticketId);
    room.publish();
    await this.tellChanged(room, [...room.changedPeople, ...moved]);
    await dismissLongAway(this.ports, room, now);
    if (room.hasAdmissible() && (await this.ports.admit(room.occurrenceId)) > 0) {
      room.areFiguresDirty = true;
      room.figuresReadAt = 0;
    }
  }
  /** Ends every stream: open ones would keep the server from stopping. */
  async close(): Promise<void> {
    this.timers.stop();
    for (const room of this.rooms) for (const one of [...room.followers()]) this.leave(room, one);
    await this.listener.close();
  }
}
