import { answer } from "../../../../_lib/request";
import { openRecording } from "../asked";
import { pictureAddress } from "../bytes-address";

/** The recording's bytes, as it is watched: the live edge has them. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(async () => {
    const { recording } = await openRecording((await params).slug, request);
    const ticket = new URL(request.url).searchParams.get("ticket");
    return new Response(null, { status: 307, headers: { location: pictureAddress(recording, ticket) } });
  });
}
