import { toNestErrors } from "@hookform/resolvers";
import type { FieldErrors, FieldValues, Resolver } from "react-hook-form";
import type { z } from "zod";
import { issuesOf, wordsOfIssue } from "@/contracts";

/** A form checked by its contract's schema, what is wrong in the team's words: the first issue of a field counts. */
export function wordedResolver<T extends FieldValues>(schema: z.ZodType<T>): Resolver<T> {
  return (values, _context, options) => {
    const parsed = schema.safeParse(values);
    if (parsed.success) return { values: parsed.data, errors: {} };
    const errors: Record<string, { type: string; message: string }> = {};
    for (const issue of issuesOf(parsed.error)) {
      errors[issue.path] ??= { type: issue.code, message: wordsOfIssue(issue) };
    }
    return { values: {}, errors: toNestErrors<T>(errors as FieldErrors<T>, options) };
  };
}

/** All that a form found wrong, each said once, for above its button: a field may stand out of view. */
export function worded(errors: object): string {
  const found = new Set<string>();
  const walk = (node: unknown): void => {
    if (!node || typeof node !== "object") return;
    const { message } = node as { message?: unknown };
    if (typeof message === "string") found.add(message);
    else for (const child of Object.values(node)) walk(child);
  };
  walk(errors);
  return [...found].join(" ");
}
