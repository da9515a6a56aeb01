import { Refusal } from "@/core/shared";
import { uploadRecording } from "@/server/services/afterwards/recordings";
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
    if (!request.body) throw new Refusal({ code: "bad-file", reason: "empty" });
    const length = request.headers.get("content-length");
    const recordingId = await uploadRecording(
      context,
      member,
      id,
      date,
      request.body,
      length === null ? null : Number(length),
    );
    return Response.json({ ok: true, recordingId });
  });
}
