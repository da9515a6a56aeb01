import "server-only";
import { Refusal } from "@/core/shared";
import type { Context } from "@/server/services/ground/context";
import { isFromLine } from "@/server/services/hour/phone-report";
import { requireOwnOrigin } from "../../_lib/request";

/** What a phone line says of a call, read only once it is known to be one: this house's stand-in, or a line that signs. */
export async function lineReport({ environment }: Context, request: Request): Promise<unknown> {
  const body = (await request.text()).slice(0, 10_000);
  if (environment.STAGE_CALL_PHONE_LINE === "stand-in") requireOwnOrigin(request);
  else if (!isFromLine(environment, request.headers, body)) throw new Refusal({ code: "not-found", what: "call" });
  try {
    return JSON.parse(body) as unknown;
  } catch {
    return null;
  }
}
