import type { z } from "zod";
import { issueCodes, type Failure, type InputIssue, type IssueCode } from "@/core/shared";

type Raw = z.core.$ZodIssue;
const known = new Set<string>(issueCodes);

const bySize: Record<"too_small" | "too_big", (origin: string) => IssueCode> = {
  too_small: (origin) => (origin === "string" ? "needed" : origin === "array" ? "too-few" : "too-small"),
  too_big: (origin) => (origin === "string" ? "too-long" : origin === "array" ? "too-many" : "too-large"),
};

function codeOf(raw: Raw): IssueCode {
  if (known.has(raw.message)) return raw.message as IssueCode;
  if (raw.code === "too_small" || raw.code === "too_big") return bySize[raw.code](raw.origin);
  if (raw.code === "invalid_value") return "not-offered";
  if (raw.code !== "invalid_type") return "unreadable";
  if (raw.expected === "int") return "not-whole";
  return raw.expected === "number" ? "not-a-number" : raw.input === undefined ? "needed" : "unreadable";
}

function factsOf(raw: Raw): InputIssue["facts"] {
  if (raw.code === "too_small") return { least: Number(raw.minimum) };
  if (raw.code === "too_big") return { most: Number(raw.maximum) };
  return {};
}

/** What a schema found, as data: a schema's own message is a code, everything else gets a general one. */
export const issuesOf = (error: z.ZodError): InputIssue[] =>
  error.issues.map((raw) => ({ path: raw.path.join("."), code: codeOf(raw), facts: factsOf(raw) }));

/** The fields that a refusal is about, so that a form can mark them. */
export function fieldIssuesOf(failure: Failure): readonly InputIssue[] {
  if (failure.code === "invalid-input") return failure.issues;
  if (failure.code !== "not-welcome") return [];
  return [{ path: "email", code: "not-welcome", facts: { domains: failure.domains.join(", ") } }];
}
