import { editedParts, type HubPorts, type Join } from "./hub-ports";
import { figuresEveryMs, headsEveryMs, keepAliveEveryMs, mostStreamsEach, recountEveryMs } from "./pace-of-rooms";

export type { HubPorts, Join } from "./hub-ports";
import { beatEveryMs, type AsideBody, type WhisperBody } from "@/contracts";
import { isCurtainUp, isOfTheStage, type JournalEntry } from "@/core/room";
import { Refusal } from "@/core/shared";
import type { RoomNotice } from "../db/notify";
import { journalAfter } from "../db/queries/journal";
import { asksForRecount, concernedBy, touchedBy, wordsWanted, type FactOutcome } from "../room";
import { AsideParts } from "./asides";
import { mayHaveMissed, roomsBehind } from "./behind";
import { doneByTime, dismissLongAway } from "./by-time";
import { actingCapabilities, concerned, isDoorOther } from "./concerned";
import { countAnew } from "./count-anew";
import { Follower } from "./follower";
import { beat, framed, keepAlive, messageText } from "./frame";
import { Health } from "./health";
import { layFact } from "./lay-fact";
import type { LiveRoom } from "./live-room";
import { hearOthers } from "./hear-others";
import { listen, type Listener } from "./listener";
import { readLogs } from "./read-logs";
import { readWords } from "./read-words";
import { OpenRooms } from "./open-rooms";
import { OwnActs, type Decided } from "./own-acts";
import { OwnAtJoining } from "./own-at-joining";
import { personalPart, sendOwnParts, tellChanged } from "./personal";
import { Timers } from "./timers";
import { Relay } from "./relay";

/** Every open stream of this process: follows the journals, folds, projects, writes. */
export class Hub {
  private readonly rooms: OpenRooms;
  private readonly timers: Timers;
  readonly listener: Listener;
  private readonly relay = new Relay();
  private readonly asides = new AsideParts();
  private readonly ownAtJoining: OwnAtJoining;
  readonly acts = new OwnActs(
    (id, done) => this.published(id, done),
    (id, seq) => this.rooms.behind(id, seq).forEach((room) => void this.tail(room, false)),
  );
  private readonly id: string;
  private readonly health: Health;
  private isTicking = false;

