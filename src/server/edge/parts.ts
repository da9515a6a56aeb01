/** The parts that a process may be: pages and acts, live rooms, work that waits for its hour. */
export const parts = ["web", "live", "work"] as const;
export type Part = (typeof parts)[number];

/** Reads `STAGE_CALL_PART`: `all`, one part, or several joined by `+`. @throws for anything else */
export function readParts(text: string | undefined): ReadonlySet<Part> {
  if (text === undefined || text === "all") return new Set(parts);
  const named = text.split("+");
  if (!named.every((one): one is Part => (parts as readonly string[]).includes(one))) {
    throw new Error(`STAGE_CALL_PART: ${text} is none of all, ${parts.join(", ")}`);
  }
  return new Set(named);
}
