import { signLostAfterMs } from "@/contracts";
import type { Circumstance, RoleClass } from "@/core/people";
import { isStageRole } from "@/core/people";
import type { RoomState } from "@/core/room";
import type { Db } from "../db/client";
import { notifyFacts } from "../db/notify";
import { journalAfter, journalHeads } from "../db/queries/journal";
import { loadDirectory } from "../db/queries/room-directory";
import { loadFigures } from "../db/queries/room-figures";
import type { Clock } from "../platform/clock";
import type { Log } from "../platform/log";
import { encode, keepAlive, type LiveConnection, type Sink } from "./connection";
import { LiveRoom } from "./live-room";
import { listen } from "./listener";
import { personalParts } from "./personal";

export interface HubPorts {
  readonly db: Db;
  readonly databaseUrl: string;
  readonly clock: Clock;
  readonly log: Log;
  /** lets the foyer in, under the room's lock */
  admit(occurrenceId: string): Promise<number>;
  /** people, roles or the plan of some date were edited */
  rightsChanged(): void;
  /** writes gathered signs of life and closes lost connections */
  flushPresence(): Promise<void>;
}

export interface Join {
  readonly occurrenceId: string;
  readonly connectionId: string;
  readonly ticketId: string;
  readonly wanted: "desk" | "own";
  readonly isInside: boolean;
  /** last position seen and the class of picture it was seen in */
  readonly resume: { readonly after: number; readonly roleClass: RoleClass } | null;
  readonly sink: Sink;
}

const figuresEveryMs = 250;
const figuresAtLeastEveryMs = 5000;
const headsEveryMs = 1000;
const keepAliveEveryMs = 15_000;

/** Every open stream of this process: tails the journals, folds, projects, writes. */
export class Hub {
  private readonly rooms = new Map<string, LiveRoom>();
  private readonly opening = new Map<string, Promise<LiveRoom>>();
  private readonly chains = new Map<string, Promise<void>>();
  private readonly timers: NodeJS.Timeout[] = [];
  private readonly listener: { close(): Promise<void> };
  private readonly factsToTell = new Set<string>();
  private isWell = true;
  private isTicking = false;

  constructor(private readonly ports: HubPorts) {
    this.listener = listen(ports.databaseUrl, ports.log, {
      onJournal: (id) => void this.tail(id),
      onFacts: (id) => {
        const room = this.rooms.get(id);
        if (room) room.areFiguresDirty = true;
      },
      onConnected: () => {
        for (const [id, room] of this.rooms) {
          room.areFiguresDirty = true;
          void this.tail(id);
        }
      },
    });
    this.every(figuresEveryMs, () => this.tick());
    this.every(headsEveryMs, () => this.pollHeads());
    this.every(keepAliveEveryMs, () => this.broadcast(keepAlive));
  }

  private every(ms: number, run: () => Promise<void> | void): void {
    const timer = setInterval(() => {
      Promise.resolve(run()).catch((error: unknown) => this.ports.log.error("live tick failed", error));
    }, ms);
    timer.unref();
    this.timers.push(timer);
  }

  /** Runs one thing after another for a room, so that folding never overtakes itself. */
  private inOrder(id: string, run: () => Promise<void>): Promise<void> {
    const next = (this.chains.get(id) ?? Promise.resolve()).then(run);
    this.chains.set(
      id,
      next.catch(() => {}),
    );
    return next;
  }

  private setHealth(isWell: boolean): void {
    if (this.isWell === isWell) return;
    this.isWell = isWell;
    this.broadcast(encode("health", { isWell }));
  }

  private broadcast(bytes: Uint8Array): void {
    for (const room of this.rooms.values()) for (const one of room.connections.values()) room.write(one, bytes);
  }

  /** Does something with the database; while it is away the screens are told and nothing is given up. */
  private async withDatabase(run: () => Promise<void>): Promise<void> {
    try {
      await run();
    } catch (error) {
      this.ports.log.warn("live: database does not answer", { code: (error as { code?: string }).code });
      this.setHealth(false);
    }
  }

  private async roomFor(occurrenceId: string): Promise<LiveRoom> {
    const known = this.rooms.get(occurrenceId) ?? this.opening.get(occurrenceId);
    if (known) return known;
    const opening = this.openRoom(occurrenceId).finally(() => this.opening.delete(occurrenceId));
    this.opening.set(occurrenceId, opening);
    return opening;
  }

