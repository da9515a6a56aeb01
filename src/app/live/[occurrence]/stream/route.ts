import type { RoleClass } from "@/core/people";
import { app } from "@/server/compose";
import { streamSink } from "@/server/live/connection";
import { closeConnection, openConnection } from "@/server/services/presence";
import { answer } from "../../../_lib/request";
import { roomAccess } from "../../../_lib/room-access";

const deviceOf = (agent: string): string =>
  /Mobi|Android|iPhone/.test(agent) ? "phone" : /iPad|Tablet/.test(agent) ? "tablet" : "computer";

function resumeFrom(request: Request): { after: number; roleClass: RoleClass } | null {
  const query = new URL(request.url).searchParams;
  const after = Number(request.headers.get("last-event-id") ?? query.get("after") ?? Number.NaN);
  const roleClass = query.get("class");
  const isKnown = roleClass === "desk" || roleClass === "stage" || roleClass === "house" || roleClass === "foyer";
  return Number.isInteger(after) && isKnown ? { after, roleClass } : null;
}

/** The room's event stream. Resumes by `Last-Event-ID` or `?after=`. */
export function GET(request: Request, { params }: { params: Promise<{ occurrence: string }> }): Promise<Response> {
  return answer(async () => {
    const { occurrence } = await params;
    const { context, hub } = await app();
    const who = await roomAccess(request, occurrence);
    const device = deviceOf(request.headers.get("user-agent") ?? "");
    const { connectionId, isInside } = await openConnection(context, {
      organisationId: who.organisationId,
      occurrenceId: occurrence,
      ticketId: who.actorId,
      role: who.actor.role,
      device,
      mayReturn: true,
    });
    hub.factsChanged(occurrence);
    const { stream, sink, onCancel } = streamSink();
    const wanted = new URL(request.url).searchParams.has("as") ? "own" : "desk";
    const leave = await hub.join({
      occurrenceId: occurrence,
      connectionId,
      ticketId: who.actorId,
      wanted,
      isInside,
      resume: resumeFrom(request),
      sink,
    });
    const gone = () => {
      leave();
      // where the database is away the last sign of life closes it
      closeConnection(context, connectionId).then(
        () => hub.factsChanged(occurrence),
        () => {},
      );
    };
    onCancel(gone);
    request.signal.addEventListener("abort", gone, { once: true });
    return new Response(stream, {
      headers: {
        "content-type": "text/event-stream",
        "cache-control": "no-store, no-transform",
        "x-accel-buffering": "no",
        "x-content-type-options": "nosniff",
      },
    });
  });
}
