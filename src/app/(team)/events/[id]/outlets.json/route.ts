import { outletsFor } from "@/server/services/hour/outlets";
import { answer, currentMember } from "../../../../_lib/request";

/** How it goes with the places that the programme is sent to: read every few seconds by the desk, and so no act. */
export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answer(async () => {
    const { context, member } = await currentMember();
    const outlets = await outletsFor(context, member, (await params).id);
    return Response.json(outlets, { headers: { "cache-control": "no-store" } });
  });
