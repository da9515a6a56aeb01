"use client";
import { useRef, useState, type ReactNode } from "react";
import { localWords, shiftLocal } from "@/core/time";
import { useMove, type MoveActs } from "./use-move";

const stepMinutes = 15;

/** A rail that is dragged along the clock: in quarters of an hour, the new start beside the hand. */
export function DragRail(props: {
  date: { eventId: string; occurrenceId: string; startLocal: string; title: string };
  spanMinutes: number;
  acts: MoveActs;
  children: ReactNode;
}) {
  const { date, spanMinutes } = props;
  const box = useRef<HTMLDivElement>(null);
  const from = useRef<number | null>(null);
  const [minutes, setMinutes] = useState(0);
  const { move, isPending } = useMove(props.acts);
  const width = () => box.current?.clientWidth ?? 1;
  return (
    <div
      ref={box}
      className={`relative touch-none select-none ${isPending ? "opacity-60" : "cursor-ew-resize"}`}
      title="Drag along the clock to move the date; by keyboard with the arrows, then enter"
      role="slider"
      tabIndex={0}
      aria-label={`Start of ${date.title}`}
      aria-valuemin={0 - spanMinutes}
      aria-valuemax={spanMinutes}
      aria-valuenow={minutes}
      aria-valuetext={localWords(shiftLocal(date.startLocal, minutes))}
      onKeyDown={(event) => {
        const step = { ArrowLeft: -stepMinutes, ArrowRight: stepMinutes }[event.key];
        if (step) {
          event.preventDefault();
          setMinutes(minutes + step);
        }
        if (event.key === "Escape") setMinutes(0);
        if (event.key === "Enter" && minutes !== 0) {
          move(date, shiftLocal(date.startLocal, minutes));
          setMinutes(0);
        }
      }}
      onBlur={() => from.current === null && setMinutes(0)}
      onPointerDown={(event) => {
        if (event.button !== 0 || isPending) return;
        from.current = event.clientX;
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={(event) => {
        if (from.current === null) return;
        setMinutes(Math.round(((event.clientX - from.current) / width()) * (spanMinutes / stepMinutes)) * stepMinutes);
      }}
      onPointerUp={() => {
        if (from.current !== null && minutes !== 0) move(date, shiftLocal(date.startLocal, minutes));
        from.current = null;
        setMinutes(0);
      }}
      onPointerCancel={() => {
        from.current = null;
        setMinutes(0);
      }}
    >
      <div style={{ transform: minutes === 0 ? undefined : `translateX(${(minutes / spanMinutes) * 100}%)` }}>
        {props.children}
      </div>
      {minutes !== 0 && (
        <span className="mono pointer-events-none absolute -top-5 left-0 bg-ink px-1.5 text-label text-ground">
          {localWords(shiftLocal(date.startLocal, minutes))}
        </span>
      )}
    </div>
  );
}
