"use client";
import type { Done } from "@/contracts";
import { kindWords } from "./field-words";
import { isAhead, nextWords, TrackProps } from "./track-words";
import { useRouter } from "next/navigation";
import { useRef, useState, useTransition } from "react";
import type { TrackMark } from "@/contracts";
import { type TrackSpan } from "@/core/mailings";

import { Button, classes, toast } from "@/ui";

import { TrackLine } from "./track-parts";
import { TrackRow } from "./track-row";

/** How many of the coming mails are said in words above the track. */
const nextShown = 3;

/** What goes when: each mail at its place around the hour. Planned ones are dragged along, or moved by the list below. */
export function Track(props: TrackProps) {
  const { lines, startAt, endAt, zone, acts } = props;
  const span: TrackSpan = {
    startAt,
    endAt,
    earliestAt: Math.min(startAt, ...lines.map((line) => line.at)),
    latestAt: Math.max(endAt, ...lines.map((line) => line.at)),
  };
  const router = useRouter();
  const box = useRef<HTMLDivElement>(null);
  const [dragged, setDragged] = useState<{ key: string; percent: number } | null>(null);
  const [isPending, run] = useTransition();
  const offsets = lines.flatMap((line) => (line.move?.kind === "reminder" ? [line.move.offsetMinutes] : []));
  const attempt = (act: () => Promise<Done<unknown>>) =>
    run(async () => {
      const done = await act();
      if (!done.ok) toast.error(done.words);
      router.refresh();
    });
  const move = (line: TrackMark, minutes: number) =>
    attempt(() =>
      line.move!.kind === "reminder"
        ? acts.setReminders(
            offsets.map((one) => (one === (line.move as { offsetMinutes: number }).offsetMinutes ? minutes : one)),
          )
        : acts.setFollowUp((line.move as { mailingId: string }).mailingId, { afterMinutes: minutes }),
    );
  const percentOf = (event: React.PointerEvent): number => {
    const rect = box.current!.getBoundingClientRect();
    return Math.min(100, Math.max(0, ((event.clientX - rect.left) / rect.width) * 100));
  };
  const ahead = lines.filter((line) => isAhead(line, props.now)).slice(0, nextShown);
  return (
    <div className={classes("select-none", isPending && "opacity-60")}>
      {ahead.length > 0 && (
        <p className="mb-2">
          <span className="text-ink-2">Next: </span>
          {ahead.map((line, i) => (
            <span key={line.key}>
              {i > 0 && <span className="text-ink-2"> · </span>}
              <span className="font-medium">{kindWords[line.kind]}</span>, {nextWords(line, props.now)}
            </span>
          ))}
        </p>
      )}
      <TrackLine
        box={box}
        dragged={dragged}
        setDragged={setDragged}
        percentOf={percentOf}
        lines={lines}
        span={span}
        move={move}
        startAt={startAt}
        zone={zone}
        endAt={endAt}
        props={props}
      />
      <ul aria-label="What goes when" className="mt-2">
        {lines.map((line) => (
          <TrackRow
            key={line.key}
            line={line}
            zone={zone}
            props={props}
            move={move}
            attempt={attempt}
            acts={acts}
            offsets={offsets}
          />
        ))}
      </ul>
      {props.mayEdit && offsets.length < 8 && (
        <Button
          className="mt-2"
          onClick={() =>
            attempt(() =>
              acts.setReminders([...offsets, offsets.includes(1440) ? (offsets.includes(20) ? 60 : 20) : 1440]),
            )
          }
        >
          Add a reminder
        </Button>
      )}
    </div>
  );
}
