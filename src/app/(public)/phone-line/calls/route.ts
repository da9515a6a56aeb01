import { app } from "@/server/compose";
import { answerCall } from "@/server/services/hour/phone-line";
import { answer, remoteAddress } from "../../../_lib/request";
import { lineReport } from "../report";

/** A phone line reports a call: number, conference number and PIN. */
export function POST(request: Request): Promise<Response> {
  return answer(async () => {
    const ports = await app();
    const report = await lineReport(ports.context, request);
    return Response.json({ ok: true, ...(await answerCall(ports, report, await remoteAddress())) });
  });
}
