import Link from "next/link";
import type { Year } from "@/contracts";
import { leadGroups } from "@/core/reports";
import { clockTime, shortDate } from "@/core/time";
import { Bar, Empty, Table, Td, Th } from "@/ui";
import { MonthBars } from "./month-bars";
import { YearDates } from "./year-dates";

const Figure = ({ value, label, note }: { value: string; label: string; note: string }) => (
  <div className="border-s-2 border-rule ps-3">
    <p className="text-label text-ink-2">{label}</p>
    <p className="mono text-title leading-tight">{value}</p>
    <p className="text-label text-ink-2">{note}</p>
  </div>
);
const sum = <T,>(list: readonly T[], of: (one: T) => number): number => list.reduce((total, one) => total + of(one), 0);
const percent = (part: number, whole: number): string =>
  whole === 0 ? "no base" : `${Math.round((100 * part) / whole)} % of ${whole}`;
const hours = (minutes: number): string => Math.round(minutes / 60).toLocaleString("en-GB");

function Totals({ year }: { year: Year }) {
  const { dates } = year;
  const registered = sum(dates, (one) => one.registered);
  const came = sum(dates, (one) => one.came);
  return (
    <div className="grid grid-cols-6 gap-4 max-lg:grid-cols-2">
      <Figure value={String(dates.length)} label="Dates held" note={`of ${year.events} events`} />
      <Figure
        value={String(registered)}
        label="Registered"
        note={`came: ${percent(
          sum(dates, (one) => one.registeredCame),
          registered,
        )}`}
      />
      <Figure value={String(year.people)} label="People who came" note={`${came} times in all`} />
      <Figure
        value={hours(sum(dates, (one) => one.presentMinutes))}
        label="Hours watched live"
        note="by people of the audience"
      />
      <Figure
        value={hours(sum(dates, (one) => one.watchedSeconds) / 60)}
        label="Hours on demand"
        note={`${sum(dates, (one) => one.viewers)} viewers`}
      />
      <Figure
        value={String(sum(dates, (one) => one.returning))}
        label="Came again"
        note={percent(
          sum(dates, (one) => one.returning),
          came,
        )}
      />
    </div>
  );
}

function Lead({ lead }: Pick<Year, "lead">) {
  return (
    <section>
      <h2 className="text-head font-semibold">Who stays away, by when they registered</h2>
      <ul>
        {lead.map(({ registered, came }, i) => (
          <li key={i} className="grid grid-cols-[9rem_1fr_7rem] items-center gap-3 border-t border-rule py-1">
            <span>{leadGroups[i]}</span>
            <Bar
              value={registered - came}
              most={Math.max(1, registered)}
              label={`${registered - came} of ${registered} stayed away`}
              tone="attention"
            />
            <span className="mono text-end text-ink-2">
              {registered === 0 ? "–" : `${Math.round((100 * (registered - came)) / registered)} % of ${registered}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Sources({ sources }: Pick<Year, "sources">) {
  return (
    <section>
      <h2 className="text-head font-semibold">Where people came from</h2>
      <Table aria-label="Sources of the year">
        <thead>
          <tr>
            <Th>Tag of the link</Th>
            <Th className="text-end">Registered</Th>
            <Th className="text-end">Came</Th>
          </tr>
        </thead>
        <tbody>
          {sources.map((one) => (
            <tr key={one.source}>
              <Td>
                <bdi>{one.source || "no tag"}</bdi>
              </Td>
              <Td className="mono text-end">{one.registered}</Td>
              <Td className="mono text-end">{percent(one.came, one.registered)}</Td>
            </tr>
          ))}
        </tbody>
      </Table>
    </section>
  );
}

/** Rule 3's forecast against what came. */
function Account({ forecast }: Pick<Year, "forecast">) {
  return (
    <section>
      <h2 className="text-head font-semibold">The forecast held to account</h2>
      {forecast === null ? (
        <p className="text-ink-2">No date was held yet that people had registered for.</p>
      ) : (
        <p>
          Over the last <span className="mono">{forecast.dates}</span> dates the 80 % range held{" "}
          <span className="mono">{forecast.within}</span> times ({percent(forecast.within, forecast.dates)}). It missed
          by <span className="mono">{forecast.missedBy.toFixed(1)}</span> people on average.{" "}
          <span className="text-ink-2">
            {forecast.learnt > 0
              ? `${forecast.learnt} of them were told from how show-up differed between the dates before.`
              : "From ten dates on it learns from how show-up differs between them; until then common practice helps."}
          </span>
        </p>
      )}
    </section>
  );
}

function Team({ year }: { year: Year }) {
  const { licences, stage, dates, zone } = year;
  const [sent, failed] = [sum(dates, (one) => one.mailsSent), sum(dates, (one) => one.mailsFailed)];
  return (
    <section>
      <h2 className="text-head font-semibold">Licences, mails, people on stage</h2>
      <p>
        {licences.peak
          ? `${licences.peak.count} of ${licences.owned} licences were in use at once at most, on ${shortDate(licences.peak.at, zone)} from ${clockTime(licences.peak.at, zone)} on.`
          : `None of ${licences.owned} licences was used.`}{" "}
        {sent} mails of these dates left, {failed} were not taken.
      </p>
      <ul className="mt-1">
        {stage.map((one) => (
          <li key={one.name} className="flex gap-3 border-t border-rule py-0.5">
            <bdi className="min-w-0 flex-1 truncate">{one.name}</bdi>
            <span className="mono text-ink-2">
              {one.dates} {one.dates === 1 ? "date" : "dates"} · {hours(one.minutes)} h
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A year of the organisation: everything leads down to the date that it comes from. */
export function YearView({ year }: { year: Year }) {
  return (
    <>
      <header className="mb-4 flex flex-wrap items-baseline gap-5">
        <h1 className="text-title font-semibold">The year {year.year}</h1>
        <nav aria-label="Years" className="flex gap-3">
          {year.years.map((one) => (
            <Link
              key={one}
              href={`/year?of=${one}`}
              aria-current={one === year.year ? "page" : undefined}
              className="mono"
            >
              {one}
            </Link>
          ))}
        </nav>
        <span className="ms-auto flex gap-4">
          <a href={`/year/${year.year}.csv`}>CSV</a>
          <a href={`/year/${year.year}.json`}>JSON</a>
        </span>
      </header>
      {year.dates.length === 0 ? (
        <Empty title="No date was held in this year.">Its figures stand here once one is over.</Empty>
      ) : (
        <>
          <Totals year={year} />
          <div className="mt-6 grid gap-x-10 gap-y-6 lg:grid-cols-2">
            <MonthBars title="Came, by month" counts={year.cameByMonth} />
            <MonthBars title="New in the contact book, by month" counts={year.newContactsByMonth} />
            <Lead lead={year.lead} />
            <Sources sources={year.sources} />
            <Account forecast={year.forecast} />
            <Team year={year} />
          </div>
          <section className="mt-6">
            <h2 className="text-head font-semibold">Dates</h2>
            <YearDates rows={year.dates} />
          </section>
        </>
      )}
    </>
  );
}
