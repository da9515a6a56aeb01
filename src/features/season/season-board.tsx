import Link from "next/link";
import { cityOf, clockTime, instantOf, minuteMs, shortDate, wallTimeAt, weekdayName } from "@/core/time";
import { Rail } from "@/features/shared/rail";
import { DragRail } from "./drag-rail";
import { SeasonTable } from "./season-table";
import type { SeasonDate } from "@/contracts";
import type { MoveActs } from "./use-move";

/** The next act of a date, in a few words. */
function nextAct(date: SeasonDate, now: number): string {
  if (date.phase === "open") return "Live";
  if (date.phase === "backstage")
    return `Backstage open, starts in ${Math.max(0, Math.round((date.startAt - now) / minuteMs))} min`;
  const toCall = Math.round((date.callAt - now) / minuteMs);
  if (toCall <= 0) return "Call is due";
  if (toCall < 180) return `Call in ${toCall} min`;
  return date.missing > 0 ? `${date.missing} ${date.missing === 1 ? "thing" : "things"} missing` : "Ready";
}

const clockStepMinutes = 60;
const earliestMinute = 8 * 60;
const latestMinute = 22 * 60;

/** The hours of the day that all rails share, in minutes of the organisation's day: wide enough for every date. */
export function commonClock(dates: readonly SeasonDate[], zone: string): { from: number; to: number } {
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

function BoardRow({
  date,
  now,
  zone,
  clock,
  acts,
}: {
  date: SeasonDate;
  now: number;
  zone: string;
  clock: { from: number; to: number };
  acts: MoveActs | null;
}) {
  const midnight = instantOf({ local: `${wallTimeAt(date.callAt, zone).local.slice(0, 10)}T00:00`, zone });
  const [from, to] = [midnight + clock.from * minuteMs, midnight + clock.to * minuteMs];
  const isLive = date.phase === "open" || date.phase === "backstage";
  const limit = date.registrationLimit ?? date.houseSize;
  const rail = (
    <Rail
      from={from}
      to={to}
      zone={zone}
      now={isLive ? now : null}
      blocks={
        date.blocks.length > 0
          ? date.blocks.map((block, i) => ({ id: String(i), ...block, isPast: block.endAt < now }))
          : [{ id: "all", title: "No run sheet yet", startAt: date.startAt, endAt: date.endAt }]
      }
      marks={[{ at: date.callAt, label: `call ${clockTime(date.callAt, zone)}` }]}
    />
  );
  return (
    <li className="grid grid-cols-[9rem_1fr_13rem] items-start gap-5 border-b border-rule py-3">
      <p className="mono text-base leading-snug">
        <span className="text-ink-2">
          {weekdayName(date.startAt, date.zone)} {shortDate(date.startAt, date.zone)}
        </span>
        <br />
        <span className="text-head">{clockTime(date.startAt, date.zone)}</span>
        {date.zone !== zone && <span className="block text-label text-ink-2">{cityOf(date.zone)}</span>}
      </p>
      <div className="min-w-0">
        <p className="mb-1 truncate">
          <Link
            href={`/events/${date.eventId}/plan?date=${date.occurrenceId}`}
            prefetch={false}
            className="text-lead font-medium text-ink no-underline hover:underline"
          >
            {date.kind === "rehearsal" ? `Rehearsal: ${date.title}` : date.title}
          </Link>
          {!date.isPublished && date.kind === "show" && <span className="text-ink-2"> · draft</span>}
          {date.isOfSeries && <span className="text-ink-2"> · series</span>}
          {(date.fullChance ?? 0) > 0.5 && <span className="text-attention"> · likely full</span>}
        </p>
        {acts && date.phase === "scheduled" ? (
          <DragRail date={date} spanMinutes={clock.to - clock.from} acts={acts}>
            {rail}
          </DragRail>
        ) : (
          rail
        )}
      </div>
      <div className="text-right">
        <p
          className={
            isLive ? "font-semibold text-action" : date.missing > 0 ? "font-medium text-attention" : "text-ink-2"
          }
        >
          {nextAct(date, now)}
        </p>
        <p className="text-ink-2">
          <span className="mono text-ink">{date.registered}</span> of <span className="mono">{limit}</span> registered
        </p>
        {isLive || date.startAt - now < 3 * 3_600_000 ? (
          <Link href={`/events/${date.eventId}/desk/${date.occurrenceId}`} prefetch={false}>
            To the desk
          </Link>
        ) : null}
      </div>
    </li>
  );
}

/** The hours of the common clock, above the rails. */
function ClockHead({ clock }: { clock: { from: number; to: number } }) {
  const hours = Array.from({ length: Math.floor((clock.to - clock.from) / 120) + 1 }, (_, i) => clock.from + i * 120);
  return (
    <div className="grid grid-cols-[9rem_1fr_13rem] gap-5" aria-hidden>
      <span />
      <div className="relative h-5">
        {hours.map((minute) => (
          <span
            key={minute}
            className="mono absolute text-label text-ink-2"
            style={{ left: `${((minute - clock.from) / (clock.to - clock.from)) * 100}%` }}
          >
            {String(Math.floor(minute / 60) % 24).padStart(2, "0")}
          </span>
        ))}
      </div>
    </div>
  );
}

/** The coming dates as rails on one clock, today first; dragged along it where the member may move them. */
export function SeasonBoard({
  now,
  ahead,
  past,
  hasMore,
  zone,
  acts,
}: {
  now: number;
  ahead: readonly SeasonDate[];
  past: readonly SeasonDate[];
  hasMore: boolean;
  zone: string;
  acts: MoveActs | null;
}) {
  const clock = commonClock(ahead, zone);
  return (
    <>
      {ahead.length === 0 && <p className="py-8 text-ink-2">No date is ahead. Plan an event to begin the season.</p>}
      {ahead.length > 0 && <ClockHead clock={clock} />}
      <ul>
        {ahead.map((date) => (
          <BoardRow key={date.occurrenceId} date={date} now={now} zone={zone} clock={clock} acts={acts} />
        ))}
      </ul>
      {hasMore && <p className="py-3 text-ink-2">More dates lie ahead: they are on the months and in the list.</p>}
      {past.length > 0 && (
        <>
          <h2 className="mt-8 text-head font-semibold">Past</h2>
          <SeasonTable dates={past} />
        </>
      )}
    </>
  );
}
