import type { ComparedDate } from "@/contracts";
import type { Difference } from "@/core/reports";
import { shortDate } from "@/core/time";
import { signed } from "@/features/shared/signed";
import { Table, Td, Th } from "@/ui";
import { SmallCurve, strokeOf } from "./curves";

/** By how much the first date differs from this one, with what it may be by chance. */
function Than({
  of,
  scale,
  unit,
  digits = 0,
}: {
  of: Difference | null | undefined;
  scale: number;
  unit: string;
  digits?: number;
}) {
  if (!of) return null;
  const isSure = of.interval !== null && of.interval.low * of.interval.high > 0;
  return (
    <span className={isSure ? "block text-label text-ink" : "block text-label text-ink-2"}>
      {signed(of.value * scale, digits)} {unit}
      {of.interval && ` (${signed(of.interval.low * scale, digits)} to ${signed(of.interval.high * scale, digits)})`}
    </span>
  );
}
const share = (hits: number, n: number): string => (n === 0 ? "no base" : `${Math.round((100 * hits) / n)} % of ${n}`);
const lastWeek = (byDay: readonly number[]): number => byDay.slice(-7).reduce((sum, one) => sum + one, 0);

interface Row {
  readonly head: string;
  readonly cell: (date: ComparedDate) => React.ReactNode;
}
const rows: readonly Row[] = [
  { head: "Registered", cell: (one) => one.registered },
  { head: "… in the last week", cell: (one) => lastWeek(one.byDay) },
  {
    head: "Of those, came",
    cell: (one) => (
      <>
        {share(one.registeredCame, one.registered)}
        <Than of={one.difference?.showUp} scale={100} unit="points" />
      </>
    ),
  },
  { head: "Came in all", cell: (one) => one.came },
  { head: "Peak", cell: (one) => one.peak },
  { head: "Average audience", cell: (one) => one.averageHouse.toFixed(1) },
  {
    head: "Mean stay",
    cell: (one) => (
      <>
        {one.meanStayMinutes === null ? "–" : `${one.meanStayMinutes.toFixed(1)} min, n ${one.came}`}
        <Than of={one.difference?.stay} scale={1} unit="min" digits={1} />
      </>
    ),
  },
  { head: "Stayed", cell: (one) => share(one.stayed, one.came) },
  {
    head: "Took part",
    cell: (one) => (
      <>
        {share(one.tookPart, one.came)}
        <Than of={one.difference?.tookPart} scale={100} unit="points" />
      </>
    ),
  },
  {
    head: "Rating",
    cell: (one) => (one.rating ? `${one.rating.mean.toFixed(2)} of ${one.rating.most}, n ${one.rating.n}` : "–"),
  },
];

/** Figures of the dates in columns, each with its n; differences are of the first date to each other one. */
export function CompareTable({ dates }: { dates: readonly ComparedDate[] }) {
  const most = Math.max(...dates.map((one) => one.peak));
  const longestMs = Math.max(...dates.map((one) => one.lengthMs));
  return (
    <Table aria-label="Dates side by side">
      <thead>
        <tr>
          <Th>
            <span className="sr-only">Figure</span>
          </Th>
          {dates.map((date, i) => (
            <Th key={date.id} className="min-w-40">
              <span
                aria-hidden
                className="block w-10 border-t-2"
                style={{ borderColor: strokeOf(i).colour, borderStyle: strokeOf(i).dash ? "dashed" : "solid" }}
              />
              <bdi className="block truncate text-ink">{date.title}</bdi>
              {shortDate(date.startAt, date.zone)}
              <SmallCurve date={date} most={most} longestMs={longestMs} />
            </Th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ head, cell }) => (
          <tr key={head}>
            <Td className="whitespace-nowrap text-ink-2">{head}</Td>
            {dates.map((date) => (
              <Td key={date.id} className="mono">
                {cell(date)}
              </Td>
            ))}
          </tr>
        ))}
        <tr>
          <Td className="whitespace-nowrap text-ink-2">Through each segment</Td>
          {dates.map((date) => (
            <Td key={date.id}>
              {date.segments.map((segment, i) => (
                <span key={i} className="flex gap-2">
                  <bdi className="min-w-0 flex-1 truncate text-label text-ink-2">{segment.title}</bdi>
                  <span className="mono text-label">
                    {segment.share === null ? "–" : `${Math.round(segment.share * 100)} % of ${segment.atStart}`}
                  </span>
                </span>
              ))}
            </Td>
          ))}
        </tr>
      </tbody>
    </Table>
  );
}
