import { chaptersText } from "@/server/services/afterwards/recordings";
import { answer } from "../../../../_lib/request";
import { openRecording } from "../asked";

export function GET(_request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(async () => {
    const item = await openRecording((await params).slug);
    return new Response(chaptersText(item), { headers: { "content-type": "text/vtt; charset=utf-8" } });
  });
}
