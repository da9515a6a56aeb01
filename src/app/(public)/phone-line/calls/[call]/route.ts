import { callReport } from "@/contracts";
import { app } from "@/server/compose";
import { parse } from "@/server/services/ground/context";
import { hearCall } from "@/server/services/hour/phone-line";
import { answer } from "../../../../_lib/request";
import { lineReport } from "../../report";

/** A phone line reports on one call while it lasts: level, key, hung up. */
export function POST(request: Request, { params }: { params: Promise<{ call: string }> }): Promise<Response> {
  return answer(async () => {
    const ports = await app();
    const report = parse(callReport, await lineReport(ports.context, request));
    const { call } = await params;
    return Response.json({ ok: true, state: await hearCall(ports, call, report) });
  });
}
