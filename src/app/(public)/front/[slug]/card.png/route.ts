import { readableLook } from "@/core/front-door";
import { cityIn } from "@/contracts/messages/cities";
import { clockTime, longDate } from "@/core/time";
import { app } from "@/server/compose";
import { notFound } from "@/server/services/ground/context";
import { frontDoor } from "@/server/services/way-in/front-door";
import { answer, currentOrganisation } from "../../../../_lib/request";
import { cardPicture } from "./draw";

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
    const picture = await cardPicture({
      organisation: organisation.name,
      title: event.title,
      when: occurrence
        ? `${longDate(occurrence.startAt, occurrence.zone)}, ${clockTime(occurrence.startAt, occurrence.zone)} in ${cityIn(occurrence.zone, "en")}`
        : "",
      ground: look.ground,
      onGround: look.onGround,
    });
    return new Response(picture, { headers: { "content-type": "image/png", "cache-control": "public, max-age=600" } });
  });
}
