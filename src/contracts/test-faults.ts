import type { z } from "zod";

/** For tests of the contracts: the paths that a shape finds fault with; none: it is taken. */
export function faults(shape: z.ZodType, input: unknown): string[] {
  const parsed = shape.safeParse(input);
  return parsed.success ? [] : [...new Set(parsed.error.issues.map((issue) => issue.path.join(".")))].sort();
}
