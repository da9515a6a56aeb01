import type { PlanInput } from "@/contracts";
import { isWeakCode, madeCode, shortestAccessCode } from "@/core/front-door";
import { wrongInput, type Context } from "../ground/context";

/** A page's code, made for it. */
export const freshAccessCode = ({ ids }: Pick<Context, "ids">): string => madeCode((length) => ids.code(length));

/**
 * A new code must not be guessable. One that a page has already may stay: mails may have carried it, and readiness
 * finds it. @throws an issue of the field
 */
export function requireStrongCode(
  { secrets }: Pick<Context, "secrets">,
  plan: Pick<PlanInput, "isPrivate" | "accessCode">,
  sealedBefore: string | null,
): void {
  if (!plan.isPrivate || !plan.accessCode || !isWeakCode(plan.accessCode)) return;
  if (sealedBefore !== null && secrets.unseal(sealedBefore) === plan.accessCode) return;
  throw wrongInput("accessCode", "access-code-weak", { least: shortestAccessCode });
}
