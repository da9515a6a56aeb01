import type { Socket } from "node:net";
import { readHave } from "@/contracts";
import type { RoomWire } from "../platform/wire";
import type { Ask } from "./ask";
import { whoAsks } from "./access";

const deviceOf = (agent: string): string =>
  /Mobi|Android|iPhone/.test(agent) ? "phone" : /iPad|Tablet/.test(agent) ? "tablet" : "computer";

const headLines = [
  "HTTP/1.1 200 OK",
  "content-type: text/event-stream",
  "cache-control: no-store, no-transform",
  "transfer-encoding: chunked",
  // proxies are to pass each line on as it comes
  "x-accel-buffering: no",
  "x-content-type-options: nosniff",
  "connection: close",
];
const headStart = headLines.join("\r\n");
let head = { second: Number.NaN, bytes: Buffer.alloc(0) };
/** The same for all who come within a second: its date says no more (RFC 9110 §5.6.7). */
function headAt(now: number): Buffer {
  const second = Math.floor(now / 1000);
  if (head.second !== second) {
    head = { second, bytes: Buffer.from(`${headStart}\r\ndate: ${new Date(now).toUTCString()}\r\n\r\n`) };
  }
  return head.bytes;
}

/**
 * A socket as the hub writes to it. The head leaves in one write with the first picture: a house of thousands comes
 * at once, and the framework's own way of sending it costs as much as all the rest of letting somebody in.
 */
export class StreamWire implements RoomWire {
  hasBegun = false;
  constructor(
    private readonly socket: Socket,
    private readonly now: () => number,
  ) {}
  get writableLength(): number {
    return this.socket.writableLength;
  }
  write(bytes: Uint8Array): boolean {
    this.sayHead();
    return this.socket.write(bytes);
  }
  begin(own: Uint8Array, shared: Uint8Array): void {
    this.socket.cork();
    this.write(own);
    if (shared.length > 0) this.socket.write(shared);
    this.socket.uncork();
  }
  private sayHead(): void {
    if (this.hasBegun) return;
    this.hasBegun = true;
    this.socket.write(headAt(this.now()));
  }
  end(bytes: Uint8Array): void {
    this.socket.end(bytes);
  }
}

/** The room's event stream. What was seen of which feed is in `?have=`; the rest comes again. */
export async function openStream(ask: Ask): Promise<void> {
  const { app, request, response, occurrenceId, query, as } = ask;
  const { context, hub, entrance } = app;
  const who = await whoAsks(ask);
  const { connectionId, isInside } = await entrance.open({
    organisationId: who.organisationId,
    occurrenceId,
    ticketId: who.actorId,
    role: who.actor.role,
    device: deviceOf(request.headers["user-agent"] ?? ""),
    room: hub.known(occurrenceId),
  });
  let leave: (() => void) | null = null;
  const gone = () => {
    leave?.();
    entrance.close(connectionId).then(
      () => hub.factsChanged(occurrenceId),
      // where the database is away the last sign of life closes it
      () => {},
    );
  };
  const socket = response.socket;
  if (!socket || socket.destroyed) return gone();
  socket.setNoDelay(true);
  socket.setTimeout(0);
  // listened to before anything is waited for: somebody may leave while they are being let in
  response.once("close", gone);
  const have = readHave(query.get("have"));
  const wire = new StreamWire(socket, () => context.clock.now());
  const join = { occurrenceId, connectionId, ticketId: who.actorId, wantsDesk: !as, isInside, have, wire };
  try {
    leave = await hub.join(join);
  } catch (error) {
    gone();
    // what has begun as a stream cannot become a refusal
    if (wire.hasBegun) return void socket.destroy();
    throw error;
  }
  if (response.destroyed) leave();
}
