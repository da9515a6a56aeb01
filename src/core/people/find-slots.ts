import {
  dayMs,
  minuteMs,
  nextTransition,
  offsetMinutesAt,
  touches,
  unionOf,
  weekdayCodes,
  type WeekdayCode,
  type Interval,
  type IntervalSet,
} from "../time";

/** Somebody who should be there, with their own zone and what they are busy with. */
export interface SlotPerson {
  readonly id: string;
  readonly zone: string;
  readonly isRequired: boolean;
  readonly busy: IntervalSet;
}

export interface Slot {
  readonly startAt: number;
  readonly endAt: number;
  /** optional people who are free */
  readonly freeOptional: number;
  /** people, required or not, who have it within 09:00–18:00 of their own day */
  readonly withinHours: number;
}

export const slotGridMinutes = 15;
/** Working hours of rule 4, local, in minutes of the day. */
export const workFromMinute = 9 * 60;
export const workUntilMinute = 18 * 60;

const step = slotGridMinutes * minuteMs;

/** The starts looked at: `count` of them, a quarter of an hour apart, each `lengthMs` long. */
interface Grid {
  readonly first: number;
  readonly count: number;
  readonly lengthMs: number;
}

/** Local milliseconds at ascending instants of one zone; looks the zone up once a change. */
function localClock(zone: string, from: number): (at: number) => number {
  let offsetMs = offsetMinutesAt(from, zone) * minuteMs;
  let changeAt = nextTransition(from, zone) ?? Number.POSITIVE_INFINITY;
  return (at) => {
    while (at >= changeAt) {
      offsetMs = offsetMinutesAt(changeAt, zone) * minuteMs;
      changeAt = nextTransition(changeAt, zone) ?? Number.POSITIVE_INFINITY;
    }
    return at + offsetMs;
  };
}

const sinceMidnight = (localMs: number): number => ((localMs % dayMs) + dayMs) % dayMs;
/** 1970-01-01 was a Thursday, the fourth of `weekdayCodes`. */
const weekdayAt = (localMs: number): WeekdayCode => weekdayCodes[(((Math.floor(localMs / dayMs) + 3) % 7) + 7) % 7]!;

interface HoursOf {
  readonly zone: string;
  /** how many people live by it */
  readonly people: number;
  readonly workDays: ReadonlySet<WeekdayCode>;
}

/** Adds the people of one zone to each slot that lies within working hours of one local day there. */
function addWorkingHours(
  within: Uint16Array,
  { zone, people, workDays }: HoursOf,
  { first, count, lengthMs }: Grid,
): void {
  if (lengthMs > dayMs) return;
  const startClock = localClock(zone, first);
  const endClock = localClock(zone, first);
  for (let i = 0; i < count; i += 1) {
    const start = first + i * step;
    const startsAt = startClock(start);
    const from = sinceMidnight(startsAt);
    const until = sinceMidnight(endClock(start + lengthMs - 1));
    if (from < workFromMinute * minuteMs || until >= workUntilMinute * minuteMs || until < from) continue;
    if (workDays.has(weekdayAt(startsAt))) within[i]! += people;
  }
}

/** Adds one to each slot that a busy time touches: only the slots around each busy time are looked at. */
function addBusy(busy: Uint16Array, times: IntervalSet, { first, count, lengthMs }: Grid): void {
  let done = 0;
  for (const { start, end } of times) {
    const from = Math.max(done, Math.floor((start - lengthMs - first) / step) + 1);
    const until = Math.min(count, Math.ceil((end - first) / step));
    for (let i = from; i < until; i += 1) busy[i]! += 1;
    done = Math.max(done, until);
  }
}

const countBy = (zones: readonly string[]): ReadonlyMap<string, number> => {
  const out = new Map<string, number>();
  for (const zone of zones) out.set(zone, (out.get(zone) ?? 0) + 1);
  return out;
};

/**
 * Rule 4: the slots on a quarter-hour grid in which all required people are free, ranked by how many
 * optional people are free, then by how many have it within 09:00–18:00 of their own day, then
 * earliest. Working hours never rule a slot out. Rule 4 knows no days off: `workDays` narrows what counts as working
 * hours to some days of each person's own week.
 */
export function findSlots(
  people: readonly SlotPerson[],
  durationMinutes: number,
  range: Interval,
  limit = Number.POSITIVE_INFINITY,
  workDays: readonly WeekdayCode[] = weekdayCodes,
): readonly Slot[] {
  const first = Math.ceil(range.start / step) * step;
  const lengthMs = durationMinutes * minuteMs;
  const grid: Grid = { first, lengthMs, count: Math.max(0, Math.floor((range.end - lengthMs - first) / step) + 1) };
  const taken = new Uint16Array(grid.count);
  const busy = new Uint16Array(grid.count);
  const within = new Uint16Array(grid.count);
  const optional = people.filter((one) => !one.isRequired);
  addBusy(taken, unionOf(people.filter((one) => one.isRequired).flatMap((one) => one.busy)), grid);
  for (const one of optional) addBusy(busy, one.busy, grid);
  const days = new Set(workDays);
  for (const [zone, count] of countBy(people.map((one) => one.zone)))
    addWorkingHours(within, { zone, people: count, workDays: days }, grid);
  return ranked(grid, { taken, busy, within }, optional.length, limit);
}

/** Slots by rank without a sort: one list for each pair of figures, filled in the order of time. */
function ranked(
  { first, count, lengthMs }: Grid,
  counts: { taken: Uint16Array; busy: Uint16Array; within: Uint16Array },
  optional: number,
  limit: number,
): Slot[] {
  const lists = new Map<number, Slot[]>();
  const rank = (busy: number, within: number) => busy * 65_536 - within;
  for (let i = 0; i < count; i += 1) {
    if (counts.taken[i]! > 0) continue;
    const [busy, within] = [counts.busy[i]!, counts.within[i]!];
    const list = lists.get(rank(busy, within)) ?? [];
    if (list.length === 0) lists.set(rank(busy, within), list);
    if (list.length < limit)
      list.push({
        startAt: first + i * step,
        endAt: first + i * step + lengthMs,
        freeOptional: optional - busy,
        withinHours: within,
      });
  }
  const all = [...lists].sort(([a], [b]) => a - b).flatMap(([, list]) => list);
  return limit < all.length ? all.slice(0, limit) : all;
}

/** Who makes a slot less than perfect: the busy ones, and those for whom it lies outside working hours. */
export function slotReasons(
  people: readonly SlotPerson[],
  { startAt, endAt }: Pick<Slot, "startAt" | "endAt">,
  workDays: readonly WeekdayCode[] = weekdayCodes,
): { busyIds: readonly string[]; outsideHoursIds: readonly string[] } {
  const isOutside = (zone: string): boolean => {
    const within = new Uint16Array(1);
    const hours = { zone, people: 1, workDays: new Set(workDays) };
    addWorkingHours(within, hours, { first: startAt, count: 1, lengthMs: endAt - startAt });
    return within[0] === 0;
  };
  return {
    busyIds: people.filter((one) => touches(one.busy, { start: startAt, end: endAt })).map((one) => one.id),
    outsideHoursIds: people.filter((one) => isOutside(one.zone)).map((one) => one.id),
  };
}
