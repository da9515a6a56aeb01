/** One whole message of an RTMP connection (Adobe, RTMP 1.0 §5.3). */
export interface RtmpMessage {
  readonly type: number;
  readonly timestampMs: number;
  readonly body: Buffer;
}

interface Stream {
  timestampMs: number;
  deltaMs: number;
  length: number;
  type: number;
  hasExtended: boolean;
  body: Buffer[];
  read: number;
}

const handshakeBytes = 1536;
const setChunkSize = 1;

/** Puts messages together from the chunks of one connection, the handshake left out (§5.2.1, §5.3.1). */
export class ChunkReader {
  private unread = Buffer.alloc(0);
  private toSkip = 1 + 2 * handshakeBytes;
  private chunkBytes = 128;
  private readonly streams = new Map<number, Stream>();

  /** @param hello told the other side's first handshake, to be answered */
  constructor(private readonly hello: (c1: Buffer) => void) {}

  /** What came: every message that is whole by now. */
  take(bytes: Buffer): RtmpMessage[] {
    this.unread = Buffer.concat([this.unread, bytes]);
    if (!this.greet()) return [];
    const out: RtmpMessage[] = [];
    for (let one = this.chunk(); one !== "wait"; one = this.chunk()) if (one) out.push(one);
    return out;
  }

  private isGreeted = false;
  private greet(): boolean {
    if (!this.isGreeted && this.unread.length >= 1 + handshakeBytes) {
      this.isGreeted = true;
      this.hello(this.unread.subarray(1, 1 + handshakeBytes));
    }
    if (this.toSkip > 0 && this.unread.length >= this.toSkip) {
      this.unread = this.unread.subarray(this.toSkip);
      this.toSkip = 0;
    }
    return this.toSkip === 0;
  }

  /** One chunk: a message that it made whole, null where more come, "wait" where it is not all here. */
  private chunk(): RtmpMessage | null | "wait" {
    const { unread } = this;
    if (unread.length < 3) return "wait";
    const format = unread[0]! >> 6;
    const low = unread[0]! & 63;
    const idBytes = low === 0 ? 2 : low === 1 ? 3 : 1;
    const id = low === 0 ? 64 + unread[1]! : low === 1 ? 64 + unread[1]! + 256 * unread[2]! : low;
    const known = this.streams.get(id);
    const headBytes = [11, 7, 3, 0][format]!;
    if (unread.length < idBytes + headBytes + 4) return "wait";
    const field = headBytes >= 3 ? unread.readUIntBE(idBytes, 3) : null;
    const hasExtended = field === null ? (known?.hasExtended ?? false) : field === 0xff_ff_ff;
    const bodyAt = idBytes + headBytes + (hasExtended ? 4 : 0);
    const stream = known ?? { timestampMs: 0, deltaMs: 0, length: 0, type: 0, hasExtended: false, body: [], read: 0 };
    const length = headBytes >= 7 ? unread.readUIntBE(idBytes + 3, 3) : stream.length;
    const wanted = Math.min(this.chunkBytes, length - stream.read);
    if (unread.length < bodyAt + wanted) return "wait";
    if (stream.read === 0) this.begin(stream, format, hasExtended ? unread.readUInt32BE(idBytes + headBytes) : field);
    if (headBytes >= 7) [stream.length, stream.type] = [length, unread[idBytes + 6]!];
    stream.hasExtended = hasExtended;
    stream.body.push(unread.subarray(bodyAt, bodyAt + wanted));
    stream.read += wanted;
    this.streams.set(id, stream);
    this.unread = unread.subarray(bodyAt + wanted);
    return stream.read < stream.length ? null : this.whole(stream);
  }

  private begin(stream: Stream, format: number, field: number | null): void {
    if (format === 0) stream.timestampMs = field ?? 0;
    else {
      stream.deltaMs = field ?? stream.deltaMs;
      stream.timestampMs += stream.deltaMs;
    }
  }

  private whole(stream: Stream): RtmpMessage {
    const body = Buffer.concat(stream.body);
    [stream.body, stream.read] = [[], 0];
    if (stream.type === setChunkSize) this.chunkBytes = body.readUInt32BE(0) & 0x7f_ff_ff_ff;
    return { type: stream.type, timestampMs: stream.timestampMs, body };
  }
}
