import { notFound } from "@/server/services/ground/context";
import { answer } from "../../../../_lib/request";
import { openRecording } from "../asked";
import { soundAddress } from "../bytes-address";

/** The sound alone of a recording, for whoever sees it: the live edge has them. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(async () => {
    const { recording } = await openRecording((await params).slug, request);
    const address = soundAddress(recording, new URL(request.url).searchParams.get("ticket"));
    if (address === null) throw notFound("recording");
    return new Response(null, { status: 307, headers: { location: address } });
  });
}
