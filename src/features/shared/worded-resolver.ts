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
