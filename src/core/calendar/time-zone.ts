import { nextTransition, offsetMinutesAt, wallTimeAt } from "../time";

const two = (n: number): string => String(n).padStart(2, "0");

/** `+0130` from minutes. */
function utcOffset(minutes: number): string {
  const size = Math.abs(minutes);
  return `${minutes < 0 ? "-" : "+"}${two(Math.floor(size / 60))}${two(size % 60)}`;
}

/** `20270328T023000` from `2027-03-28T02:30`. */
export const localStamp = (local: string): string => `${local.replace(/[-:]/g, "")}00`;

/** `20270328T013000Z`. */
export const utcStamp = (instant: number): string =>
  new Date(instant)
    .toISOString()
    .replace(/[-:]/g, "")
    .replace(/\.\d{3}Z$/, "Z");

function observance(startsAt: number, before: number, after: number): string[] {
  const kind = after > before ? "DAYLIGHT" : "STANDARD";
  // DTSTART of an observance is the wall time in the offset that held before it (RFC 5545 §3.6.5)
  const local = wallTimeAt(startsAt + before * 60_000, "UTC").local;
  return [
    `BEGIN:${kind}`,
    `DTSTART:${localStamp(local)}`,
    `TZOFFSETFROM:${utcOffset(before)}`,
    `TZOFFSETTO:${utcOffset(after)}`,
    `END:${kind}`,
  ];
}

/**
 * VTIMEZONE for the years that the file's dates need: the offset valid at `fromAt`, then each change
 * up to `untilAt`, spelled out, so that no rule has to be guessed.
 */
export function timeZoneLines(zone: string, fromAt: number, untilAt: number): readonly string[] {
  const key = `${zone}|${fromAt}|${untilAt}`;
  const known = made.get(key);
  if (known) return known;
  if (made.size >= mostKept) made.clear();
  const lines = spelledOut(zone, fromAt, untilAt);
  made.set(key, lines);
  return lines;
}

/** A mailing writes the same zone for everybody: what was spelled out once is kept for a while. */
const made = new Map<string, readonly string[]>();
const mostKept = 500;

function spelledOut(zone: string, fromAt: number, untilAt: number): string[] {
  const base = fromAt - 366 * 86_400_000;
  const offset = offsetMinutesAt(base, zone);
  const lines = ["BEGIN:VTIMEZONE", `TZID:${zone}`, ...observance(base, offset, offset)];
  let at = nextTransition(base, zone);
  while (at !== null && at <= untilAt + 366 * 86_400_000) {
    const before = offsetMinutesAt(at - 1, zone);
    const after = offsetMinutesAt(at, zone);
    if (before !== after) lines.push(...observance(at, before, after));
    at = nextTransition(at, zone);
  }
  lines.push("END:VTIMEZONE");
  return lines;
}
