import type { StreamMessages } from "@/contracts";
import type { RoleClass } from "@/core/people";
import {
  changesBetween,
  emptyRoom,
  fold,
  noFigures,
  project,
  type AnyView,
  type JournalEntry,
  type PlainView,
  type RoomDirectory,
  type RoomFigures,
  type RoomState,
} from "@/core/room";
import { encode, type LiveConnection } from "./connection";
import { Replay } from "./replay";

interface ClassFeed {
  view: AnyView;
  replay: Replay;
  /** the snapshot's bytes for this very view; made when somebody needs them */
  snapshot: Uint8Array | null;
}

/** One date's room in this process's memory, and the streams that follow it. */
export class LiveRoom {
  state: RoomState = emptyRoom;
  figures: RoomFigures = noFigures;
  readonly connections = new Map<string, LiveConnection>();
  areFiguresDirty = true;
  /** whose own part is to be sent with the next figures */
  readonly changedPeople = new Set<string>();
  figuresReadAt = 0;
  private readonly feeds = new Map<RoleClass, ClassFeed>();

  constructor(
    readonly occurrenceId: string,
    public directory: RoomDirectory,
    private readonly now: () => number,
    private readonly drop: (connection: LiveConnection) => void,
  ) {}

  foldIn(entries: readonly JournalEntry[]): void {
    this.state = entries.reduce((room, entry) => (entry.seq > room.seq ? fold(room, entry) : room), this.state);
  }

  write(connection: LiveConnection, bytes: Uint8Array): void {
    if (!connection.sink.write(bytes)) this.drop(connection);
  }

  /** Brings every role class that somebody follows up to the present; each change is serialised once. */
  publish(): void {
    for (const [roleClass, feed] of this.feeds) {
      const followers = [...this.connections.values()].filter((one) => one.roleClass === roleClass);
      if (followers.length === 0) {
        this.feeds.delete(roleClass);
        continue;
      }
      const next = project(roleClass, this.state, this.directory, this.figures);
      const changes = changesBetween(feed.view as unknown as PlainView, next as unknown as PlainView);
      feed.view = next;
      if (changes.length === 0) continue;
      feed.snapshot = null;
      const bytes = encode("change", { seq: this.state.seq, changes }, this.state.seq);
      feed.replay.push(this.state.seq, bytes);
      for (const follower of followers) this.write(follower, bytes);
    }
  }

  private feedOf(roleClass: RoleClass): ClassFeed {
    const known = this.feeds.get(roleClass);
    if (known) return known;
    const view = project(roleClass, this.state, this.directory, this.figures);
    const feed = { view, replay: new Replay(this.state.seq), snapshot: null };
    this.feeds.set(roleClass, feed);
    return feed;
  }

  /** Starts or resumes one stream: what it missed where memory reaches back, else the whole picture. */
  welcome(connection: LiveConnection, after: number | null): void {
    const feed = this.feedOf(connection.roleClass);
    const missed = after === null ? null : feed.replay.since(after);
    if (missed) {
      for (const bytes of missed) this.write(connection, bytes);
      return;
    }
    feed.snapshot ??= this.snapshotOf(connection.roleClass, feed.view);
    this.write(connection, feed.snapshot);
  }

  private snapshotOf(roleClass: RoleClass, view: AnyView): Uint8Array {
    const message: StreamMessages["snapshot"] = { seq: this.state.seq, now: this.now(), roleClass, view };
    return encode("snapshot", message, this.state.seq);
  }

  connectionsOf(ticketId: string): LiveConnection[] {
    return [...this.connections.values()].filter((one) => one.ticketId === ticketId);
  }
}
