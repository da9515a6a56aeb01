import type { Trend } from "@/core/reports";
import type { ComparedDate } from "./compared-date";

/** One date of an event among all that were held. */
export interface SeriesDate extends Pick<
  ComparedDate,
  | "id"
  | "startAt"
  | "zone"
  | "registered"
  | "came"
  | "registeredCame"
  | "peak"
  | "averageHouse"
  | "meanStayMinutes"
  | "curve"
  | "lengthMs"
> {
  /** of those who came: to none of the dates before it that stand here */
  readonly firstTime: number;
}

/** An event's held dates in their order, the latest ones where there are many. */
export interface Series {
  readonly dates: readonly SeriesDate[];
  /** how many were held altogether */
  readonly heldCount: number;
  /** from date to date; null where there are fewer than three */
  readonly trends: {
    readonly came: Trend | null;
    readonly showUpPercent: Trend | null;
    readonly meanStayMinutes: Trend | null;
  };
  readonly people: number;
  /** how many came to exactly one, two, three … of them */
  readonly byTimes: readonly number[];
  /** who came to the most of them */
  readonly regulars: readonly { readonly name: string; readonly times: number }[];
}
