import { localWords, type WallTimeKind } from "@/core/time";
import { classes } from "@/ui";

const monthNames = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const mostMonths = 12;

const monthsBetween = (first: string, last: string): string[] => {
  const out: string[] = [];
  let [year, month] = [Number(first.slice(0, 4)), Number(first.slice(5, 7))];
  while (`${year}-${String(month).padStart(2, "0")}` <= last.slice(0, 7) && out.length < 60) {
    out.push(`${year}-${String(month).padStart(2, "0")}`);
    month += 1;
    if (month > 12) [year, month] = [year + 1, 1];
  }
  return out;
};

/** Small months with the days of a series marked; shifted and doubled hours and skipped months stand out. */
export function MonthGrid({
  dates,
  skipped,
}: {
  dates: readonly { local: string; kind: WallTimeKind }[];
  skipped: readonly string[];
}) {
  const [first, last] = [dates[0]?.local, dates.at(-1)?.local];
  if (!first || !last) return null;
  const months = monthsBetween(first, last);
  const byDay = new Map(dates.map((date) => [date.local.slice(0, 10), date.kind]));
  return (
    <div>
      <ol className="grid grid-cols-6 gap-3" aria-label="The dates on months">
        {months.slice(0, mostMonths).map((month) => {
          const [year, at] = [Number(month.slice(0, 4)), Number(month.slice(5, 7))];
          const days = new Date(Date.UTC(year, at, 0)).getUTCDate();
          const lead = (new Date(Date.UTC(year, at - 1, 1)).getUTCDay() + 6) % 7;
          const count = dates.filter((date) => date.local.startsWith(month)).length;
          return (
            <li key={month} className={classes("text-label", skipped.includes(month) && "opacity-70")}>
              <p className="flex justify-between font-medium">
                {monthNames[at - 1]} {year}
                <span className="mono text-ink-2">{skipped.includes(month) ? "skipped" : count || ""}</span>
              </p>
              <div className="grid grid-cols-7 gap-px" aria-hidden>
                {Array.from({ length: lead }, (_, i) => (
                  <span key={`lead${i}`} />
                ))}
                {Array.from({ length: days }, (_, i) => {
                  const kind = byDay.get(`${month}-${String(i + 1).padStart(2, "0")}`);
                  return (
                    <span
                      key={i}
                      className={classes(
                        "mono text-center text-[10px] leading-4",
                        kind === "plain" && "bg-action text-on-action",
                        (kind === "gap" || kind === "fold") && "bg-attention text-on-action",
                        !kind && "text-ink-2",
                      )}
                    >
                      {i + 1}
                    </span>
                  );
                })}
              </div>
            </li>
          );
        })}
      </ol>
      {months.length > mostMonths && (
        <p className="mt-1 text-label text-ink-2">and {months.length - mostMonths} more months</p>
      )}
      {dates
        .filter((date) => date.kind !== "plain")
        .map((date) => (
          <p key={date.local} className="text-label text-attention">
            {localWords(date.local)}:{" "}
            {date.kind === "gap"
              ? "the clocks skip this hour; the date is shifted past it"
              : "this hour comes twice; the first is meant"}
          </p>
        ))}
    </div>
  );
}
