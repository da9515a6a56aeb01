import { app } from "@/server/compose";
import { chaptersText, onDemand } from "@/server/services/afterwards/recordings";
import { answer, currentOrganisation } from "../../../../_lib/request";

export function GET(_request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(async () => {
    const item = await onDemand((await app()).context, await currentOrganisation(), (await params).slug);
    return new Response(chaptersText(item), { headers: { "content-type": "text/vtt; charset=utf-8" } });
  });
}
