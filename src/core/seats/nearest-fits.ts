import { clockTime, dayMs, minuteMs } from "../time";
import { classesOf, chainsOf, type Licence, type SeatClaim } from "./licences";
import { searchBudget } from "./allocate";
import { searchChain } from "./search";

export const gridMinutes = 15;
export const fitWithinDays = 14;

/** What is being placed: its need and how far its hold reaches before and after its start. */
export interface PlacedDate {
  readonly id: string;
  readonly need: number;
  readonly startAt: number;
  readonly holdBeforeMs: number;
  readonly holdAfterMs: number;
  readonly zone: string;
}

/** Hours of day within which a start is looked for, local: "09:00"–"21:00", ends included. */
export interface HoursOfDay {
  readonly from: string;
  readonly until: string;
}

/** Whether the date fits with its start at `startAt`: yes, no, or not decided. */
export function fitsAt(
  date: PlacedDate,
  startAt: number,
  others: readonly SeatClaim[],
  licences: readonly Licence[],
): boolean | null {
  const own: SeatClaim = {
    id: date.id,
    need: date.need,
    startAt: startAt - date.holdBeforeMs,
    endAt: startAt + date.holdAfterMs,
    heldLicenceId: null,
  };
  const chain = chainsOf([...others.filter((one) => one.id !== date.id), own]).find((one) => one.includes(own))!;
  const result = searchChain(chain, classesOf(licences, chain), { left: searchBudget });
  return result === "not-decided" ? null : "found" in result;
}

const isWithin = (startAt: number, zone: string, hours: HoursOfDay): boolean => {
  const clock = clockTime(startAt, zone);
  return clock >= hours.from && clock <= hours.until;
};

/** Only those that could meet the date in some chain within the reach of the search. */
function nearby(date: PlacedDate, others: readonly SeatClaim[]): readonly SeatClaim[] {
  const reach = (fitWithinDays + 2) * dayMs;
  return others.filter((one) => one.endAt > date.startAt - reach && one.startAt < date.startAt + reach);
}

function firstFit(
  date: PlacedDate,
  others: readonly SeatClaim[],
  licences: readonly Licence[],
  hours: HoursOfDay,
  direction: 1 | -1,
  notBefore: number,
): number | null {
  const step = gridMinutes * minuteMs;
  const grid = direction > 0 ? Math.floor(date.startAt / step) * step : Math.ceil(date.startAt / step) * step;
  for (let k = 1; k <= (fitWithinDays * dayMs) / step; k += 1) {
    const startAt = grid + direction * k * step;
    if (startAt < notBefore) return null;
    if (isWithin(startAt, date.zone, hours) && fitsAt(date, startAt, others, licences) === true) return startAt;
  }
  return null;
}

/**
 * The closest earlier and later starts on a 15-minute grid within 14 days at which the date fits,
 * within the given hours of day (rule 3). Null where there is none.
 * @param notBefore no earlier start than this instant: now
 */
export function nearestFits(
  date: PlacedDate,
  others: readonly SeatClaim[],
  licences: readonly Licence[],
  hours: HoursOfDay,
  notBefore: number,
): { earlier: number | null; later: number | null } {
  const near = nearby(date, others);
  return {
    earlier: firstFit(date, near, licences, hours, -1, notBefore),
    later: firstFit(date, near, licences, hours, 1, notBefore),
  };
}

export interface StripCell {
  readonly startAt: number;
  readonly isFree: boolean;
}

/** For the strip beside the date: which quarter hours between two instants are free for it as a start. */
export function freeStarts(
  date: PlacedDate,
  others: readonly SeatClaim[],
  licences: readonly Licence[],
  from: number,
  to: number,
): readonly StripCell[] {
  const step = gridMinutes * minuteMs;
  const near = others.filter((one) => one.endAt > from - dayMs && one.startAt < to + dayMs);
  const out: StripCell[] = [];
  for (let startAt = Math.ceil(from / step) * step; startAt < to; startAt += step)
    out.push({ startAt, isFree: fitsAt(date, startAt, near, licences) === true });
  return out;
}
