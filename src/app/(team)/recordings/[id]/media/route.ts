import { editOf } from "@/server/services/afterwards/edit-recording";
import { rangeResponse } from "../../../../_lib/range-response";
import { answer, currentMember } from "../../../../_lib/request";

/** The original's bytes, for the page that edits it. */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return answer(async () => {
    const { context, member } = await currentMember();
    const { recording } = await editOf(context, member, (await params).id);
    return rangeResponse(request, recording);
  });
}
