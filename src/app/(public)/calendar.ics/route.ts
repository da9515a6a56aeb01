import { app } from "@/server/compose";
import { organisationCalendar } from "@/server/services/outside/calendars";
import { calendarResponse } from "../../_lib/files";
import { answer, currentOrganisation } from "../../_lib/request";

export function GET(): Promise<Response> {
  return answer(async () =>
    calendarResponse(await organisationCalendar((await app()).context, await currentOrganisation())),
  );
}
