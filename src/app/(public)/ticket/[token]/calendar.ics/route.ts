import { app } from "@/server/compose";
import { ticketCalendar } from "@/server/services/outside/calendars";
import { holderOf } from "@/server/services/way-in/tickets";
import { calendarResponse } from "../../../../_lib/files";
import { answer, currentOrganisation } from "../../../../_lib/request";

export function GET(_request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return answer(async () => {
    const { context } = await app();
    const holder = await holderOf(context, (await params).token);
    return calendarResponse(ticketCalendar(context, await currentOrganisation(), holder));
  });
}
