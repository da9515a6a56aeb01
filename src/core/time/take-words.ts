/** Why a typed date and hour could not be read. */
export type MomentFault = "no-date" | "no-hour" | "no-such-date" | "other-weekday" | "not-understood";

/** Something read from a text, and the text without it. */
export interface Found<T> {
  readonly value: T;
  readonly rest: string;
}

/** The first match of a pattern that `read` can make something of. */
export function take<T>(text: string, pattern: RegExp, read: (match: RegExpExecArray) => T | null): Found<T> | null {
  for (const match of text.matchAll(new RegExp(pattern, "g"))) {
    const value = read(match);
    if (value !== null)
      return { value, rest: `${text.slice(0, match.index)} ${text.slice(match.index + match[0].length)}` };
  }
  return null;
}
