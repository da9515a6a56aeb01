"use client";
import { useState } from "react";
import { Input } from "@/ui";

/** "9", "930", "9.30", "09:30" as `HH:mm`; null for what is no hour. */
export function readClock(text: string): string | null {
  const match = /^(\d{1,2})(?:[:.h ]?(\d{2}))?$/.exec(text.trim());
  if (!match) return null;
  const [hour, minute] = [Number(match[1]), Number(match[2] ?? 0)];
  return hour > 23 || minute > 59 ? null : `${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}`;
}

/** An hour of the day, typed in figures: 24 hours, whatever the browser's own habit. Left empty it is null. */
export function ClockInput({
  value,
  onChange,
  ...rest
}: {
  value: string | null;
  onChange: (clock: string | null) => void;
  id?: string;
  "aria-label"?: string;
  "aria-describedby"?: string | undefined;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const isWrong = typed !== null && typed.trim() !== "" && readClock(typed) === null;
  return (
    <Input
      {...rest}
      inputMode="numeric"
      autoComplete="off"
      placeholder="--:--"
      aria-invalid={isWrong}
      className="mono"
      value={typed ?? value ?? ""}
      onChange={(event) => {
        setTyped(event.target.value);
        const clock = readClock(event.target.value);
        if (event.target.value.trim() === "") onChange(null);
        // half an hour's figures are no hour yet
        else if (clock && event.target.value.trim().length >= 4) onChange(clock);
      }}
      onBlur={() => {
        const clock = readClock(typed ?? "");
        if (clock) onChange(clock);
        if (!isWrong) setTyped(null);
      }}
    />
  );
}
