import Link from "next/link";
import type { SeasonDate } from "@/contracts";
import { cityOf, clockTime, instantOf, minuteMs, shortDate, wallTimeAt } from "@/core/time";
import { Rail } from "@/features/shared/rail";
import { findingWords } from "@/features/shared/readiness-words";
import { Bar, buttonClass, classes, Faces } from "@/ui";
import { EventMenu, type EventMenuActs } from "./event-menu";
import { DragRail } from "./drag-rail";
import type { MoveActs } from "./use-move";

/** Minutes of the organisation's day, between which all rails lie. */
export interface Clock {
  readonly from: number;
  readonly to: number;
}

/** Hour, event, rail, faces, audience, next act: the same columns for every day. */
export const boardColumns =
  "grid grid-cols-[3.5rem_minmax(0,1fr)_7.5rem_2.5rem] items-center gap-3 lg:grid-cols-[4rem_14rem_minmax(0,1fr)_5.5rem_8rem_13rem_2.5rem] lg:gap-4";

const laterShown = 3;
/** "next 3, 10 and 17 Dec": the series' dates after this one. */
function laterWords(later: SeasonDate["later"]): string {
  if (later.length === 0) return "";
  const days = later.slice(0, laterShown).map((one) => shortDate(one.startAt, one.zone));
  const rest = later.length - days.length;
  return `then ${days.join(", ")}${rest > 0 ? ` and ${rest} more` : ""}`;
}

/** What an event is, in one quiet line under its title. */
function aboutWords(date: SeasonDate, zone: string): string {
  const parts = [
    date.zone !== zone && `${clockTime(date.startAt, date.zone)} in ${cityOf(date.zone)}`,
    date.kind === "rehearsal" && "rehearsal",
    date.kind === "slot" && "booked slot",
    laterWords(date.later),
    !date.isPublished && date.kind === "show" && "not published",
    (date.fullChance ?? 0) > 0.5 && "likely full",
  ];
  return parts.filter(Boolean).join(" · ");
}

/** The next act of a date, in a few words. */
function NextAct({ date, now }: { date: SeasonDate; now: number }) {
  const desk = `/events/${date.eventId}/desk/${date.occurrenceId}`;
  const isOn = date.phase === "open" || date.phase === "backstage";
  const toCall = Math.round((date.callAt - now) / minuteMs);
  const toStart = Math.round((date.startAt - now) / minuteMs);
  if (isOn)
    return (
      <p className="flex items-center justify-end gap-2">
        <span className={date.phase === "open" ? "font-semibold text-on-air" : "text-ink-2"}>
          {date.phase === "open"
            ? "On now"
            : toStart >= 0 && toStart < 24 * 60
              ? `Starts in ${toStart} min`
              : "Backstage"}
        </span>
        <Link href={desk} prefetch={false} className={buttonClass("act", "small")}>
          Desk
        </Link>
      </p>
    );
  if (toCall < 180)
    return (
      <p>
        <Link href={desk} prefetch={false} className="font-semibold text-attention">
          {toCall <= 0 ? "Team call is due" : `Team call in ${toCall} min`}
        </Link>
      </p>
    );
  if (!date.lacks) return <p className="text-ink-2">ready</p>;
  const stops = date.gravest === "stops-the-show";
  return (
    <p title={findingWords(date.lacks).missing}>
      <Link
        href={`/events/${date.eventId}/plan?date=${date.occurrenceId}`}
        prefetch={false}
        className={classes("font-semibold no-underline", stops ? "text-wrong" : "text-attention")}
      >
        {stops ? "Stops the show" : `${date.missing} missing`}
      </Link>
      <span className="block truncate text-label text-ink-2">{findingWords(date.lacks).missing}</span>
    </p>
  );
}

/** The audience so far against what there is room for. */
function Audience({ date }: { date: SeasonDate }) {
  if (date.kind !== "show") return <span />;
  const most = date.registrationLimit ?? date.houseSize;
  const words = `${date.registered} of ${most} registered`;
  return (
    <p>
      <span className="mono">{date.registered}</span>
      <span className="text-label text-ink-2">
        {" "}
        of {most}
        {date.waiting > 0 && ` · ${date.waiting} waiting`}
      </span>
      <Bar value={date.registered} most={most} label={words} tone={date.registered >= most ? "attention" : "action"} />
    </p>
  );
}

/** One date, or the next one of a series, as a line of the board. */
export function BoardRow(props: {
  date: SeasonDate;
  now: number;
  zone: string;
  clock: Clock;
  acts: MoveActs | null;
  menu: EventMenuActs | null;
}) {
  const { date, now, zone, clock, acts, menu } = props;
  const midnight = instantOf({ local: `${wallTimeAt(date.callAt, zone).local.slice(0, 10)}T00:00`, zone });
  const [from, to] = [midnight + clock.from * minuteMs, midnight + clock.to * minuteMs];
  const isOn = date.phase === "open" || date.phase === "backstage";
  const rail = (
    <Rail
      size="line"
      from={from}
      to={to}
      zone={zone}
      now={isOn ? now : null}
      call={date.callAt}
      blocks={
        date.blocks.length > 0
          ? date.blocks.map((block, i) => ({ id: String(i), ...block, isPast: block.endAt < now }))
          : [{ id: "all", title: "No run sheet yet", startAt: date.startAt, endAt: date.endAt }]
      }
    />
  );
  return (
    <li className={classes(boardColumns, "min-h-11 border-b border-rule py-0.5")}>
      <p className="mono text-lead">{clockTime(date.startAt, zone)}</p>
      <div className="min-w-0">
        <Link
          href={`/events/${date.eventId}/plan?date=${date.occurrenceId}`}
          prefetch={false}
          className="block truncate font-semibold text-ink no-underline hover:underline"
        >
          {date.title}
        </Link>
        <p className="truncate text-label text-ink-2">{aboutWords(date, zone)}</p>
      </div>
      <div className="max-lg:hidden">
        {acts && date.phase === "scheduled" ? (
          <DragRail date={date} spanMinutes={clock.to - clock.from} acts={acts}>
            {rail}
          </DragRail>
        ) : (
          rail
        )}
      </div>
      <div className="max-lg:hidden">
        <Faces
          people={date.faces.first.map(({ id, name, portraitId }) => ({
            id,
            name,
            portrait: portraitId && `/pictures/${portraitId}`,
          }))}
          count={date.faces.count}
        />
      </div>
      <div className="max-lg:hidden">
        <Audience date={date} />
      </div>
      <div className="min-w-0 text-end">
        <NextAct date={date} now={now} />
      </div>
      <div className="text-end text-label">{menu && <EventMenu date={date} acts={menu} />}</div>
    </li>
  );
}
