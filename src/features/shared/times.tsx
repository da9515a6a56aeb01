"use client";
import { useEffect, useState } from "react";
import { cityOf, longDate, twoZoneTime } from "@/core/time";

/** The reader's own zone once the page runs in their browser; until then the event's. */
export function useReaderZone(eventZone: string): string {
  const [zone, setZone] = useState(eventZone);
  useEffect(() => {
    const own = Intl.DateTimeFormat().resolvedOptions().timeZone;
    // the server cannot know the reader's zone: the first paint is the event's hour
    // eslint-disable-next-line react-hooks/set-state-in-effect
    if (own) setZone(own);
  }, []);
  return zone;
}

/** The words around an hour; English where a page of the team gives none. */
export interface HourWords {
  readonly locale: string;
  /** "{time} for you" */
  readonly forYou: string;
  /** "{time} in {city}" */
  readonly inCity: string;
}
const teamWords: HourWords = { locale: "en-GB", forYou: "{time} for you", inCity: "{time} in {city}" };

/** An hour in two zones: the reader's first, the event's beside it where they differ. */
export function TwoZoneTime({ at, zone, words = teamWords }: { at: number; zone: string; words?: HourWords }) {
  const readerZone = useReaderZone(zone);
  const { reader, event } = twoZoneTime(at, readerZone, zone, words.locale, words.inCity);
  const [before, after] = (event ? words.forYou : words.inCity.replace("{city}", cityOf(zone))).split("{time}");
  return (
    <span>
      {before}
      <time dateTime={new Date(at).toISOString()} className="mono">
        {reader}
      </time>
      <span className="text-ink-2">
        {after}
        {event && <> · {event}</>}
      </span>
    </span>
  );
}

/** A sentence with an hour in it, `{time}`: the reader's hour first, the event's beside it where they differ. */
export function HourSentence({
  at,
  zone,
  words,
  hour = teamWords,
}: {
  at: number;
  zone: string;
  words: string;
  hour?: HourWords;
}) {
  const { reader, event } = twoZoneTime(at, useReaderZone(zone), zone, hour.locale, hour.inCity);
  return words.replace("{time}", event ? `${reader} (${event})` : reader);
}

/** Day and hour for a reader, one line. */
export function DayAndHour({ at, zone, words = teamWords }: { at: number; zone: string; words?: HourWords }) {
  const readerZone = useReaderZone(zone);
  return (
    <span>
      {longDate(at, readerZone, words.locale)}, <TwoZoneTime at={at} zone={zone} words={words} />
    </span>
  );
}

/** `1:05:09` or `05:09`, for countdowns and running times; days in the reader's words from two on. */
export function spanText(ms: number, locale = "en-GB"): string {
  const seconds = Math.max(0, Math.floor(Math.abs(ms) / 1000));
  const part = (value: number) => String(value).padStart(2, "0");
  const hours = Math.floor(seconds / 3600);
  const rest = `${part(Math.floor(seconds / 60) % 60)}:${part(seconds % 60)}`;
  if (hours >= 48)
    return new Intl.NumberFormat(locale, { style: "unit", unit: "day", unitDisplay: "long" }).format(
      Math.floor(hours / 24),
    );
  return hours > 0 ? `${hours}:${rest}` : rest;
}
