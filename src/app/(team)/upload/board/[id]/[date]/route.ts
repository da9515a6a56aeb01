import { Refusal } from "@/core/shared";
import { app } from "@/server/compose";
import { boardFromFile } from "@/server/services/hour/boards";
import { bodyWhole } from "../../../../../_lib/upload";
import { answer, currentMember, requireOwnOrigin } from "../../../../../_lib/request";

/** A board that was saved as a vector file, as the request's body; `?title` is what it is called. */
export function POST(
  request: Request,
  { params }: { params: Promise<{ id: string; date: string }> },
): Promise<Response> {
  return answer(async () => {
    requireOwnOrigin(request);
    const { context, member } = await currentMember();
    const { id: eventId, date: occurrenceId } = await params;
    const title = new URL(request.url).searchParams.get("title") ?? "";
    if (Number(request.headers.get("content-length") ?? 0) > mostBytes)
      throw new Refusal({ code: "file-too-large", limitBytes: mostBytes });
    const bytes = await bodyWhole(request);
    const { roomCache } = await app();
    return Response.json({
      ok: true,
      ...(await boardFromFile(context, roomCache, member, { eventId, occurrenceId }, { title, bytes })),
    });
  });
}
const mostBytes = 30 * 1024 * 1024;
