import type { Series } from "@/contracts";
import type { Trend } from "@/core/reports";
import { signed } from "@/features/shared/signed";

const rows = [
  ["came", "People who came", "people", 1],
  ["showUpPercent", "Of those registered, came", "points", 2],
  ["meanStayMinutes", "Mean stay", "min", 2],
] as const;

/** Whether a trend is more than chance may make of it, in words. */
const judged = ({ low, high }: Trend): string =>
  low > 0 ? "it rises" : high < 0 ? "it falls" : "no more than chance may make of it";

/** What changes from one date to the next, each with its interval and its base. */
export function TrendLines({ trends }: Pick<Series, "trends">) {
  return (
    <dl className="grid grid-cols-[max-content_max-content_1fr] items-baseline gap-x-5 gap-y-1">
      {rows.map(([key, label, unit, digits]) => {
        const trend = trends[key];
        return (
          <div key={key} className="contents">
            <dt className="text-ink-2">{label}</dt>
            {trend === null ? (
              <dd className="col-span-2 text-ink-2">too few dates to tell; from three on</dd>
            ) : (
              <>
                <dd className="mono">
                  {signed(trend.perStep, digits)} {unit} a date
                </dd>
                <dd className="text-ink-2">
                  <span className="mono">
                    {signed(trend.low, digits)} to {signed(trend.high, digits)}
                  </span>{" "}
                  with 95 %, over <span className="mono">{trend.n}</span> dates: {judged(trend)}
                </dd>
              </>
            )}
          </div>
        );
      })}
    </dl>
  );
}
