"use client";
import { useState } from "react";
import type { CurveStep } from "@/core/attendance";
import type { Lane, LaneKind } from "@/core/reports";
import { clockTime, type IntervalSet } from "@/core/time";
import { Rail, railPercent } from "@/features/shared/rail";
import { Checkbox, classes } from "@/ui";
import { HouseCurveLine } from "../house-curve";
import { houseAt, onAt, type Block } from "./instant";
import { LaneLine } from "./lane";
import { laneWords, lanesAtFirst } from "./lane-words";
import { StretchFigures, type AskStretch, type MailLeft } from "./stretch-figures";
import { useMarking } from "./use-marking";

export interface ReportRailProps {
  readonly from: number;
  readonly to: number;
  readonly zone: string;
  readonly blocks: readonly (Block & { readonly stayed: { readonly share: number | null; readonly of: number } })[];
  readonly steps: readonly CurveStep[];
  readonly peak: { readonly count: number; readonly at: number } | null;
  readonly lanes: readonly Lane[];
  /** spans of the curtain in which the server itself was away */
  readonly away: IntervalSet;
  readonly ask: AskStretch;
  readonly mail: MailLeft | null;
}

function Away({ away, from, to, zone }: Pick<ReportRailProps, "away" | "from" | "to" | "zone">) {
  return away.map((span) => (
    <span
      key={span.start}
      title={`The server was away ${clockTime(span.start, zone)} – ${clockTime(span.end, zone)}: counts for nobody`}
      className="absolute inset-y-0"
      style={{
        left: `${railPercent(span.start, from, to)}%`,
        width: `max(3px, ${railPercent(span.end, from, to) - railPercent(span.start, from, to)}%)`,
        backgroundImage: "repeating-linear-gradient(45deg, var(--wrong) 0 2px, transparent 2px 6px)",
      }}
    />
  ));
}

function LaneChoice(props: { lanes: readonly Lane[]; on: readonly LaneKind[]; turn: (kind: LaneKind) => void }) {
  return (
    <fieldset className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
      <legend className="sr-only">Lanes under the curve</legend>
      {props.lanes.map(({ kind, total }) => (
        <label key={kind} className={classes("flex items-center gap-1.5", total === 0 && "text-ink-2")}>
          <Checkbox checked={props.on.includes(kind)} disabled={total === 0} onChange={() => props.turn(kind)} />
          {laneWords[kind]}
        </label>
      ))}
    </fieldset>
  );
}

/** The report on the rail: the house curve over the segments, lanes under it, and a hand that asks of any stretch. */
export function ReportRail(props: ReportRailProps) {
  const { from, to, zone, blocks, steps, peak, lanes } = props;
  const [on, setOn] = useState<readonly LaneKind[]>(lanesAtFirst);
  const [asked, setAsked] = useState<{ from: number; to: number } | null>(null);
  const { at, stretch, mark, handlers } = useMarking({ from, to, onStretch: setAsked });
  const shown = lanes.filter(({ kind, total }) => on.includes(kind) && total > 0);
  const left = (instant: number) => `${railPercent(instant, from, to)}%`;
  const words =
    at === null
      ? "Point at the rail to read the hour; drag over it to ask of a stretch."
      : `${clockTime(at, zone)} · ${houseAt(steps, at)} in the audience${onAt(blocks, at) && ` · ${onAt(blocks, at)}`}`;
  const turn = (kind: LaneKind) => setOn(on.includes(kind) ? on.filter((one) => one !== kind) : [...on, kind]);
  return (
    <section aria-label="The hour">
      <p className="mono mb-1 h-6 truncate text-ink-2" aria-live="polite">
        {words}
      </p>
      <div
        className="relative cursor-crosshair touch-pan-y select-none"
        role="slider"
        tabIndex={0}
        aria-label="Instant of the hour; with Shift and the arrow keys a stretch is marked"
        aria-valuemin={Math.round(from / 60_000)}
        aria-valuemax={Math.round(to / 60_000)}
        aria-valuenow={Math.round((at ?? from) / 60_000)}
        aria-valuetext={words}
        {...handlers}
      >
        <Rail
          size="large"
          from={from}
          to={to}
          zone={zone}
          blocks={blocks}
          marks={[
            { at: from, label: clockTime(from, zone) },
            ...(peak ? [{ at: peak.at, label: `peak ${peak.count}` }] : []),
            { at: to, label: clockTime(to, zone) },
          ]}
        >
          <HouseCurveLine steps={steps} peak={peak?.count ?? 0} from={from} to={to} zone={zone} />
          <Away {...props} />
        </Rail>
        {shown.map((lane) => (
          <LaneLine key={lane.kind} lane={lane} />
        ))}
        {stretch && (
          <span
            aria-hidden
            className="pointer-events-none absolute inset-y-0 border-x-2 border-attention bg-attention/15"
            style={{ left: left(stretch.from), width: `calc(${left(stretch.to)} - ${left(stretch.from)})` }}
          />
        )}
        {at !== null && (
          <span aria-hidden className="pointer-events-none absolute inset-y-0 w-px bg-ink" style={{ left: left(at) }} />
        )}
      </div>
      <LaneChoice lanes={lanes} on={on} turn={turn} />
      <StretchFigures zone={zone} blocks={blocks} stretch={asked} ask={props.ask} mail={props.mail} mark={mark} />
    </section>
  );
}
