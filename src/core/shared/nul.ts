/**
 * Where in an input a NUL stands, as its field's path; null where there is none. No person types one, and no text
 * column of the database can hold it (PostgreSQL, "Character Types").
 */
export function nulIn(input: unknown, path = ""): string | null {
  if (typeof input === "string") return input.includes("\u0000") ? path : null;
  if (typeof input !== "object" || input === null || ArrayBuffer.isView(input)) return null;
  for (const [key, value] of Object.entries(input)) {
    if (key.includes("\u0000")) return path;
    const found = nulIn(value, path === "" ? key : `${path}.${key}`);
    if (found !== null) return found;
  }
  return null;
}
