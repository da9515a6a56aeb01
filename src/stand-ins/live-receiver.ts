import { randomBytes } from "node:crypto";
import { createServer, type Socket } from "node:net";
import { amfBytes, amfValues, type AmfValue } from "./amf0";
import { ChunkReader, type RtmpMessage } from "./chunk-reader";

/** What came from one publisher. */
export interface ReceivedStream {
  readonly key: string;
  pictures: number;
  sounds: number;
  /** of the last picture, milliseconds of its own clock */
  lastAtMs: number;
  /** the first picture message's: AVC's configuration comes before any picture (FLV 10.1, E.4.3) */
  hasConfiguration: boolean;
  isOver: boolean;
}

const types = { audio: 8, video: 9, command: 20 } as const;

/** A message to the publisher, as one chunk: none that is sent here is longer than a chunk (RTMP 1.0 §5.3.1). */
function chunkOf(type: number, body: Buffer, streamId = 0): Buffer {
  const head = Buffer.alloc(12);
  head[0] = 3;
  head.writeUIntBE(body.length, 4, 3);
  head[7] = type;
  head.writeUInt32LE(streamId, 8);
  return Buffer.concat([head, body]);
}
const number = (value: number): Buffer => {
  const out = Buffer.alloc(4);
  out.writeUInt32BE(value);
  return out;
};
const command = (streamId: number, ...values: AmfValue[]): Buffer =>
  chunkOf(types.command, Buffer.concat(values.map(amfBytes)), streamId);

/** Larger than anything that is said here. */
const ownChunkBytes = 4096;
const greeting = [chunkOf(5, number(2_500_000)), chunkOf(1, number(ownChunkBytes))];

function answerTo(socket: Socket, { body }: RtmpMessage, keys: ReadonlySet<string>): string | null {
  const [name, turn, , given] = amfValues(body);
  const id = typeof turn === "number" ? turn : 0;
  if (name === "connect") {
    for (const one of greeting) socket.write(one);
    socket.write(
      command(0, "_result", id, { fmsVer: "FMS/3,0" }, { level: "status", code: "NetConnection.Connect.Success" }),
    );
  }
  if (name === "createStream") socket.write(command(0, "_result", id, null, 1));
  if (name !== "publish" || typeof given !== "string") return null;
  if (!keys.has(given)) {
    socket.end(command(1, "onStatus", 0, null, { level: "error", code: "NetStream.Publish.BadName" }));
    return null;
  }
  socket.write(command(1, "onStatus", 0, null, { level: "status", code: "NetStream.Publish.Start" }));
  return given;
}

/**
 * The stand-in of a live service elsewhere: takes a programme over RTMP (Adobe, RTMP 1.0) by its key, counts what came,
 * and refuses a key that it does not know.
 */
export function startLiveReceiver(options: { readonly port: number; readonly keys: readonly string[] }): {
  readonly streams: readonly ReceivedStream[];
  /** closes every connection, as a service does that is started anew */
  drop(): void;
  close(): void;
} {
  const streams: ReceivedStream[] = [];
  const sockets = new Set<Socket>();
  const keys = new Set(options.keys);
  const server = createServer((socket) => {
    sockets.add(socket);
    let own: ReceivedStream | null = null;
    const reader = new ChunkReader((c1) => {
      socket.write(Buffer.concat([Buffer.from([3]), Buffer.alloc(8), randomBytes(c1.length - 8), c1]));
    });
    const take = (message: RtmpMessage) => {
      if (message.type === types.command) {
        const key = answerTo(socket, message, keys);
        if (key === null) return;
        own = { key, pictures: 0, sounds: 0, lastAtMs: 0, hasConfiguration: false, isOver: false };
        streams.push(own);
      }
      if (!own) return;
      if (message.type === types.audio) own.sounds += 1;
      if (message.type === types.video) {
        own.pictures += 1;
        own.lastAtMs = message.timestampMs;
        own.hasConfiguration ||= message.body[1] === 0;
      }
    };
    socket.on("data", (bytes: Buffer) => reader.take(bytes).forEach(take));
    socket.on("error", () => {});
    socket.on("close", () => {
      sockets.delete(socket);
      if (own) own.isOver = true;
    });
  });
  server.listen(options.port, "127.0.0.1");
  const drop = () => sockets.forEach((one) => one.destroy());
  return {
    streams,
    drop,
    close() {
      drop();
      server.close();
    },
  };
}
