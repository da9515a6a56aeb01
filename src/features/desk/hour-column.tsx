"use client";
import type { Say } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import type { OrderedSegment } from "@/features/shared/segments";
import { cityOf, clockTime } from "@/core/time";
import { Button, classes } from "@/ui";
import { spanText } from "@/features/shared/times";
import { CardActs } from "./card-acts";
import { OverTime, type Extend } from "./over-time";
import type { DeskScene } from "./scene";

/** "+6" over, "−3" under, "0" on time: minutes, short enough to be read from a step back. */
const overText = (minutes: number): string =>
  Math.abs(minutes) < 0.5 ? "0" : `${minutes > 0 ? "+" : "−"}${Math.abs(Math.round(minutes))}`;
const overWords = (minutes: number, say: Say): string =>
  minutes > 0.5 ? say`min over` : minutes < -0.5 ? say`min under` : say`min, on time`;

function CueActs({
  may,
  next,
  send,
  leavingSegmentId,
}: {
  may: DeskScene["may"];
  next: OrderedSegment | undefined;
  send: DeskScene["send"];
  leavingSegmentId: string | null;
}) {
  const say = useSay();
  return (
    <div className="flex gap-2">
      <Button
        weight="act"
        className="min-h-11 min-w-0 flex-1"
        disabled={!may("cues.next") || !next}
        onClick={() => send({ type: "cues.next", leavingSegmentId })}
      >
        <span className="truncate">{next ? say`Next: ${next.title}` : say`Nothing left`}</span>
      </Button>
      <Button
        disabled={!may("cues.next") || leavingSegmentId === null}
        onClick={() => send({ type: "cues.back", leavingSegmentId })}
      >
        {say`Back`}
      </Button>
    </div>
  );
}

/** The clocks, the rail from top to bottom, and the next cue. */
export function HourColumn({ scene, extend }: { scene: DeskScene; extend: Extend }) {
  const say = useSay();
  const { view, now, zone, segments, currentIndex, clock, send, may } = scene;
  const status = view.status["it"]!;
  const cue = view.cue["it"]!;
  const leavingSegmentId = cue.currentSegmentId;
  const next = segments[currentIndex + 1];
  const total = segments.reduce((sum, one) => sum + one.lengthMinutes, 0);
  const toNext = clock?.nextFixed ?? null;
  const { hasPlannedEnd } = view.event["it"]!;
  return (
    <section aria-label={say`The hour`} className="flex min-h-0 flex-col gap-3 p-3">
      <div>
        <p className="text-label text-ink-2">{say`Time in ${cityOf(zone)}`}</p>
        <output className="block text-clock leading-none">{clockTime(now, zone)}</output>
      </div>
      <div className="grid grid-cols-2 gap-2">
        <div>
          <p className="text-label text-ink-2">{say`Running`}</p>
          <output className="block text-head">
            {status.showStartedAt === null ? "––:––" : spanText((status.endedAt ?? now) - status.showStartedAt)}
          </output>
        </div>
        {(toNext || hasPlannedEnd) && (
          <div>
            <p className="text-label text-ink-2">
              {toNext ? say`To ${clockTime(toNext.startAt, zone)}` : say`To the end`}
            </p>
            <output
              className={classes(
                "block text-head",
                clock && (toNext?.overMinutes ?? clock.overMinutes) > 0.5 && "text-attention",
              )}
            >
              {clock ? (
                <>
                  {overText(toNext?.overMinutes ?? clock.overMinutes)}{" "}
                  <span className="text-base">{overWords(toNext?.overMinutes ?? clock.overMinutes, say)}</span>
                </>
              ) : (
                "–"
              )}
            </output>
          </div>
        )}
      </div>
      {clock && hasPlannedEnd && (
        <p className="mono text-label text-ink-2">
          {say`projected end ${clockTime(clock.projectedEndAt, zone)} · ${overText(clock.overMinutes)} min`}
        </p>
      )}
      <ol aria-label={say`Run sheet`} className="flex min-h-0 flex-1 flex-col overflow-y-auto border-s-2 border-rule">
        {segments.map((segment, i) => {
          const isNow = i === currentIndex;
          return (
            <li
              key={segment.id}
              aria-current={isNow ? "step" : undefined}
              style={{
                flexGrow: segment.lengthMinutes,
                minHeight: 34,
                maxHeight: `${Math.max(20, (segment.lengthMinutes / Math.max(1, total)) * 100)}%`,
              }}
              className={classes(
                "border-b border-ground px-2 py-1",
                isNow ? "bg-action text-on-action" : i < currentIndex ? "bg-raised text-ink-2" : "bg-sheet",
              )}
            >
              <span className="flex justify-between gap-2">
                <span className="truncate font-medium">{segment.title}</span>
                <span className="mono text-label">
                  {segment.fixedStartAt
                    ? say`at ${clockTime(segment.fixedStartAt, zone)}`
                    : `${segment.lengthMinutes}′`}
                </span>
              </span>
              {isNow && clock && (
                <span className="mono text-label">
                  {clock.currentOverMinutes > 0
                    ? say`over ${spanText(clock.currentOverMinutes * 60_000)}`
                    : say`left ${spanText(clock.currentOverMinutes * 60_000)}`}
                </span>
              )}
            </li>
          );
        })}
        {segments.length === 0 && <li className="p-2 text-ink-2">{say`The run sheet is empty.`}</li>}
      </ol>
      <OverTime scene={scene} extend={extend} />
      <CardActs scene={scene} />
      <CueActs may={may} next={next} send={send} leavingSegmentId={leavingSegmentId} />
    </section>
  );
}
