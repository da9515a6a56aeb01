"use client";
import { classes } from "@/ui";
import type { TrackMark } from "@/contracts";
import { type TrackSpan, trackInstant, trackPercent, hourFrom, hourTo } from "@/core/mailings";
import { shortDate, clockTime, spanWords } from "@/core/time";
import { type RefObject, type Dispatch, type SetStateAction } from "react";

import { kindWords } from "./field-words";
import { laneOf, lanes, laneWords, rowsOf, type Lane } from "./lanes";
import { TrackProps, offsetAt, total } from "./track-words";

const rowPx = 22;

/** One mail on its lane: how many, and what it is. What the plan sends by itself can be dragged. */
export function MarkOnTrack({
  line,
  zone,
  props,
  percent,
  top,
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
  top: number;
  box: RefObject<HTMLDivElement | null>;
  setDragged: Dispatch<SetStateAction<{ key: string; percent: number } | null>>;
  count: number;
  isDragged: boolean;
  span: TrackSpan;
}) {
  const canMove = line.move !== null && props.mayEdit;
  // near the end a mark stands before its instant, so that it stays within the track
  const isLate = percent > 85;
  return (
    <div
      data-mail={line.key}
      title={`${kindWords[line.kind]}, ${shortDate(line.at, zone)} ${clockTime(line.at, zone)}`}
      className={classes(
        "absolute flex touch-none items-center gap-1 text-label leading-4 whitespace-nowrap",
        isLate ? "-translate-x-full flex-row-reverse border-r-2 pr-1" : "border-l-2 pl-1",
        canMove ? "cursor-ew-resize border-action" : "border-ink-2 text-ink-2",
        line.isOff && "line-through opacity-60",
      )}
      style={{ left: `${percent}%`, top: `${top}px` }}
      onPointerDown={(event) => {
        if (!canMove || event.button !== 0) return;
        box.current?.setPointerCapture(event.pointerId);
        setDragged({ key: line.key, percent });
      }}
    >
      {count > 0 && <span className="mono font-medium">{count}</span>}
      <span>{laneOf[line.kind][1]}</span>
      {isDragged && (
        <span className="mono absolute -top-5 bg-ink px-1.5 text-label whitespace-nowrap text-ground">
          {spanWords(offsetAt(line, trackInstant(percent, span), span))}
        </span>
      )}
    </div>
  );
}

/** The marks of one lane, each in the row that is free at its place. */
function LaneOnTrack(props: {
  lane: Lane;
  lines: readonly TrackMark[];
  span: TrackSpan;
  dragged: { key: string; percent: number } | null;
  of: Omit<Parameters<typeof MarkOnTrack>[0], "line" | "percent" | "top" | "count" | "isDragged" | "span">;
}) {
  const { span, dragged } = props;
  const own = props.lines.filter((line) => laneOf[line.kind][0] === props.lane);
  const rows = rowsOf(own.map((line) => trackPercent(line.at, span)));
  const height = Math.max(1, ...rows.map((row) => row + 1)) * rowPx + 6;
  return (
    <div className="relative border-b border-rule last:border-b-0" style={{ height }}>
      {own.map((line, i) => {
        const isDragged = dragged?.key === line.key;
        return (
          <MarkOnTrack
            key={line.key}
            {...props.of}
            line={line}
            span={span}
            percent={isDragged ? dragged.percent : trackPercent(line.at, span)}
            top={4 + rows[i]! * rowPx}
            count={total(line.counts)}
            isDragged={isDragged}
          />
        );
      })}
    </div>
  );
}

/** The lanes' names, beside the track, each as high as its lane. */
function LaneNames({ lines, span }: { lines: readonly TrackMark[]; span: TrackSpan }) {
  return (
    <div className="w-24 shrink-0 border-y border-rule" aria-hidden>
      {lanes.map((lane) => {
        const own = lines.filter((line) => laneOf[line.kind][0] === lane);
        const rows = rowsOf(own.map((line) => trackPercent(line.at, span)));
        return (
          <p
            key={lane}
            className="border-b border-rule pt-1 text-label text-ink-2 last:border-b-0"
            style={{ height: Math.max(1, ...rows.map((row) => row + 1)) * rowPx + 6 }}
          >
            {laneWords[lane]}
          </p>
        );
      })}
    </div>
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
    <div className="flex">
      <LaneNames lines={lines} span={span} />
      <div
        ref={box}
        className="relative min-w-0 flex-1 border-y border-rule bg-raised pb-5"
        onPointerMove={(event) => dragged && setDragged({ ...dragged, percent: percentOf(event) })}
        onPointerUp={() => {
          const line = lines.find((one) => one.key === dragged?.key);
          if (line && dragged && Math.abs(dragged.percent - trackPercent(line.at, span)) > 0.4)
            move(line, offsetAt(line, trackInstant(dragged.percent, span), span));
          setDragged(null);
        }}
        onPointerCancel={() => setDragged(null)}
      >
        <TheHour span={span} startAt={startAt} endAt={endAt} zone={zone} now={props.now} />
        {lanes.map((lane) => (
          <LaneOnTrack
            key={lane}
            lane={lane}
            lines={lines}
            span={span}
            dragged={dragged}
            of={{ zone, props, box, setDragged }}
          />
        ))}
      </div>
    </div>
  );
}
/** The event's own hour on the track, and now. */
function TheHour(props: { span: TrackSpan; startAt: number; endAt: number; zone: string; now: number }) {
  const { span, startAt, endAt, zone } = props;
  return (
    <>
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
    </>
  );
}
