import { eventFile } from "@/server/services/afterwards/exports";
import { csvResponse } from "../../../../_lib/files";
import { answer, currentMember } from "../../../../_lib/request";

export function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return answer(async () => {
    const { context, member } = await currentMember();
    return csvResponse(await eventFile(context, member, (await params).id, "registrants"), "registrants.csv");
  });
}
