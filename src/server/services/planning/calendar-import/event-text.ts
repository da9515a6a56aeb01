import type { EventDraft, UnreadPart } from "@/contracts";
import { readAddresses } from "@/core/mailings";
import { findLength, findMoment, zoneNamed, type ZoneCity } from "@/core/time";
import { paragraphs } from "./event-file";

const minutesOf = (clock: string): number => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3));
const isLength = (minutes: number): boolean => minutes >= 5 && minutes <= 1440;

/** "18:30–20:00" beside a start: the length until that end, over midnight where the end is the smaller. */
function lengthUntilEnd(rest: string, clock: string | null): number | null {
  const end = /(?:[-–—]|\bto\b|\btill?\b|\buntil\b)\s*(\d{1,2}):(\d{2})/.exec(rest);
  if (!end || !clock) return null;
  const minutes = (Number(end[1]) * 60 + Number(end[2]) - minutesOf(clock) + 1440) % 1440;
  return isLength(minutes) ? minutes : null;
}

/** "(London time)", "Central European Standard Time", "in Lisbon": the zone that words beside an hour name. */
function zoneIn(rest: string, cities: readonly ZoneCity[]): { zone: string | null; words: string | null } {
  const named =
    /\(([^)]{2,60})\)/.exec(rest)?.[1] ??
    /(?:^|[\s,])((?:\p{L}[\p{L}.'-]*\s){1,4}time)\b/u.exec(rest)?.[1] ??
    /(?:^|\s)([A-Z]{1}[A-Za-z]+\/[A-Za-z_]+)/.exec(rest)?.[1] ??
    /(?:^|\s)(cest|cet|bst|gmt|wet|west|eet|eest|est|edt|cst|cdt|mst|mdt|pst|pdt|ist|utc)\b/.exec(rest)?.[1] ??
    null;
  if (named === null) return { zone: null, words: null };
  const bare = named.replace(/\b(?:local )?time\b/gi, "").trim();
  const found = zoneNamed(named, cities) ?? zoneNamed(bare, cities);
  return { zone: found?.zone ?? null, words: named };
}

interface When {
  readonly line: number;
  readonly startLocal: string | null;
  readonly zone: string | null;
  readonly minutes: number | null;
  readonly unread: readonly UnreadPart[];
}

function whenIn(lines: readonly string[], todayLocal: string, cities: readonly ZoneCity[]): When {
  const found = lines.map((line) => (line.length > 300 ? null : findMoment(line, todayLocal)));
  // a line with day and hour is surer than a day that prose mentions
  const whole = found.findIndex((one) => one?.clock);
  const line = whole >= 0 ? whole : found.findIndex(Boolean);
  const moment = line >= 0 ? found[line]! : null;
  if (!moment) return { line: -1, startLocal: null, zone: null, minutes: null, unread: [{ part: "start" }] };
  const { zone, words } = zoneIn(moment.rest, cities);
  const unread: UnreadPart[] = [];
  if (!moment.clock) unread.push({ part: "hour", detail: lines[line]! });
  if (words && !zone) unread.push({ part: "zone", detail: words });
  return {
    line,
    startLocal: moment.clock ? `${moment.day}T${moment.clock}` : null,
    zone,
    minutes: lengthUntilEnd(moment.rest, moment.clock) ?? findLength(moment.rest)?.minutes ?? null,
    unread,
  };
}

/**
 * A plan's beginning from pasted text: the first line is the title, a line with date and hour the start (with its zone
 * and end where they stand there), "60 min" or "an hour and a half" the length, "Place: …" the place, addresses the
 * people; the rest is the description.
 */
export function draftFromText(
  text: string,
  todayLocal: string,
  ownZone: string,
  cities: readonly ZoneCity[],
): EventDraft {
  const lines = text
    .slice(0, 50_000)
    .split(/\r?\n/)
    .map((line) => line.trim());
  const title = lines.find(Boolean) ?? "";
  const body = lines.slice(lines.indexOf(title) + 1);
  const when = whenIn(body, todayLocal, cities);
  const isLengthLine = (line: string): boolean => line.length < 60 && findLength(line) !== null;
  const minutes = when.minutes ?? findLength(body.filter((_, i) => i !== when.line).join("\n"))?.minutes ?? null;
  const placeLine = body.find((line) => /^(?:place|where|location|venue|ort|lieu|lugar)\s*:\s*\S/i.test(line));
  const people = readAddresses(body.filter((line) => line.includes("@")).join("\n")).addresses;
  const rest = body.filter(
    (line, i) =>
      line !== placeLine &&
      !line.includes("@") &&
      !(i === when.line && when.startLocal) &&
      !(minutes !== null && isLengthLine(line) && !/[.!?]\s/.test(line)),
  );
  return {
    title: title.slice(0, 200),
    descriptionHtml: paragraphs(rest.join("\n")),
    startLocal: when.startLocal,
    zone: when.zone ?? ownZone,
    durationMinutes: minutes !== null && isLength(minutes) ? minutes : null,
    rule: null,
    place: (placeLine?.replace(/^[^:]+:\s*/, "") ?? "").slice(0, 300),
    people: people.map((one) => ({ name: one.name || one.email.split("@")[0]!, email: one.email })),
    unread: [...when.unread, ...(minutes === null ? [{ part: "length" as const }] : [])],
  };
}
