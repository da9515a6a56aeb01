import { app } from "@/server/compose";
import { notFound } from "@/server/services/ground/context";
import { showPicture } from "@/server/services/hour/hand-outs";
import { answer, isUuid } from "../../../../_lib/request";

/** A picture that the room reads together, while it is shown to the audience. */
export function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return answer(async () => {
    const { id } = await params;
    if (!isUuid(id)) throw notFound("file");
    const { context } = await app();
    const { body, headers } = await showPicture(context, id);
    return new Response(body, { headers });
  });
}