  private async openRoom(occurrenceId: string): Promise<LiveRoom> {
    const { db, clock } = this.ports;
    const directory = await loadDirectory(db, occurrenceId);
    if (!directory) throw new Error("unknown date");
    const room = new LiveRoom(
      occurrenceId,
      directory,
      () => clock.now(),
      (one) => this.leave(room, one),
    );
    room.foldIn(await journalAfter(db, occurrenceId, 0));
    room.figures = await loadFigures(db, occurrenceId, clock.now() - signLostAfterMs);
    this.rooms.set(occurrenceId, room);
    return room;
  }

  private leave(room: LiveRoom, connection: LiveConnection): void {
    if (!room.connections.delete(connection.connectionId)) return;
    connection.sink.end();
    room.areFiguresDirty = true;
  }

  /** Follows a room with one stream until the returned function is called. */
  async join(join: Join): Promise<() => void> {
    const room = await this.roomFor(join.occurrenceId);
    if (!room.directory.people.has(join.ticketId)) await this.reloadDirectory(room);
    const connection: LiveConnection = {
      connectionId: join.connectionId,
      ticketId: join.ticketId,
      roleClass: this.classFor(room, join),
      sink: join.sink,
    };
    room.connections.set(join.connectionId, connection);
    const canResume = join.resume?.roleClass === connection.roleClass;
    room.welcome(connection, canResume ? join.resume!.after : null);
    if (!this.isWell) room.write(connection, encode("health", { isWell: false }));
    room.areFiguresDirty = true;
    await this.sendOwnParts(room, [join.ticketId]);
    return () => this.leave(room, connection);
  }

  private classFor(room: LiveRoom, join: Join): RoleClass {
    const role = room.directory.people.get(join.ticketId)?.role;
    if (role && isStageRole(role))
      return join.wanted === "desk" && (role === "producer" || role === "crew") ? "desk" : "stage";
    return join.isInside ? "house" : "foyer";
  }

  private async sendOwnParts(room: LiveRoom, ticketIds: Iterable<string>): Promise<void> {
    const here = new Map(
      [...ticketIds].map((id) => [id, room.connectionsOf(id)] as const).filter(([, own]) => own.length > 0),
    );
    if (here.size === 0) return;
    const parts = await personalParts(this.ports.db, room, [...here.keys()]);
    for (const [ticketId, own] of here) {
      const me = parts.get(ticketId);
      for (const one of own) {
        if (me) room.write(one, encode("personal", { connectionId: one.connectionId, me }));
        else this.withdraw(room, one);
      }
    }
  }

  private withdraw(room: LiveRoom, connection: LiveConnection): void {
    room.write(connection, encode("closed", {}));
    this.leave(room, connection);
  }

  /** After an act that only its own person's screens show, a ballot or a vote: sent with the next figures. */
  personalChanged(occurrenceId: string, ticketId: string): void {
    this.rooms.get(occurrenceId)?.changedPeople.add(ticketId);
    this.factsChanged(occurrenceId);
  }

  /** After a ballot, a vote, a coming or going in this process: the others hear of it once a tick. */
  factsChanged(occurrenceId: string): void {
    const room = this.rooms.get(occurrenceId);
    if (room) room.areFiguresDirty = true;
    this.factsToTell.add(occurrenceId);
  }

  private async tellFacts(): Promise<void> {
    const ids = [...this.factsToTell];
    this.factsToTell.clear();
    for (const id of ids) await notifyFacts(this.ports.db, id);
  }

  /** What the permission table reads of a room that this process follows; null for any other. */
  circumstance(occurrenceId: string): Circumstance | null {
    const room = this.rooms.get(occurrenceId);
    return room
      ? { phase: room.state.phase, questionsOn: room.directory.questionsOn, pollsOn: room.directory.pollsOn }
      : null;
  }

  private async reloadDirectory(room: LiveRoom): Promise<void> {
    const directory = await loadDirectory(this.ports.db, room.occurrenceId);
    if (directory) room.directory = directory;
  }

  /** Rights are looked at again: whoever lost theirs is shown out. */
  private checkRights(room: LiveRoom): void {
    for (const one of [...room.connections.values()]) {
      const person = room.directory.people.get(one.ticketId);
      const isStage = person !== undefined && isStageRole(person.role);
      const fits = one.roleClass === "desk" || one.roleClass === "stage" ? isStage : person !== undefined;
      if (!fits) this.withdraw(room, one);
    }
  }

