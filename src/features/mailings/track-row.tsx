"use client";
import { useState } from "react";
import type { Done, TrackMark } from "@/contracts";
import { clockTime, readSpan, shortDate, spanWords } from "@/core/time";
import { Button, classes, Input } from "@/ui";
import { kindWords } from "./field-words";
import { stateWords, total, type TrackActs, type TrackProps } from "./track-words";

/** One mail of the track as a line, with the same acts by keyboard. */
export function TrackRow({
  line,
  zone,
  props,
  move,
  attempt,
  acts,
  offsets,
}: {
  line: TrackMark;
  zone: string;
  props: TrackProps;
  move: (line: TrackMark, minutes: number) => void;
  attempt: (act: () => Promise<Done<unknown>>) => void;
  acts: TrackActs;
  offsets: number[];
}) {
  return (
    <li
      key={line.key}
      className={classes(
        "grid items-center gap-x-3 border-b border-rule py-1.5 lg:grid-cols-[11rem_13rem_1fr_auto]",
        line.isOff && "text-ink-2",
      )}
    >
      <span className="mono">
        {shortDate(line.at, zone)} {clockTime(line.at, zone)}
      </span>
      <span className="truncate">{kindWords[line.kind]}</span>
      <span className="text-ink-2">
        {line.isOff
          ? "switched off"
          : total(line.counts) === 0
            ? line.move
              ? "planned for whoever it concerns then"
              : ""
            : Object.entries(line.counts)
                .map(([state, n]) => `${n} ${stateWords[state] ?? state}`)
                .join(" · ")}
      </span>
      <span className="flex flex-wrap items-center gap-2">
        {line.move && props.mayEdit && <OffsetEditor line={line} onMove={(minutes) => move(line, minutes)} />}
        {line.move?.kind === "reminder" && props.mayEdit && (
          <Button
            onClick={() =>
              attempt(() =>
                acts.setReminders(
                  offsets.filter((one) => one !== (line.move as { offsetMinutes: number }).offsetMinutes),
                ),
              )
            }
            aria-label={`Switch the reminder ${spanWords(line.move.offsetMinutes)} ahead off`}
          >
            Off
          </Button>
        )}
        {line.move?.kind === "follow-up" && props.mayEdit && (
          <Button
            onClick={() =>
              attempt(() => acts.setFollowUp((line.move as { mailingId: string }).mailingId, { isOff: !line.isOff }))
            }
          >
            {line.isOff ? "On" : "Off"}
          </Button>
        )}
      </span>
    </li>
  );
}
/** The distance typed as people say it: what the hand on the track does, by keyboard. What cannot be read stays, with a word. */
function OffsetEditor({ line, onMove }: { line: TrackMark; onMove: (minutes: number) => void }) {
  const isBefore = line.move!.kind === "reminder";
  const minutes =
    line.move!.kind === "reminder" ? line.move!.offsetMinutes : (line.move as { afterMinutes: number }).afterMinutes;
  const [wrong, setWrong] = useState<string | null>(null);
  const take = (text: string) => {
    const next = readSpan(text);
    setWrong(next === null ? "Say it as 20 min, 24 h or 2 days." : next < 5 ? "At least 5 min." : null);
    if (next !== null && next >= 5 && next !== minutes) onMove(next);
  };
  return (
    <label className="flex items-center gap-1 text-label text-ink-2">
      {wrong && (
        <span role="alert" className="text-wrong">
          {wrong}
        </span>
      )}
      <Input
        key={minutes}
        defaultValue={spanWords(minutes)}
        aria-label={isBefore ? "How long before the start" : "How long after the end"}
        aria-invalid={wrong !== null}
        className="mono w-24"
        onBlur={(event) => take(event.target.value)}
        onKeyDown={(event) => event.key === "Enter" && take(event.currentTarget.value)}
      />
      <span className="w-10">{isBefore ? "before" : "after"}</span>
    </label>
  );
}
