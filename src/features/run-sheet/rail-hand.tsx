"use client";
import { useRef, useState } from "react";
import { minuteMs } from "@/core/time";
import { railPercent } from "@/features/shared/rail";

export interface HandBlock {
  readonly id: string;
  readonly title: string;
  readonly startAt: number;
  readonly endAt: number;
  readonly gapMinutes: number;
}
interface Grip {
  readonly id: string;
  readonly kind: "move" | "stretch";
  readonly x: number;
  readonly msPerPixel: number;
  readonly startAt: number;
  readonly lengthMinutes: number;
}

const moveStepMinutes = 5;
const hatch = "repeating-linear-gradient(45deg, var(--attention) 0 1px, transparent 1px 6px)";

/**
 * Hands on the rail: a segment's right edge is pulled to stretch it, its body is dragged to pin it to a
 * start of its own. Gaps are hatched. The rows below do the same by keyboard.
 */
export function RailHand(props: {
  blocks: readonly HandBlock[];
  from: number;
  to: number;
  onStretch: (id: string, lengthMinutes: number) => void;
  onPin: (id: string, startAt: number) => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  const [grip, setGrip] = useState<Grip | null>(null);
  const { from, to } = props;
  const left = (at: number) => `${railPercent(at, from, to)}%`;
  const width = (start: number, end: number) => `${railPercent(end, from, to) - railPercent(start, from, to)}%`;
  const take = (event: React.PointerEvent, block: HandBlock, kind: Grip["kind"]) => {
    if (event.button !== 0) return;
    event.stopPropagation();
    box.current?.setPointerCapture(event.pointerId);
    // the scale of the moment it was taken: the rail may grow under the hand
    const msPerPixel = (to - from) / Math.max(1, box.current?.clientWidth ?? 1);
    setGrip({
      id: block.id,
      kind,
      x: event.clientX,
      msPerPixel,
      startAt: block.startAt,
      lengthMinutes: Math.round((block.endAt - block.startAt) / minuteMs),
    });
  };
  const drag = (event: React.PointerEvent) => {
    if (!grip) return;
    const minutes = ((event.clientX - grip.x) * grip.msPerPixel) / minuteMs;
    if (grip.kind === "stretch")
      props.onStretch(grip.id, Math.min(1440, Math.max(1, Math.round(grip.lengthMinutes + minutes))));
    else if (Math.abs(event.clientX - grip.x) > 4)
      props.onPin(
        grip.id,
        Math.round((grip.startAt + minutes * minuteMs) / (moveStepMinutes * minuteMs)) * moveStepMinutes * minuteMs,
      );
  };
  return (
    <div
      ref={box}
      className="absolute inset-0 touch-none"
      onPointerMove={drag}
      onPointerUp={() => setGrip(null)}
      onPointerCancel={() => setGrip(null)}
    >
      {props.blocks.map((block) => (
        <div key={block.id}>
          {block.gapMinutes > 0 && (
            <span
              title={`${Math.round(block.gapMinutes)} min of nothing`}
              className="absolute inset-y-0"
              style={{
                left: left(block.startAt - block.gapMinutes * minuteMs),
                width: width(block.startAt - block.gapMinutes * minuteMs, block.startAt),
                backgroundImage: hatch,
              }}
            />
          )}
          <span
            data-segment={block.title}
            title={`Drag “${block.title}” to pin its start`}
            className="absolute inset-y-0 cursor-grab"
            style={{ left: left(block.startAt), width: width(block.startAt, block.endAt) }}
            onPointerDown={(event) => take(event, block, "move")}
          />
          <span
            data-edge={block.title}
            title={`Pull to stretch “${block.title}”`}
            className="absolute inset-y-0 -ml-1.5 w-3 cursor-ew-resize hover:bg-action/40"
            style={{ left: left(block.endAt) }}
            onPointerDown={(event) => take(event, block, "stretch")}
          />
        </div>
      ))}
    </div>
  );
}
