import { callReport } from "@/contracts";
import { app } from "@/server/compose";
import { parse } from "@/server/services/ground/context";
import { hearCall } from "@/server/services/hour/phone-line";
import { answer, requireOwnOrigin } from "../../../../_lib/request";

/** A phone line reports on one call while it lasts: level, key, hung up. */
export function POST(request: Request, { params }: { params: Promise<{ call: string }> }): Promise<Response> {
  return answer(async () => {
    requireOwnOrigin(request);
    const { call } = await params;
    const report = parse(callReport, await request.json().catch(() => null));
    return Response.json({ ok: true, state: await hearCall(await app(), call, report) });
  });
}
