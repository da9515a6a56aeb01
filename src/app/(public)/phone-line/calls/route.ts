import { app } from "@/server/compose";
import { Refusal } from "@/core/shared";
import { ringingAt } from "@/server/services/hour/call-back";
import { answerCall } from "@/server/services/hour/phone-line";
import { answer, currentOrganisation, remoteAddress } from "../../../_lib/request";
import { lineReport } from "../report";

/** The stand-in's telephone asks whether it rings: whoever holds the phone knows its number. */
export function GET(request: Request): Promise<Response> {
  return answer(async () => {
    const { context } = await app();
    if (context.environment.STAGE_CALL_PHONE_LINE !== "stand-in")
      throw new Refusal({ code: "not-found", what: "call" });
    const organisation = await currentOrganisation();
    const number = new URL(request.url).searchParams.get("number") ?? "";
    return Response.json({ ok: true, answer: await ringingAt(context, organisation.id, number) });
  });
}

/** A phone line reports a call: number, conference number and PIN. */
export function POST(request: Request): Promise<Response> {
  return answer(async () => {
    const ports = await app();
    const report = await lineReport(ports.context, request);
    return Response.json({ ok: true, ...(await answerCall(ports, report, await remoteAddress())) });
  });
}
