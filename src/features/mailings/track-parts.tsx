"use client";
import { Button, Input, classes } from "@/ui";
import type { Done } from "@/contracts";
import type { TrackMark } from "@/contracts";
import { type TrackSpan, trackInstant, trackPercent, hourFrom, hourTo } from "@/core/mailings";
import { shortDate, clockTime, spanWords, readSpan } from "@/core/time";
import { type RefObject, type Dispatch, type SetStateAction, useState } from "react";

import { kindWords } from "./field-words";
import { TrackProps, whenUnknown, offsetAt, TrackActs, total, stateWords } from "./track-words";

export function MarkOnTrack({
  line,
  zone,
  props,
  percent,
  i,
  box,
  setDragged,
  count,
  isDragged,
  span,
}: {
  line: TrackMark;
  zone: string;
  props: TrackProps;
  percent: number;
  i: number;
  box: RefObject<HTMLDivElement | null>;
  setDragged: Dispatch<SetStateAction<{ key: string; percent: number } | null>>;
  count: number;
  isDragged: boolean;
  span: TrackSpan;
}) {
  return (
    <div
      key={line.key}
      data-mail={line.key}
      title={`${kindWords[line.kind]}, ${shortDate(line.at, zone)} ${clockTime(line.at, zone)}`}
      className={classes(
        "absolute flex -translate-x-1/2 touch-none flex-col items-center",
        line.move && props.mayEdit ? "cursor-ew-resize" : "",
        line.isOff && "opacity-40",
      )}
      style={{ left: `${percent}%`, top: `${4 + (i % 3) * 22}px` }}
      onPointerDown={(event) => {
        if (!line.move || !props.mayEdit || event.button !== 0) return;
        box.current?.setPointerCapture(event.pointerId);
        setDragged({ key: line.key, percent });
      }}
    >
      <span
        className={classes(
          "mono border px-1 text-label leading-4",
          line.move ? "border-action bg-sheet text-action" : "border-rule bg-ground text-ink-2",
        )}
      >
        {count > 0 ? count : (whenUnknown[line.kind] ?? 0)}
      </span>
      {isDragged && (
        <span className="mono absolute -top-5 bg-ink px-1.5 text-label whitespace-nowrap text-ground">
          {spanWords(offsetAt(line, trackInstant(percent, span), span))}
        </span>
      )}
    </div>
  );
}
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
        "grid grid-cols-[11rem_13rem_1fr_auto] items-center gap-3 border-b border-rule py-1.5",
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
      <span className="flex items-center gap-2">
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
export function TrackLine({
  box,
  dragged,
  setDragged,
  percentOf,
  lines,
  span,
  move,
  startAt,
  zone,
  endAt,
  props,
}: {
  box: RefObject<HTMLDivElement | null>;
  dragged: { key: string; percent: number } | null;
  setDragged: Dispatch<SetStateAction<{ key: string; percent: number } | null>>;
  percentOf: (event: React.PointerEvent) => number;
  lines: readonly TrackMark[];
  span: TrackSpan;
  move: (line: TrackMark, minutes: number) => void;
  startAt: number;
  zone: string;
  endAt: number;
  props: TrackProps;
}) {
  return (
    <div
      ref={box}
      className="relative h-24 border-y border-rule bg-raised"
      onPointerMove={(event) => dragged && setDragged({ ...dragged, percent: percentOf(event) })}
      onPointerUp={() => {
        const line = lines.find((one) => one.key === dragged?.key);
        if (line && dragged && Math.abs(dragged.percent - trackPercent(line.at, span)) > 0.4)
          move(line, offsetAt(line, trackInstant(dragged.percent, span), span));
        setDragged(null);
      }}
      onPointerCancel={() => setDragged(null)}
    >
      <div
        className="absolute inset-y-0 bg-action/15"
        style={{ left: `${hourFrom}%`, width: `${hourTo - hourFrom}%` }}
      />
      <span
        className="mono absolute bottom-0 -translate-x-full pr-1 text-label text-ink-2"
        style={{ left: `${hourFrom}%` }}
      >
        {clockTime(startAt, zone)}
      </span>
      <span className="mono absolute bottom-0 pl-1 text-label text-ink-2" style={{ left: `${hourTo}%` }}>
        {clockTime(endAt, zone)}
      </span>
      <span
        className="absolute inset-y-0 w-0.5 bg-on-air"
        style={{ left: `${trackPercent(props.now, span)}%` }}
        title="now"
      />
      {lines.map((line, i) => {
        const isDragged = dragged?.key === line.key;
        const percent = isDragged ? dragged.percent : trackPercent(line.at, span);
        const count = total(line.counts);
        return (
          <MarkOnTrack
            key={line.key}
            line={line}
            zone={zone}
            props={props}
            percent={percent}
            i={i}
            box={box}
            setDragged={setDragged}
            count={count}
            isDragged={isDragged}
            span={span}
          />
        );
      })}
    </div>
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
