import { replaceRecording } from "@/server/services/afterwards/replace-recording";
import { bodyStream } from "../../../../_lib/upload";
import { answer, currentMember, requireOwnOrigin } from "../../../../_lib/request";

/** Takes another file for a recording as the request's body. Outside the proxy, which would cut it: origin is checked here. */
export function PUT(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return answer(async () => {
    requireOwnOrigin(request);
    const { context, member } = await currentMember();
    const { id } = await params;
    const replaced = await replaceRecording(context, member, id, bodyStream(request));
    return Response.json({ ok: true, ...replaced });
  });
}
