import { cookies } from "next/headers";
import { Refusal } from "@/core/shared";
import { app } from "@/server/compose";
import { eventCalendar } from "@/server/services/outside/calendars";
import { frontDoor } from "@/server/services/way-in/front-door";
import { answer, currentOrganisation } from "../../../../_lib/request";
import { calendarResponse } from "../../../../_lib/files";
import { passCookie } from "@/server/services/way-in/pass-cookie";

export function GET(_request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(async () => {
    const { slug } = await params;
    const { context } = await app();
    const organisation = await currentOrganisation();
    const cookie = (await cookies()).get(passCookie(slug))?.value ?? null;
    const found = await frontDoor(context, organisation, slug, { cookie, isInvited: false });
    if (found.isLocked) throw new Refusal({ code: "not-found", what: "event" });
    return calendarResponse(
      eventCalendar(
        context,
        organisation,
        found.door.event,
        found.door.dates.length > 0 ? found.door.dates : found.door.occurrence ? [found.door.occurrence] : [],
      ),
    );
  });
}
