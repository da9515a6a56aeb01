import { groupBy } from "@/core/shared";
import { instantOf, longDate, minuteMs, wallTimeAt } from "@/core/time";
import type { SeasonDate } from "@/contracts";
import { NoDates } from "./no-dates";
import { BoardRow, boardColumns, type Clock } from "./board-row";
import type { EventMenuActs } from "./event-menu";
import type { MoveActs } from "./use-move";

const clockStepMinutes = 60;
const earliestMinute = 8 * 60;
const latestMinute = 22 * 60;

/** The hours of the day that all rails share, in minutes of the organisation's day: wide enough for every date. */
export function commonClock(dates: readonly SeasonDate[], zone: string): Clock {
  const minuteOf = (at: number) =>
    Number(wallTimeAt(at, zone).local.slice(11, 13)) * 60 + Number(wallTimeAt(at, zone).local.slice(14, 16));
  let [from, to] = [earliestMinute, latestMinute];
  for (const date of dates) {
    const call = minuteOf(date.callAt);
    from = Math.min(from, call);
    to = Math.max(to, call + (date.endAt - date.callAt) / minuteMs);
  }
  return {
    from: Math.floor(from / clockStepMinutes) * clockStepMinutes,
    to: Math.min(30 * 60, Math.ceil(to / clockStepMinutes) * clockStepMinutes),
  };
}

/** The hours of the common clock, above the rails. */
function ClockHead({ clock }: { clock: Clock }) {
  const step = clock.to - clock.from > 12 * 60 ? 180 : 120;
  const count = Math.floor((clock.to - clock.from) / step);
  const hours = Array.from({ length: count }, (_, i) => clock.from + i * step);
  return (
    <span className="relative block h-4" aria-hidden>
      {hours.map((minute) => (
        <span
          key={minute}
          className="mono absolute text-label font-normal text-ink-2"
          style={{ insetInlineStart: `${((minute - clock.from) / (clock.to - clock.from)) * 100}%` }}
        >
          {String(Math.floor(minute / 60) % 24).padStart(2, "0")}:00
        </span>
      ))}
    </span>
  );
}

const dayOf = (at: number, zone: string): string => wallTimeAt(at, zone).local.slice(0, 10);

/** "Today, Thursday 26 November": the day as the organisation's clock has it. */
function dayWords(day: string, now: number, zone: string): string {
  const words = longDate(instantOf({ local: `${day}T12:00`, zone }), zone).replace(/ \d{4}$/, "");
  return day === dayOf(now, zone) ? `Today, ${words}` : words;
}

interface BoardProps {
  readonly now: number;
  readonly ahead: readonly SeasonDate[];
  readonly hasMore: boolean;
  /** whether words, a state or a producer were asked for */
  readonly isNarrowed: boolean;
  readonly zone: string;
  readonly acts: MoveActs | null;
  readonly menu: EventMenuActs | null;
}

/** The coming dates as rails on one clock, day by day; dragged along it where the member may move them. */
export function SeasonBoard({ now, ahead, hasMore, isNarrowed, zone, acts, menu }: BoardProps) {
  const clock = commonClock(ahead, zone);
  const days = [...groupBy(ahead, (date) => dayOf(date.startAt, zone))];
  return (
    <>
      {ahead.length === 0 && <NoDates isNarrowed={isNarrowed} />}
      {days.map(([day, dates], i) => (
        <section key={day} aria-label={dayWords(day, now, zone)} className="mt-1.5">
          <h2 className={`${boardColumns} border-b border-ink pb-0.5 text-base font-semibold`}>
            <span className="col-span-2 whitespace-nowrap">{dayWords(day, now, zone)}</span>
            <span className="max-lg:hidden">{i === 0 && <ClockHead clock={clock} />}</span>
          </h2>
          <ul>
            {dates.map((date) => (
              <BoardRow
                key={date.occurrenceId}
                date={date}
                now={now}
                zone={zone}
                clock={clock}
                acts={acts}
                menu={menu}
              />
            ))}
          </ul>
        </section>
      ))}
      {hasMore && <p className="py-3 text-ink-2">More dates lie ahead: they are on the months and in the list.</p>}
    </>
  );
}
