import Link from "next/link";
import type { SeriesDate } from "@/contracts";
import { shortDate } from "@/core/time";
import { SmallCurve } from "../compare/curves";

/** Every date as a small curve on the scale that all share, in their order; each leads to its report. */
export function SmallDates({
  dates,
  hereId,
  base,
}: {
  dates: readonly SeriesDate[];
  hereId: string;
  /** the reports of the event, without a date */
  base: string;
}) {
  const most = Math.max(1, ...dates.map((one) => one.peak));
  const longestMs = Math.max(60_000, ...dates.map((one) => one.lengthMs));
  return (
    <ol className="grid grid-cols-[repeat(auto-fill,minmax(10.5rem,1fr))] gap-x-5 gap-y-5">
      {dates.map((date, i) => (
        <li key={date.id}>
          <p className="flex justify-between border-b border-rule">
            <Link
              href={`${base}/${date.id}`}
              aria-current={date.id === hereId ? "true" : undefined}
              className={date.id === hereId ? "font-semibold text-ink" : ""}
            >
              {shortDate(date.startAt, date.zone)}
            </Link>
            <span className="mono">{date.came}</span>
          </p>
          <SmallCurve date={date} most={most} longestMs={longestMs} />
          <p className="text-label text-ink-2">
            {date.registered > 0 && (
              <>
                <span className="mono">
                  {date.registeredCame} of {date.registered}
                </span>{" "}
                registered came
                <br />
              </>
            )}
            {i > 0 && (
              <>
                <span className="mono">{date.firstTime}</span> for the first time
              </>
            )}
          </p>
        </li>
      ))}
    </ol>
  );
}
