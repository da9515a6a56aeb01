/** Who is approved without being looked at: addresses of these domains, their sub-domains included. */
export interface ApprovalRule {
  readonly domains: readonly string[];
}

/** Whether a registration waits to be looked at, under approval by hand with a rule. */
export function waitsForApproval(approval: "at-once" | "by-hand", rule: ApprovalRule, email: string): boolean {
  if (approval === "at-once") return false;
  const domain = email.toLowerCase().split("@").at(-1) ?? "";
  return !rule.domains.some((own) => domain === own.toLowerCase() || domain.endsWith(`.${own.toLowerCase()}`));
}
