"use client";
import type { Watching } from "@/core/watching";
import { spanText } from "@/features/shared/times";
import { HeatLine } from "./heat-line";

interface WatchedLine extends Watching {
  readonly id: string;
  readonly durationSeconds: number;
}

const times = (count: number): string => `${Math.round(count * 10) / 10}`;
const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** What came of one recording: who watched, how much of it, which parts, how far. */
function One({ line }: { line: WatchedLine }) {
  const count = line.knownCount + line.browserCount;
  const busiest = Math.max(0, ...line.heat);
  const at = (line.heat.indexOf(busiest) * line.durationSeconds) / Math.max(1, line.heat.length);
  const atHalf = line.dropOff.find(({ atSeconds }) => atSeconds >= line.durationSeconds / 2)?.share ?? 0;
  return (
    <div className="border-t border-rule py-3">
      <p>
        <span className="mono">{line.knownCount}</span> with a ticket and{" "}
        <span className="mono">{line.browserCount}</span> browsers without one watched, in{" "}
        <span className="mono">{line.viewCount}</span> views. On average {percent(line.meanCoverage ?? 0)} of{" "}
        {spanText(line.durationSeconds * 1000)}; <span className="mono">{line.completeCount}</span> of {count} saw 90 %
        or more.
      </p>
      <div className="mt-2 grid gap-4 sm:grid-cols-2">
        <figure>
          <HeatLine
            figures={line.heat}
            highest={busiest}
            words={`How often each part was played: most often around ${spanText(at * 1000)}, ${times(busiest)} times`}
          />
          <figcaption className="text-label text-ink-2">
            How often each part was played; at the top {times(busiest)} times, around {spanText(at * 1000)}
          </figcaption>
        </figure>
        <figure>
          <HeatLine
            figures={line.dropOff.map(({ share }) => share)}
            highest={1}
            words={`How far people got: ${percent(atHalf)} of ${count} beyond the middle`}
          />
          <figcaption className="text-label text-ink-2">
            How far people got: {percent(atHalf)} of {count} beyond the middle
          </figcaption>
        </figure>
      </div>
    </div>
  );
}

/** Who watched a date's recordings, where anybody did. */
export function WatchedOnDemand({ lines, file }: { lines: readonly WatchedLine[]; file: string }) {
  const watched = lines.filter((one) => one.knownCount + one.browserCount > 0);
  if (watched.length === 0) return null;
  return (
    <section className="mt-4" aria-labelledby="watched">
      <h3 id="watched" className="font-semibold">
        Watched on demand
      </h3>
      <p className="text-ink-2">
        <a href={file}>viewers.csv</a>
      </p>
      {watched.map((line) => (
        <One key={line.id} line={line} />
      ))}
    </section>
  );
}
