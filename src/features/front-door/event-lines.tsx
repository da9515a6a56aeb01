"use client";
import Link from "next/link";
import type { ReactNode } from "react";
import { longDate, wallTimeAt } from "@/core/time";
import { lookStyle } from "@/features/shared/look";
import { DayAndHour, useReaderZone, type HourWords } from "@/features/shared/times";
import { classes } from "@/ui";

export interface EventLine {
  readonly slug: string;
  readonly title: string;
  readonly startAt: number;
  readonly zone: string;
  readonly colour: string;
  readonly bannerId: string | null;
  readonly teaser: string;
  /** place, languages */
  readonly besides: readonly string[];
  /** that it has begun, and one may still come in; null where it has not */
  readonly liveWords: string | null;
  readonly hour: HourWords;
}

/** The day as a page of a wall calendar, in the reader's own zone. */
function DayBlock({ at, zone, locale }: { at: number; zone: string; locale: string }) {
  const own = useReaderZone(zone);
  const part = (options: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(locale, { ...options, timeZone: own }).format(at);
  return (
    <time
      dateTime={wallTimeAt(at, own).local.slice(0, 10)}
      className="flex w-16 shrink-0 flex-col border-t-4 border-[var(--event-ground)] pt-1 leading-tight"
    >
      <span className="sr-only">{longDate(at, own, locale)}</span>
      <span className="text-ink-2" aria-hidden>
        {part({ weekday: "short" })}
      </span>
      <span className="mono text-clock leading-none" aria-hidden>
        {part({ day: "numeric" })}
      </span>
      <span aria-hidden>{part({ month: "short" })}</span>
    </time>
  );
}

/** An event's own picture, or its colour where it has none. */
function Picture({ line, className }: { line: Pick<EventLine, "bannerId">; className: string }) {
  if (line.bannerId)
    return <img src={`/pictures/${line.bannerId}`} alt="" className={classes("object-cover", className)} />;
  return <span aria-hidden className={classes("block bg-[var(--event-ground)]", className)} />;
}

function Words({ line, isFirst }: { line: EventLine; isFirst: boolean }) {
  return (
    <div className="min-w-0 flex-1">
      <h3 className={isFirst ? "text-title leading-tight font-semibold" : "text-lead font-semibold"}>
        <Link href={`/front/${line.slug}`} prefetch={false} className="text-ink no-underline hover:underline">
          <bdi>{line.title}</bdi>
        </Link>
      </h3>
      {line.liveWords && <p className="font-semibold text-on-air">{line.liveWords}</p>}
      <p>
        <DayAndHour at={line.startAt} zone={line.zone} words={line.hour} />
      </p>
      {line.teaser && (
        <p className={classes("mt-1 text-ink-2", !isFirst && "line-clamp-2")} dir="auto">
          {line.teaser}
        </p>
      )}
      {line.besides.map((one) => (
        <p key={one} className="text-ink-2">
          <bdi>{one}</bdi>
        </p>
      ))}
    </div>
  );
}

/** The coming events: the next one large with its picture, the others each with their day. */
export function EventLines({ lines, none }: { lines: readonly EventLine[]; none: ReactNode }) {
  const [first, ...others] = lines;
  if (!first) return <p className="mt-3 text-ink-2">{none}</p>;
  return (
    <>
      <article className="mt-4 bg-sheet" style={lookStyle(first.colour)}>
        <Picture line={first} className={classes("w-full", first.bannerId ? "h-44" : "h-3")} />
        <div className="flex gap-5 p-5">
          <DayBlock at={first.startAt} zone={first.zone} locale={first.hour.locale} />
          <Words line={first} isFirst />
        </div>
      </article>
      <ul className="mt-4">
        {others.map((line) => (
          <li
            key={`${line.slug}${line.startAt}`}
            className="flex gap-5 border-b border-rule py-4"
            style={lookStyle(line.colour)}
          >
            <DayBlock at={line.startAt} zone={line.zone} locale={line.hour.locale} />
            <Words line={line} isFirst={false} />
            <Picture line={line} className="h-20 w-36 shrink-0 max-sm:hidden" />
          </li>
        ))}
      </ul>
    </>
  );
}
