import { connect, type NetConnectOpts, type Socket } from "node:net";
import { connect as connectSafely } from "node:tls";
import { EventReader } from "./event-reader";

/** Who listens to a line. */
export interface LineEars {
  opened(): void;
  failed(error: Error): void;
  message(event: string, data: string): void;
}

// every line reads into the same place: what arrives is taken before another line is read
const buffer = Buffer.allocUnsafe(65_536);

/**
 * An event stream as a guest without a browser follows it: the socket itself, with what of HTTP/1.1 a stream needs.
 * Thousands of them in one process take what a server writes nearly as fast as it is written, so that a crowd measures
 * the server and not itself.
 */
export class EventLine {
  private readonly socket: Socket;

  constructor(url: URL, headers: Readonly<Record<string, string>>, ears: LineEars) {
    const reader = new EventReader({
      opened: () => ears.opened(),
      refused: (status) => {
        ears.failed(new Error(`stream: ${status}`));
        this.socket.destroy();
      },
      message: ears.message,
    });
    const callback = (count: number, bytes: Uint8Array): boolean => {
      reader.take((bytes as Buffer).subarray(0, count));
      // more may come
      return true;
    };
    const isSafe = url.protocol === "https:";
    const to = { host: url.hostname, port: Number(url.port || (isSafe ? 443 : 80)), onread: { buffer, callback } };
    this.socket = isSafe
      ? connectSafely({ ...to, servername: url.hostname })
      : connect(to as unknown as NetConnectOpts);
    const lines = Object.entries({ host: url.host, accept: "text/event-stream", connection: "close", ...headers });
    const head = lines.map(([name, value]) => `${name}: ${value}\r\n`).join("");
    this.socket.write(`GET ${url.pathname}${url.search} HTTP/1.1\r\n${head}\r\n`);
    // once it is open nobody asks any more
    this.socket.on("error", (error) => ears.failed(error));
    this.socket.on("close", () => ears.failed(new Error("the line broke before the stream began")));
  }

  close(): void {
    this.socket.destroy();
  }
}
