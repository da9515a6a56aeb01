"use client";
import { useCallback, useEffect, useRef } from "react";
import { inkSize, inkSpan, isSameSurface, type Mark } from "@/core/room";
import { classes } from "@/ui";
import type { Traced } from "../room-link/use-whispers";
import type { InkStore } from "./ink-store";
import { paintMark, scaled, wipe } from "./paint";

/** A hand that moved is seen for so long. */
const traceMs = 1500;

/** A canvas as large as its box, painted anew whenever that has another size. @returns its ref, and how to paint on it */
function useCanvas(paint: (context: CanvasRenderingContext2D) => void) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const latest = useRef(paint);
  useEffect(() => {
    latest.current = paint;
  });
  const on = useCallback((draw: (context: CanvasRenderingContext2D) => void) => {
    const context = canvas.current && scaled(canvas.current);
    if (context) draw(context);
  }, []);
  useEffect(() => {
    const one = canvas.current;
    if (!one) return;
    const fit = () => {
      const ratio = Math.min(2, window.devicePixelRatio || 1);
      const [width, height] = [Math.round(one.clientWidth * ratio), Math.round(one.clientHeight * ratio)];
      if (one.width === width && one.height === height) return;
      [one.width, one.height] = [width, height];
      on((context) => latest.current(context));
    };
    const observer = new ResizeObserver(fit);
    observer.observe(one);
    fit();
    return () => observer.disconnect();
  }, [on]);
  return { canvas, on };
}

/** What stands, drawn once; a mark that comes on top is drawn alone. */
function Standing({ store }: { store: InkStore }) {
  const paintAll = useCallback(
    (context: CanvasRenderingContext2D) => {
      wipe(context);
      for (const { mark } of store.standing()) paintMark(context, mark);
    },
    [store],
  );
  const { canvas, on } = useCanvas(paintAll);
  useEffect(() => {
    on(paintAll);
    return store.listen((change) =>
      on((context) => {
        if (change === "all") paintAll(context);
        else for (const { mark } of change) paintMark(context, mark);
      }),
    );
  }, [store, on, paintAll]);
  return <canvas ref={canvas} className="absolute inset-0 size-full" />;
}

function paintPointer(context: CanvasRenderingContext2D, { x, y }: Traced, name: string): void {
  const [left, top] = [(x * inkSize.width) / inkSpan, (y * inkSize.height) / inkSpan];
  context.fillStyle = "rgb(179 32 44 / 80%)";
  context.beginPath();
  context.arc(left, top, 14, 0, 2 * Math.PI);
  context.fill();
  if (!name) return;
  context.font = "26px sans-serif";
  const width = context.measureText(name).width;
  context.fillRect(left + 20, top - 18, width + 16, 36);
  context.fillStyle = "#ffffff";
  context.fillText(name, left + 28, top + 9);
}

/** What moves: one's own stroke, what waits for its answer, other people's hands. */
function Moving(props: {
  store: InkStore;
  drafts: readonly Mark[];
  traces: ReadonlyMap<string, Traced>;
  nameOf: (ticketId: string) => string;
}) {
  const wasDrawn = useRef(false);
  const paint = (context: CanvasRenderingContext2D) => {
    const live = [...props.traces].filter(
      ([, trace]) => Date.now() - trace.at <= traceMs && isSameSurface(trace.surface, props.store.surface),
    );
    const isDrawn = props.drafts.length > 0 || live.length > 0;
    // a canvas that stays empty is not touched: each touch is a picture for the machine to make
    if (!isDrawn && !wasDrawn.current) return;
    wasDrawn.current = isDrawn;
    wipe(context);
    for (const mark of props.drafts) paintMark(context, mark);
    for (const [id, trace] of live) {
      if (trace.mark) paintMark(context, trace.mark);
      else paintPointer(context, trace, props.nameOf(id));
    }
  };
  const { canvas, on } = useCanvas(paint);
  useEffect(() => {
    on(paint);
    if (props.traces.size === 0) return;
    const timer = setTimeout(() => on(paint), traceMs + 50);
    return () => clearTimeout(timer);
  });
  return <canvas ref={canvas} className="absolute inset-0 size-full" />;
}

/** A surface as everybody sees it: what stands, and over it what moves. */
export function InkPicture(props: {
  store: InkStore;
  /** what it is, for those who do not see it */
  label: string;
  drafts?: readonly Mark[];
  traces: ReadonlyMap<string, Traced>;
  nameOf: (ticketId: string) => string;
  className?: string;
}) {
  return (
    <div role="img" aria-label={props.label} className={classes("pointer-events-none", props.className)}>
      <Standing store={props.store} />
      <Moving store={props.store} drafts={props.drafts ?? []} traces={props.traces} nameOf={props.nameOf} />
    </div>
  );
}
