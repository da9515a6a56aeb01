import { app } from "@/server/compose";
import { notFound } from "@/server/services/ground/context";
import { pictureBody } from "@/server/services/way-in/front/pictures";
import { answer, isUuid } from "../../../_lib/request";

/** A picture of an event's look or of somebody on stage. */
export function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return answer(async () => {
    const { context } = await app();
    const { id } = await params;
    if (!isUuid(id)) throw notFound("picture");
    return new Response(await pictureBody(context, id), {
      headers: {
        "content-type": "image/webp",
        "cache-control": "public, max-age=31536000, immutable",
        "x-content-type-options": "nosniff",
      },
    });
  });
}
