import { app } from "@/server/compose";
import { recordingPicture } from "@/server/services/afterwards/recording-picture";
import { pictureResponse } from "../../../../_lib/picture-response";
import { answer } from "../../../../_lib/request";
import { openRecording } from "../asked";

/** The picture that stands for a recording before it plays, for whoever sees it. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(async () => {
    const { recording } = await openRecording((await params).slug, request);
    return pictureResponse(await recordingPicture((await app()).context, recording));
  });
}
