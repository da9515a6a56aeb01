import { Refusal } from "@/core/shared";
import { ownRecording } from "@/server/services/afterwards/own-recording";
import { recordingPicture, setRecordingPicture } from "@/server/services/afterwards/recording-picture";
import { notFound } from "@/server/services/ground/context";
import { mostPictureBytes } from "@/server/services/way-in/front/pictures";
import { pictureResponse } from "../../../../_lib/picture-response";
import { answer, currentMember, isUuid, requireOwnOrigin } from "../../../../_lib/request";

interface Asked {
  params: Promise<{ id: string }>;
}
async function idOf({ params }: Asked): Promise<string> {
  const { id } = await params;
  if (!isUuid(id)) throw notFound("recording");
  return id;
}

/** The picture that stands for a recording, for the team that has it. */
export function GET(_request: Request, asked: Asked): Promise<Response> {
  return answer(async () => {
    const { context, member } = await currentMember();
    const { recording } = await ownRecording(context, member, await idOf(asked));
    return pictureResponse(await recordingPicture(context, recording));
  });
}

/** Takes a picture of it as the request's body. Outside the proxy: origin and length are checked here. */
export function PUT(request: Request, asked: Asked): Promise<Response> {
  return answer(async () => {
    requireOwnOrigin(request);
    const { context, member } = await currentMember();
    if (Number(request.headers.get("content-length") ?? 0) > mostPictureBytes)
      throw new Refusal({ code: "file-too-large", limitBytes: mostPictureBytes });
    await setRecordingPicture(context, member, await idOf(asked), new Uint8Array(await request.arrayBuffer()));
    return Response.json({ ok: true });
  });
}
