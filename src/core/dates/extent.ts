import type { Phase } from "../people";
import { fail, ok, type Result } from "../shared";
import { minutesBetween, moveSeries, shiftLocal, splitSeries, type Series } from "../time";

/** A date as a change of its event sees it. */
export interface PlannedDate {
  readonly id: string;
  /** null: a single date, or one of an event without a rule */
  readonly seriesId: string | null;
  readonly originalStartLocal: string;
  readonly startLocal: string;
  readonly durationMinutes: number;
  readonly startAt: number;
  readonly phase: Phase;
}

export interface PlannedSeries extends Series {
  readonly id: string;
  readonly durationMinutes: number;
}

/** What is to happen to the marked dates. A move gives the new start of the first of them. */
export type ExtentChange =
  | { readonly kind: "move"; readonly firstStartLocal: string; readonly durationMinutes: number | null }
  | { readonly kind: "call-off" };

/** How far the change reaches (rule 2): single dates, a later stretch, or all of the series. */
export type Extent = "single" | "later" | "all";

export interface DateChange {
  readonly id: string;
  readonly originalStartLocal: string;
  readonly startLocal: string;
  readonly durationMinutes: number;
  /** the series it belongs to afterwards; "new": the later part of a split */
  readonly seriesId: string | "new" | null;
}

export interface ExtentPlan {
  readonly extent: Extent;
  readonly dates: readonly DateChange[];
  readonly calledOffIds: readonly string[];
  /** the series rows as they are afterwards */
  readonly series: readonly PlannedSeries[];
  /** the later part of a split: gets a UID of its own */
  readonly newSeries: Omit<PlannedSeries, "id"> | null;
}

const mayChange = (date: PlannedDate, now: number): boolean => date.phase === "scheduled" && date.startAt > now;

/** Marked: every date from some point on to the end of the series, or all that can still change. */
function extentOf(
  series: PlannedSeries | null,
  all: readonly PlannedDate[],
  marked: readonly PlannedDate[],
  now: number,
): Extent {
  if (!series) return "single";
  const own = all
    .filter((date) => date.seriesId === series.id && date.phase !== "cancelled")
    .sort((a, b) => (a.originalStartLocal < b.originalStartLocal ? -1 : 1));
  const tail = own.slice(-marked.length);
  const isTail = marked.length > 1 && tail.every((date) => marked.some((one) => one.id === date.id));
  if (!isTail) return "single";
  return own.length === marked.length && own.every((date) => mayChange(date, now)) ? "all" : "later";
}

function changeSingles(
  marked: readonly PlannedDate[],
  change: ExtentChange,
  series: readonly PlannedSeries[],
): ExtentPlan {
  const base = { extent: "single" as const, newSeries: null };
  if (change.kind === "call-off") {
    const gone = new Set(marked.map((date) => date.originalStartLocal));
    const touched = new Set(marked.map((date) => date.seriesId));
    const next = series.map((one) =>
      touched.has(one.id) ? { ...one, exdates: [...new Set([...one.exdates, ...gone])].sort() } : one,
    );
    return { ...base, dates: [], calledOffIds: marked.map((date) => date.id), series: next };
  }
  const shift = minutesBetween(marked[0]!.startLocal, change.firstStartLocal);
  const dates = marked.map((date): DateChange => ({
    id: date.id,
    seriesId: date.seriesId,
    // a date without a rule has no other original than itself
    originalStartLocal: date.seriesId === null ? shiftLocal(date.startLocal, shift) : date.originalStartLocal,
    startLocal: shiftLocal(date.startLocal, shift),
    durationMinutes: change.durationMinutes ?? date.durationMinutes,
  }));
  return { ...base, dates, calledOffIds: [], series };
}

/** Moves every date of a part of a series; an override stays as far from its rule's start as it was. */
function moved(
  dates: readonly PlannedDate[],
  movedStart: (originalStartLocal: string) => string,
  durationMinutes: number | null,
  seriesId: string | "new",
): DateChange[] {
  return dates.map(({ id, originalStartLocal: original, startLocal, durationMinutes: own }) => ({
    id,
    seriesId,
    originalStartLocal: movedStart(original),
    startLocal: shiftLocal(movedStart(original), minutesBetween(original, startLocal)),
    durationMinutes: durationMinutes ?? own,
  }));
}

function changeStretch(
  extent: "later" | "all",
  series: PlannedSeries,
  all: readonly PlannedDate[],
  marked: readonly PlannedDate[],
  change: ExtentChange,
  rows: readonly PlannedSeries[],
): ExtentPlan {
  const first = marked[0]!;
  const others = rows.filter((one) => one.id !== series.id);
  // an override may stand before an earlier date of the rule: the part begins with the rule's first
  const from = marked.map((date) => date.originalStartLocal).sort()[0]!;
  const split = splitSeries(series, from);
  const earlier = split.earlier ? [{ ...series, ...split.earlier }] : [];
  if (change.kind === "call-off") {
    const kept =
      extent === "all"
        ? [
            {
              ...series,
              exdates: [...new Set([...series.exdates, ...marked.map((date) => date.originalStartLocal)])].sort(),
            },
          ]
        : earlier;
    return {
      extent,
      dates: [],
      calledOffIds: marked.map((date) => date.id),
      series: [...others, ...kept],
      newSeries: null,
    };
  }
  const shift = minutesBetween(first.startLocal, change.firstStartLocal);
  const source = extent === "all" ? series : { ...series, ...split.later };
  const { series: target, movedStart } = moveSeries(source, shiftLocal(source.startLocal, shift));
  const durationMinutes = change.durationMinutes ?? series.durationMinutes;
  // dates of this part that were called off move along, so that their originals stay in step with EXDATE
  const part = all.filter(
    (date) =>
      date.seriesId === series.id &&
      date.originalStartLocal >= source.startLocal &&
      (marked.some((one) => one.id === date.id) || date.phase === "cancelled"),
  );
  const dates = moved(part, movedStart, change.durationMinutes, extent === "all" ? series.id : "new");
  if (extent === "all")
    return {
      extent,
      dates,
      calledOffIds: [],
      series: [...others, { ...series, ...target, durationMinutes }],
      newSeries: null,
    };
  const { startLocal, rule, zone, exdates, rdates } = target;
  return {
    extent,
    dates,
    calledOffIds: [],
    series: [...others, ...earlier],
    newSeries: { startLocal, rule, zone, exdates, rdates, durationMinutes },
  };
}

/**
 * Rule 2: a change applied to the dates that were marked. One or several single dates become
 * overrides; a later stretch splits the series; all of it moves as a whole. Live and past dates never
 * change.
 */
export function planExtent(
  all: readonly PlannedDate[],
  rows: readonly PlannedSeries[],
  markedIds: readonly string[],
  change: ExtentChange,
  now: number,
): Result<ExtentPlan> {
  const marked = all
    .filter((date) => markedIds.includes(date.id))
    .sort((a, b) => (a.startLocal < b.startLocal ? -1 : 1));
  if (marked.length === 0) return fail({ code: "not-found", what: "date" });
  const fixed = marked.find((date) => !mayChange(date, now));
  if (fixed) return fail({ code: "date-fixed", startLocal: fixed.startLocal, phase: fixed.phase });
  const seriesIds = new Set(marked.map((date) => date.seriesId));
  const series = seriesIds.size === 1 ? (rows.find((one) => one.id === marked[0]!.seriesId) ?? null) : null;
  const extent = extentOf(series, all, marked, now);
  return ok(
    extent === "single" || !series
      ? changeSingles(marked, change, rows)
      : changeStretch(extent, series, all, marked, change, rows),
  );
}
