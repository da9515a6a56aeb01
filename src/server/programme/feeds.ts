import { isProgrammeFeed, onAir, type OnAir, type Piece } from "@/core/programme";
import { notifyPiece, type PieceNotice, type RoomNotice } from "../db/notify";
import { recordedPieces } from "../db/schema";
import type { Db } from "../db/client";
import type { Storage } from "../files/storage";
import type { Log } from "../platform/log";
import { ProgrammeFeed } from "./feed";
import type { Maker } from "./lease";
import { bytesOf, passOn, type PassedPiece } from "./passed-pieces";
import { initFile, pieceFile, writeBytes } from "./piece-files";

/** What was lost counts for so long. */
const losingForMs = 30_000;
/** A piece that nobody keeps stays so long for the other processes. */
const pieceFilesKept = 30;

interface Ports {
  readonly db: Db;
  readonly storage: Storage;
  readonly log: Log;
  /** of this process */
  readonly id: string;
  readonly now: () => number;
}
type Changed = (occurrenceId: string, feeds: ReadonlyMap<string, OnAir>) => void;

/** Every feed that this process passes on. */
export class ProgrammeFeeds {
  private readonly rooms = new Map<string, Map<string, ProgrammeFeed>>();
  private readonly told = new Map<string, string>();
  private changed: Changed = () => {};

  /** Which feeds are on the air, and by whom, is another than before. */
  onChange(told: Changed): void {
    this.changed = told;
  }

  constructor(private readonly ports: Ports) {}

  of(occurrenceId: string, feed: string): ProgrammeFeed {
    const own = this.rooms.get(occurrenceId) ?? new Map<string, ProgrammeFeed>();
    this.rooms.set(occurrenceId, own);
    const known = own.get(feed) ?? new ProgrammeFeed();
    own.set(feed, known);
    return known;
  }

  async takeInit(occurrenceId: string, maker: Maker, number: number, bytes: Uint8Array): Promise<void> {
    const name = initFile(maker.roomId, maker.feed, number);
    if (!(await this.kept(occurrenceId, name, bytes))) {
      this.missingInits.add(name);
      await this.passed(occurrenceId, maker, { name, isInit: true, bytes });
    }
    this.of(occurrenceId, maker.feed).takeInit(number, bytes, maker.holderId);
    const { roomId, feed, holderId } = maker;
    await this.tell(occurrenceId, { roomId, feed, holderId, initNumber: number, piece: null });
  }

  /** Viewers of this process first; then the others, and the disk. @param isKept whether the hour is recorded now */
  async take(occurrenceId: string, maker: Maker, piece: Piece, bytes: Uint8Array, isKept: boolean): Promise<void> {
    const { roomId, feed, holderId, organisationId } = maker;
    const own = this.of(occurrenceId, feed);
    // what reads it may have been posted to another process a moment ago
    if (!own.init(piece.initNumber))
      own.takeInit(piece.initNumber, await this.read(initFile(roomId, feed, piece.initNumber)), holderId);
    own.take(piece, bytes, holderId);
    this.settle(occurrenceId);
    const name = pieceFile(roomId, feed, piece.number);
    const isWritten =
      (await this.initKept(occurrenceId, initFile(roomId, feed, piece.initNumber), own.init(piece.initNumber)!)) &&
      (await this.kept(occurrenceId, name, bytes));
    if (!isWritten) {
      if (!(await this.passed(occurrenceId, maker, { name, isInit: false, bytes }))) return;
    } else if (isKept) {
      const row = { roomId, organisationId, feed, ...piece, sizeBytes: bytes.length };
      await this.ports.db.insert(recordedPieces).values(row).onConflictDoNothing();
    } else void this.forgetLater(roomId, feed, piece.number);
    await this.tell(occurrenceId, { roomId, feed, holderId, initNumber: piece.initNumber, piece });
  }
  private tell(occurrenceId: string, notice: PieceNotice): Promise<unknown> {
    return notifyPiece(this.ports.db, occurrenceId, notice, this.ports.id);
  }
  /**
   * Writes it down, for the other processes and the recording. Where the disk is full the hour goes on without a
   * recording, and the desk is told. @returns whether it stands
   */
  private async kept(occurrenceId: string, name: string, bytes: Uint8Array): Promise<boolean> {
    try {
      await writeBytes(this.ports.storage, name, bytes);
      return true;
    } catch (error) {
      if (!this.isLosing(occurrenceId))
        this.ports.log.error("a piece could not be kept", error, { date: occurrenceId });
      this.lostAt.set(occurrenceId, this.ports.now());
      return false;
    }
  }
  /** Where there is no room in the files the database takes it to the other processes. @returns whether it could */
  private async passed(occurrenceId: string, maker: Maker, piece: PassedPiece): Promise<boolean> {
    try {
      await passOn(this.ports.db, maker, piece, this.ports.now());
      return true;
    } catch (error) {
      this.ports.log.warn("a piece could not be passed on", { date: occurrenceId, error: String(error) });
      return false;
    }
  }
  private read = (name: string): Promise<Uint8Array> => bytesOf(this.ports.db, this.ports.storage, name);
  /** What pieces are read by may have come while there was no room for it: no piece is kept that nothing could read. */
  private async initKept(occurrenceId: string, name: string, bytes: Uint8Array): Promise<boolean> {
    if (!this.missingInits.has(name)) return true;
    const isKept = await this.kept(occurrenceId, name, bytes);
    if (isKept) this.missingInits.delete(name);
    return isKept;
  }
  private readonly missingInits = new Set<string>();
  private readonly lostAt = new Map<string, number>();
  /** Whether what was made lately could not be kept. */
  isLosing(occurrenceId: string): boolean {
    return this.ports.now() - (this.lostAt.get(occurrenceId) ?? -Infinity) < losingForMs;
  }
  private readonly unkept: { readonly name: string }[] = [];
  private async forgetLater(roomId: string, feed: string, number: number): Promise<void> {
    this.unkept.push({ name: pieceFile(roomId, feed, number) });
    if (this.unkept.length > pieceFilesKept) await this.ports.storage.remove(this.unkept.shift()!.name);
  }

