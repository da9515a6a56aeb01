import type { PlanInput } from "@/contracts";
import { isWeakCode, shortestAccessCode } from "@/core/front-door";
import { wrongInput, type Context } from "../ground/context";

/** A code that nobody has to think of: twelve characters that can be read out. */
export const freshAccessCode = ({ ids }: Pick<Context, "ids">): string =>
  Array.from({ length: 3 }, () => ids.code(4)).join("-");

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
