import { Webhook } from "standardwebhooks";
import type { Environment } from "../../platform/environment";

/**
 * Whether a report of a call may be believed: where a line signs (Standard Webhooks 1.0), by its signature over the
 * very bytes, not older than five minutes; where the stand-in serves, that is for the caller to see from its origin.
 */
export function isFromLine(
  environment: Pick<Environment, "STAGE_CALL_PHONE_LINE" | "STAGE_CALL_PHONE_SECRET">,
  headers: Headers,
  body: string,
): boolean {
  if (environment.STAGE_CALL_PHONE_LINE !== "signed" || !environment.STAGE_CALL_PHONE_SECRET) return false;
  try {
    new Webhook(environment.STAGE_CALL_PHONE_SECRET).verify(body, Object.fromEntries(headers));
    return true;
  } catch {
    return false;
  }
}
