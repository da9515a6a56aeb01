"use client";
import { useState, type KeyboardEvent, type PointerEvent } from "react";
import { instantAt, stretchBetween } from "./instant";

const leastStretchMs = 15_000;
const stepMs = 60_000;

export interface Marking {
  readonly at: number | null;
  readonly stretch: { readonly from: number; readonly to: number } | null;
}

/**
 * The hand that points at the report's rail: by pointer or by arrow keys; dragged, or with Shift, it marks a stretch.
 * @param onStretch a stretch was marked, or none is any more
 */
export function useMarking(props: {
  from: number;
  to: number;
  onStretch: (stretch: { from: number; to: number } | null) => void;
}) {
  const { from, to, onStretch } = props;
  const [at, setAt] = useState<number | null>(null);
  const [begunAt, setBegunAt] = useState<number | null>(null);
  const [stretch, setStretch] = useState<Marking["stretch"]>(null);
  const mark = (next: { from: number; to: number } | null) => {
    setStretch(next);
    onStretch(next);
  };
  const instantOf = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    return instantAt(event.clientX - box.left, box.width, from, to);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Escape") return mark(null);
    const by = { ArrowLeft: -stepMs, ArrowRight: stepMs, Home: -Infinity, End: Infinity }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const was = at ?? from;
    const next = Math.min(to, Math.max(from, was + by));
    setAt(next);
    if (!event.shiftKey) return setBegunAt(null);
    const begun = begunAt ?? was;
    setBegunAt(begun);
    mark(stretchBetween(begun, next, leastStretchMs));
  };
  return {
    at,
    stretch,
    mark,
    handlers: {
      onKeyDown,
      onPointerDown: (event: PointerEvent<HTMLElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setBegunAt(instantOf(event));
      },
      onPointerMove: (event: PointerEvent<HTMLElement>) => {
        const now = instantOf(event);
        setAt(now);
        if (begunAt !== null && event.buttons > 0) setStretch(stretchBetween(begunAt, now, leastStretchMs));
      },
      onPointerUp: (event: PointerEvent<HTMLElement>) => {
        if (begunAt === null) return;
        mark(stretchBetween(begunAt, instantOf(event), leastStretchMs));
        setBegunAt(null);
      },
      onPointerLeave: () => {
        if (begunAt === null) setAt(null);
      },
    },
  };
}
