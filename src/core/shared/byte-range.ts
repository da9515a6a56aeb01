/**
 * One byte range of RFC 9110 §14.1.2, ends included. Several ranges or another unit count as none: the
 * whole is then sent.
 */
export function byteRange(
  header: string | null,
  size: number,
): { start: number; end: number } | "unsatisfiable" | null {
  const match = header === null ? null : /^bytes=(\d*)-(\d*)$/.exec(header.trim());
  if (!match || (match[1] === "" && match[2] === "")) return null;
  if (match[1] === "") {
    const last = Number(match[2]);
    return last === 0 || size === 0 ? "unsatisfiable" : { start: Math.max(0, size - last), end: size - 1 };
  }
  const start = Number(match[1]);
  const end = match[2] === "" ? size - 1 : Math.min(Number(match[2]), size - 1);
  if (match[2] !== "" && Number(match[2]) < start) return null;
  return start >= size ? "unsatisfiable" : { start, end };
}
