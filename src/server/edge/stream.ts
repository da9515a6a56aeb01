import type { IncomingMessage, ServerResponse } from "node:http";
import { readHave } from "@/contracts";
import type { App } from "../compose";
import { closeConnection, openConnection } from "../services/hour/presence";
import { whoAsks } from "./access";

const deviceOf = (agent: string): string =>
  /Mobi|Android|iPhone/.test(agent) ? "phone" : /iPad|Tablet/.test(agent) ? "tablet" : "computer";

const headers = {
  "content-type": "text/event-stream",
  "cache-control": "no-store, no-transform",
  "transfer-encoding": "chunked",
  // proxies are to pass each line on as it comes
  "x-accel-buffering": "no",
  "x-content-type-options": "nosniff",
};

/** The room's event stream. What was seen of which feed is in `?have=`; the rest comes again. */
export async function openStream(
  app: App,
  request: IncomingMessage,
  response: ServerResponse,
  occurrenceId: string,
  query: URLSearchParams,
): Promise<void> {
  const { context, hub } = app;
  const as = query.get("as");
  const who = await whoAsks(app, request, occurrenceId, as);
  const room = hub.known(occurrenceId);
  const { connectionId, isInside } = await openConnection(context, {
    organisationId: who.organisationId,
    occurrenceId,
    ticketId: who.actorId,
    role: who.actor.role,
    device: deviceOf(request.headers["user-agent"] ?? ""),
    mayReturn: room?.hasRoomFor(who.actorId) ?? "ask",
    stagePlace: room?.stagePlaceOf(who.actorId) ?? "ask",
  });
  let leave: (() => void) | null = null;
  const gone = () => {
    leave?.();
    closeConnection(context, connectionId).then(
      () => hub.factsChanged(occurrenceId),
      // where the database is away the last sign of life closes it
      () => {},
    );
  };
  response.writeHead(200, headers);
  response.flushHeaders();
  const socket = response.socket;
  if (!socket || socket.destroyed) return gone();
  socket.setNoDelay(true);
  socket.setTimeout(0);
  // listened to before anything is waited for: somebody may leave while they are being let in
  response.once("close", gone);
  const have = readHave(query.get("have"));
  const wire = {
    get writableLength() {
      return socket.writableLength;
    },
    write: (bytes: Uint8Array) => socket.write(bytes),
    end: (bytes: Uint8Array) => void socket.end(bytes),
  };
  leave = await hub.join({ occurrenceId, connectionId, ticketId: who.actorId, wantsDesk: !as, isInside, have, wire });
  if (response.destroyed) leave();
}
