import { uploadRecording } from "@/server/services/afterwards/recordings";
import { bodyStream } from "../../../../../_lib/upload";
import { answer, currentMember, requireOwnOrigin } from "../../../../../_lib/request";

/** Takes a recording as the request's body. Outside the proxy, which would cut it: origin is checked here. */
export function PUT(
  request: Request,
  { params }: { params: Promise<{ id: string; date: string }> },
): Promise<Response> {
  return answer(async () => {
    requireOwnOrigin(request);
    const { context, member } = await currentMember();
    const { id, date } = await params;
    const { body, expectedBytes } = bodyStream(request);
    const recordingId = await uploadRecording(context, member, id, date, body, expectedBytes);
    return Response.json({ ok: true, recordingId });
  });
}
