import { chaptersText } from "@/server/services/afterwards/recordings";
import { answer } from "../../../../_lib/request";
import { openWithChapters } from "../asked";

export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(async () => {
    const item = await openWithChapters((await params).slug, request);
    return new Response(chaptersText(item), { headers: { "content-type": "text/vtt; charset=utf-8" } });
  });
}