  /**
   * What another process took: read from the storage, for the viewers of this one. One after the other in
   * each feed: a piece still being read must not put back on the air what was given back after it.
   */
  hear({ room: occurrenceId, piece: notice, by }: Extract<RoomNotice, { piece: unknown }>): Promise<void> {
    if (by === this.ports.id) return Promise.resolve();
    const feed = this.of(occurrenceId, notice.feed);
    const heard = (this.hearing.get(feed) ?? Promise.resolve()).then(() => this.hearOne(occurrenceId, feed, notice));
    this.hearing.set(feed, heard);
    return heard;
  }
  private readonly hearing = new WeakMap<ProgrammeFeed, Promise<void>>();
  private async hearOne(occurrenceId: string, feed: ProgrammeFeed, notice: PieceNotice): Promise<void> {
    const { roomId, feed: name, holderId, initNumber, piece } = notice;
    if (holderId === null) {
      feed.holderId = null;
      return this.settle(occurrenceId);
    }
    try {
      if (!feed.init(initNumber))
        feed.takeInit(initNumber, await this.read(initFile(roomId, name, initNumber)), holderId);
      if (piece) feed.take(piece, await this.read(pieceFile(roomId, name, piece.number)), holderId);
      this.settle(occurrenceId);
    } catch (error) {
      this.ports.log.warn("a piece of another process was not there", { feed: name, error: String(error) });
    }
  }

  curtainFell(occurrenceId: string): void {
    for (const feed of this.rooms.get(occurrenceId)?.values() ?? []) feed.forgetStage();
  }

  /** Its maker gave it back: it is off the air at once, in every process. */
  async giveBack(occurrenceId: string, { roomId, feed }: Maker): Promise<void> {
    this.of(occurrenceId, feed).holderId = null;
    this.settle(occurrenceId);
    await this.tell(occurrenceId, { roomId, feed, holderId: null, initNumber: 0, piece: null });
  }

  /** Says which feeds are on the air, where that changed. */
  settle(occurrenceId: string): void {
    const now = this.ports.now();
    const live = new Map<string, OnAir>();
    for (const [name, feed] of this.rooms.get(occurrenceId) ?? []) {
      const on = feed.holderId && onAir(feed.holderId, now - feed.lastAt, isProgrammeFeed(name));
      if (on) live.set(name, on);
    }
    const text = JSON.stringify([...live]);
    if (text === (this.told.get(occurrenceId) ?? "[]")) return;
    this.told.set(occurrenceId, text);
    this.changed(occurrenceId, live);
  }
  settleAll(): void {
    for (const occurrenceId of this.rooms.keys()) this.settle(occurrenceId);
  }
  /** A room that nobody follows and nobody watches is forgotten. */
  forget(occurrenceId: string): void {
    const own = this.rooms.get(occurrenceId);
    if (!own || [...own.values()].some((feed) => feed.viewerCount > 0)) return;
    this.rooms.delete(occurrenceId);
    this.told.delete(occurrenceId);
    this.lostAt.delete(occurrenceId);
  }
  close(): void {
    for (const own of this.rooms.values()) for (const feed of own.values()) feed.end();
  }
}