  constructor(private readonly ports: HubPorts) {
    this.id = ports.ids.id();
    this.health = new Health(ports.log, (isWell) => {
      if (isWell) ports.databaseBack();
      this.broadcast(framed(messageText("health", { isWell })));
    });
    ports.feeds.onChange((id, on) => this.onAir(id, on));
    this.rooms = new OpenRooms(ports.db, ports.clock, ports.ids);
    this.ownAtJoining = new OwnAtJoining(ports.db);
    this.listener = listen(ports.databaseUrl, ports.log, {
      onNotice: (notice) => this.hear(notice),
      onConnected: () => {
        for (const room of this.rooms) {
          mayHaveMissed(room);
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

  private broadcast(bytes: Uint8Array, isFor: (one: Follower) => boolean = () => true): void {
    for (const room of this.rooms) for (const one of room.followers()) if (isFor(one)) one.write(bytes);
  }

  private withDatabase = (run: () => Promise<void>) => this.health.withDatabase(run);

  /**
   * Follows a room with one stream until the returned function is called. Where a part of it fails nothing
   * of it stays.
   */
  async join(join: Join): Promise<() => void> {
    const room = await this.openRoom(join.occurrenceId, join.ticketId);
    const own = await this.ownAtJoining.of(room, join.ticketId);
    if (room.countOf(join.ticketId) >= mostStreamsEach) throw new Refusal({ code: "too-many-streams" });
    const standing = room.standing(join.ticketId, join.wantsDesk, join.isInside);
    if (!standing) throw new Refusal({ code: room.state.hour.barred.has(join.ticketId) ? "barred" : "not-signed-in" });
    const follower = new Follower(join.connectionId, join.ticketId, join.wantsDesk, standing, join.wire, (one) =>
      this.leave(room, one),
    );
    room.seat(follower);
    const me = own && personalPart(room, join.ticketId, standing, own);
    room.add(follower, join.have, me ? messageText("personal", { me }) : "");
    if (!me) room.changedPeople.add(join.ticketId);
    if (!this.health.isWell) follower.write(framed(messageText("health", { isWell: false })));
    return () => this.leave(room, follower);
  }
  /** This person among its people. */
  async openRoom(occurrenceId: string, ticketId: string | null): Promise<LiveRoom> {
    const room = await this.rooms.open(occurrenceId);
    if (ticketId !== null && !room.words.people.has(ticketId))
      await readWords(this.ports.db, room, [{ part: "people", ids: [ticketId] }]);
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
  private tellChanged = (room: LiveRoom, changed: readonly string[]): Promise<void> =>
    tellChanged(room, changed, (ids) => this.tellOwn(room, ids));
  private withdraw(room: LiveRoom, follower: Follower): void {
    const why = room.state.hour.barred.has(follower.ticketId) ? "shown-out" : "withdrawn";
    follower.write(framed(messageText("closed", { why })));
    this.leave(room, follower);
  }

  /** A room that this process follows; null for any other. */
  known = (occurrenceId: string): LiveRoom | null => this.rooms.get(occurrenceId) ?? null;
  /** After a fact in this process: added here, shown with the next tick, told to the others once a tick. */
  factBrought(occurrenceId: string, ticketId: string, outcome: FactOutcome): void {
    const room = this.rooms.get(occurrenceId);
    if (room) layFact(room, ticketId, outcome);
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
  /** Said to one person alone: to each of their screens at once, in order. */
  told(occurrenceId: string, from: string, said: AsideBody): void {
    this.rooms.get(occurrenceId)?.tell(from, said);
    this.relay.aside(occurrenceId, this.ports.ids.id(), [from, said]);
  }
  /** The decision of a command of this process, just committed: its screens need not wait for NOTIFY. */
  async published(occurrenceId: string, done: Decided["done"]): Promise<void> {
    const room = this.rooms.get(occurrenceId);
    if (room && done)
      await this.rooms.inOrder(occurrenceId, () => this.withDatabase(() => this.takeIn(room, done.entries)));
  }

  private hear(notice: RoomNotice): void {
    if ("piece" in notice) return void this.ports.feeds.hear(notice);
    const room = this.rooms.get(notice.room);
    if (!room) return;
    if ("edited" in notice) void this.tail(room, true);
    else if ("seq" in notice) this.acts.hear(notice.room, notice.seq);
    // as is what it counted and heard
    else if (notice.by !== this.id) hearOthers(room, notice, this.asides, this.ports.clock.now());
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
    if (isCurtainUp(before.hour) && !isCurtainUp(room.state.hour)) this.ports.feeds.curtainFell(room.occurrenceId);
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

  // the one thing that always asks the database: its answer alone says that all is well again
  private pollHeads = async (): Promise<void> => {
    if (this.rooms.size === 0) return;
    await this.withDatabase(async () => {
      const behind = await roomsBehind(this.ports.db, this.rooms);
      this.health.set(true);
      behind.forEach((room) => void this.tail(room, false));
    });
  };

  private onAir(occurrenceId: string, feeds: LiveRoom["figures"]["feeds"]): void {
    const room = this.rooms.get(occurrenceId);
    if (!room) return;
    room.figures = { ...room.figures, feeds };
    room.areFiguresDirty = true;
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
      this.ports.feeds.settleAll();
      for (const room of this.rooms) {
        await this.withDatabase(() => doneByTime(this.ports, room, now));
        if (room.isEmpty) this.forget(room);
        else if (room.fadeSignals() || room.areFiguresDirty || now - room.figuresReadAt >= recountEveryMs) {
          await this.rooms.inOrder(room.occurrenceId, () => this.withDatabase(() => this.showFigures(room)));
        }
      }
    } finally {
      this.isTicking = false;
    }
  }
  private forget(room: LiveRoom): void {
    this.rooms.forget(room);
    this.ports.feeds.forget(room.occurrenceId);
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
    this.ports.feeds.close();
    for (const room of this.rooms) for (const one of [...room.followers()]) this.leave(room, one);
    await this.listener.close();
  }
}
