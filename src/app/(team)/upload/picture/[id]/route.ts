import { addPicture, mostPictureBytes } from "@/server/services/way-in/front/pictures";
import { Refusal } from "@/core/shared";
import { answer, currentMember, requireOwnOrigin } from "../../../../_lib/request";

/** Takes a picture of an event as the request's body. Outside the proxy: origin and length are checked here. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return answer(async () => {
    requireOwnOrigin(request);
    const { context, member } = await currentMember();
    if (Number(request.headers.get("content-length") ?? 0) > mostPictureBytes)
      throw new Refusal({ code: "file-too-large", limitBytes: mostPictureBytes });
    return Response.json({
      ok: true,
      picture: await addPicture(context, member, (await params).id, new Uint8Array(await request.arrayBuffer())),
    });
  });
}
