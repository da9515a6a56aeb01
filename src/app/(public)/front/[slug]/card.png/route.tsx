import { ImageResponse } from "next/og";
import { readableLook } from "@/core/front-door";
import { cityOf, clockTime, longDate } from "@/core/time";
import { app } from "@/server/compose";
import { notFound } from "@/server/services/ground/context";
import { frontDoor } from "@/server/services/way-in/front-door";
import { answer, currentOrganisation } from "../../../../_lib/request";

const size = { width: 1200, height: 630 };

/** The picture that other places show beside a link (Open Graph), made from the event's look. */
export function GET(_request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(async () => {
    const { context } = await app();
    const found = await frontDoor(context, await currentOrganisation(), (await params).slug, {
      cookie: null,
      isInvited: false,
    });
    if (found.isLocked) throw notFound("event");
    const { event, occurrence, organisation } = found.door;
    const look = readableLook(event.look.colour);
    return new ImageResponse(
      <div
        style={{
          width: "100%",
          height: "100%",
          display: "flex",
          flexDirection: "column",
          justifyContent: "space-between",
          padding: 72,
          background: look.ground,
          color: look.onGround,
        }}
      >
        <div style={{ display: "flex", fontSize: 30 }}>{organisation.name}</div>
        <div style={{ display: "flex", fontSize: event.title.length > 60 ? 56 : 76, lineHeight: 1.1 }}>
          {event.title}
        </div>
        <div style={{ display: "flex", fontSize: 34 }}>
          {occurrence
            ? `${longDate(occurrence.startAt, occurrence.zone)}, ${clockTime(occurrence.startAt, occurrence.zone)} in ${cityOf(occurrence.zone)}`
            : ""}
        </div>
      </div>,
      { ...size, headers: { "cache-control": "public, max-age=600" } },
    );
  });
}
