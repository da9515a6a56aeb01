import { app } from "@/server/compose";
import { keepPlays } from "@/server/services/afterwards/watching";
import { answer, requireOwnOrigin } from "../../../../_lib/request";
import { openRecording } from "../asked";
import { watcher } from "../watcher";

/** What this browser has played since it last told; of whoever does not want to be counted nothing is taken. */
export function POST(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(async () => {
    requireOwnOrigin(request);
    const { context } = await app();
    const { recording, event } = await openRecording((await params).slug, request);
    const who = await watcher(event.id);
    if (who !== "not-counted") await keepPlays(context, recording, who, await request.json().catch(() => null));
    return Response.json({ ok: true });
  });
}
