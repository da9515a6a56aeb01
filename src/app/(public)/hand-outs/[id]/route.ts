import { app } from "@/server/compose";
import { notFound } from "@/server/services/ground/context";
import { takeHandOut } from "@/server/services/hour/hand-outs";
import { answer, heldTokens, isUuid } from "../../../_lib/request";

/** A file that the audience is shown. The id is the key: nobody can guess it. */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return answer(async () => {
    const { id } = await params;
    if (!isUuid(id)) throw notFound("file");
    const { context } = await app();
    const { body, headers } = await takeHandOut(context, id, [
      ...new URL(request.url).searchParams.getAll("ticket").slice(0, 1),
      ...(await heldTokens()),
    ]);
    return new Response(body, { headers });
  });
}
