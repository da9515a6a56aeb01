import { app } from "@/server/compose";
import { answerCall } from "@/server/services/hour/phone-line";
import { answer, remoteAddress, requireOwnOrigin } from "../../../_lib/request";

/** A phone line reports a call: number, conference number and PIN. */
export function POST(request: Request): Promise<Response> {
  return answer(async () => {
    requireOwnOrigin(request);
    return Response.json({
      ok: true,
      ...(await answerCall(await app(), await request.json().catch(() => null), await remoteAddress())),
    });
  });
}
