import type { Interval } from "../time";
import { dayMs, wallTimeAt } from "../time";

/** How long before the start somebody registered, in groups that differ in who stays away. */
export const leadGroups = ["the day itself", "1–2 days", "3–6 days", "7–13 days", "14 days and more"] as const;
const leadStarts = [0, 1, 3, 7, 14] as const;

/** Which of the groups a registration is in. */
export function leadGroupOf(registeredAt: number, startAt: number): number {
  const days = Math.max(0, Math.floor((startAt - registeredAt) / dayMs));
  return leadStarts.findLastIndex((from) => days >= from);
}

/** Counts by group of two kinds at once: who registered, and who of them came. */
export function byLead(
  registrations: readonly { readonly registeredAt: number; readonly came: boolean }[],
  startAt: number,
): { readonly registered: readonly number[]; readonly came: readonly number[] } {
  const registered = leadStarts.map(() => 0);
  const came = leadStarts.map(() => 0);
  for (const one of registrations) {
    const group = leadGroupOf(one.registeredAt, startAt);
    registered[group]! += 1;
    if (one.came) came[group]! += 1;
  }
  return { registered, came };
}

/** The month of an instant where the organisation is, 0 to 11. */
export const monthIn = (at: number, zone: string): number => Number(wallTimeAt(at, zone).local.slice(5, 7)) - 1;
/** The year of an instant where the organisation is. */
export const yearIn = (at: number, zone: string): number => Number(wallTimeAt(at, zone).local.slice(0, 4));

/** How many were held at once at most, and since when; half-open, so that one ending lets the next begin. */
export function peakUse(holds: readonly Interval[]): { readonly count: number; readonly at: number } | null {
  const ends = holds
    .flatMap(({ start, end }) => [
      { at: start, by: 1 },
      { at: end, by: -1 },
    ])
    .sort((a, b) => a.at - b.at || a.by - b.by);
  let count = 0;
  let peak: { count: number; at: number } | null = null;
  for (const { at, by } of ends) {
    count += by;
    if (count > (peak?.count ?? 0)) peak = { count, at };
  }
  return peak;
}
