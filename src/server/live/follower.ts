import type { Standing } from "@/core/room";
import type { RoomWire } from "../platform/wire";
import { framed, lastChunk } from "./frame";

const nothing = new Uint8Array(0);
/** Beyond so much unread a reader is given up: it comes back and begins with a snapshot. */
const mostUnreadBytes = 1_000_000;

/** What a device has of each feed already. */
export type Seen = ReadonlyMap<string, { readonly epoch: string; readonly n: number }>;

/** One open stream of one device. */
export class Follower {
  isOver = false;
  /** what the first picture weighed: a slow line may take its time over that */
  private allowance = 0;

  constructor(
    readonly connectionId: string,
    readonly ticketId: string,
    readonly wantsDesk: boolean,
    public standing: Standing,
    private readonly wire: RoomWire,
    private readonly onLag: (follower: Follower) => void,
  ) {}

  /** One write of bytes that others get too. */
  write(bytes: Uint8Array): void {
    if (this.isOver) return;
    const unread = this.wire.writableLength;
    if (unread === 0) this.allowance = 0;
    if (unread > mostUnreadBytes + this.allowance) return this.onLag(this);
    this.wire.write(bytes);
  }
  /** A picture to begin with: however large, it is no lag. @param shared bytes that others begin with too */
  begin(text: string, shared: Uint8Array = nothing): void {
    if (this.isOver || (text === "" && shared.length === 0)) return;
    const own = framed(text);
    this.allowance += own.length + shared.length;
    this.wire.begin(own, shared);
  }
  end(): void {
    if (this.isOver) return;
    this.isOver = true;
    this.wire.end(lastChunk);
  }
}
