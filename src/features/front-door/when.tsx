"use client";
import { useEffect, useState } from "react";

/** The hour for the visitor, beside the event's: computed in the browser, where their zone is known. */
export function VisitorHour({
  at,
  eventZone,
  words,
  locale,
}: {
  at: number;
  eventZone: string;
  words: string;
  locale: string;
}) {
  const [text, setText] = useState("");
  useEffect(() => {
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    const show = (timeZone: string) =>
      new Intl.DateTimeFormat(locale, {
        timeZone,
        weekday: "short",
        day: "numeric",
        month: "short",
        hour: "2-digit",
        minute: "2-digit",
        hourCycle: "h23",
      }).format(at);
    // the server cannot know the visitor's zone
    // eslint-disable-next-line react-hooks/set-state-in-effect
    if (show(zone) !== show(eventZone)) setText(words.replace("{time}", show(zone)));
  }, [at, eventZone, words, locale]);
  return text ? <p className="mono mt-1 text-lead font-medium">{text}</p> : null;
}