  private tail(occurrenceId: string): Promise<void> {
    const room = this.rooms.get(occurrenceId);
    if (!room) return Promise.resolve();
    return this.inOrder(occurrenceId, () =>
      this.withDatabase(async () => {
        const entries = await journalAfter(this.ports.db, occurrenceId, room.state.seq);
        const bringsWords = entries.some(({ body }) => wordsFrom.has(body.type));
        // a notification without rows: people, run sheet or plan were edited
        if (entries.length === 0 || bringsWords) await this.reloadDirectory(room);
        if (entries.length === 0) {
          this.ports.rightsChanged();
          this.checkRights(room);
        }
        const before = room.state;
        room.foldIn(entries);
        room.publish();
        await this.sendOwnParts(room, concerned(before, room.state));
        if (entries.some(({ body }) => body.type === "doors.opened" || body.type === "doors.released"))
          await this.readFigures(room);
      }),
    );
  }

  private async pollHeads(): Promise<void> {
    if (this.rooms.size === 0) return;
    await this.withDatabase(async () => {
      const heads = await journalHeads(this.ports.db, [...this.rooms.keys()]);
      // the one thing that always asks the database: its answer alone says that all is well again
      this.setHealth(true);
      for (const [id, seq] of heads) if (seq > (this.rooms.get(id)?.state.seq ?? seq)) void this.tail(id);
    });
  }

  private async tick(): Promise<void> {
    if (this.isTicking) return;
    this.isTicking = true;
    try {
      await this.withDatabase(async () => {
        await this.ports.flushPresence();
        await this.tellFacts();
      });
      const now = this.ports.clock.now();
      for (const [id, room] of this.rooms) {
        if (room.connections.size === 0) this.rooms.delete(id);
        else if (room.areFiguresDirty || now - room.figuresReadAt > figuresAtLeastEveryMs) {
          await this.inOrder(id, () => this.withDatabase(() => this.readFigures(room)));
        }
      }
    } finally {
      this.isTicking = false;
    }
  }

  private async readFigures(room: LiveRoom): Promise<void> {
    const now = this.ports.clock.now();
    room.areFiguresDirty = false;
    room.figuresReadAt = now;
    const changed = [...room.changedPeople];
    room.changedPeople.clear();
    room.figures = await loadFigures(this.ports.db, room.occurrenceId, now - signLostAfterMs);
    if ([...room.figures.present.keys()].some((id) => !room.directory.people.has(id))) await this.reloadDirectory(room);
    await this.moveBetweenFoyerAndHouse(room);
    room.publish();
    await this.sendOwnParts(room, changed);
    if (this.hasAdmissible(room) && (await this.ports.admit(room.occurrenceId)) > 0) room.areFiguresDirty = true;
  }

  /** Somebody let in gets the house's picture; a stream never shows more than its place allows. */
  private async moveBetweenFoyerAndHouse(room: LiveRoom): Promise<void> {
    const movedIds = new Set<string>();
    for (const one of room.connections.values()) {
      if (one.roleClass !== "foyer" || room.figures.present.get(one.ticketId) !== "house") continue;
      one.roleClass = "house";
      room.welcome(one, null);
      movedIds.add(one.ticketId);
    }
    await this.sendOwnParts(room, movedIds);
  }

  private hasAdmissible(room: LiveRoom): boolean {
    if (room.state.phase !== "open") return false;
    let waiting = 0;
    let seated = 0;
    for (const [id, place] of room.figures.present) {
      if (place === "foyer") waiting += 1;
      else if (place === "house" && room.directory.people.get(id)?.role === "attendee") seated += 1;
    }
    return waiting > 0 && seated < room.directory.houseSize;
  }

  /** Ends every stream: open ones would keep the server from stopping. */
  async close(): Promise<void> {
    this.timers.forEach(clearInterval);
    for (const room of this.rooms.values()) for (const one of [...room.connections.values()]) this.leave(room, one);
    await this.listener.close();
  }
}

/** Rows that name something whose words are not in memory yet. */
const wordsFrom: ReadonlySet<string> = new Set([
  "question.asked",
  "question.answered",
  "poll.added",
  "run-sheet.changed",
  "stage.entered",
]);

/** Those whose personal part changed between two states of a room. */
function concerned(before: RoomState, after: RoomState): ReadonlySet<string> {
  const out = new Set<string>();
  for (const [id, question] of Object.entries(after.questions))
    if (before.questions[id] !== question) out.add(question.askerId);
  for (const [id, person] of Object.entries(after.people)) if (before.people[id]?.place !== person.place) out.add(id);
  return out;
}
