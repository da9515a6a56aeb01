"use client";
import type { Done } from "@/contracts";

import type { TrackMark } from "@/contracts";
import { niceOffset, type TrackSpan } from "@/core/mailings";
import { minuteMs } from "@/core/time";

export interface TrackActs {
  setReminders(offsets: number[]): Promise<Done<readonly number[]>>;
  setFollowUp(mailingId: string, change: { afterMinutes?: number; isOff?: boolean }): Promise<Done<void>>;
}

/** Stands on the track where only the end tells how many it will be. */
export const whenUnknown: Partial<Record<TrackMark["kind"], string>> = {
  "follow-up-came": "came",
  "follow-up-missed": "missed",
};

export const total = (counts: TrackMark["counts"]): number => Object.values(counts).reduce((sum, n) => sum + n, 0);

export const stateWords: Readonly<Record<string, string>> = {
  planned: "planned",
  sending: "leaving",
  sent: "gone",
  failed: "came back",
  dropped: "not sent",
  held: "stopped",
};

export function offsetAt(line: TrackMark, at: number, span: TrackSpan): number {
  const minutes = line.move!.kind === "reminder" ? (span.startAt - at) / minuteMs : (at - span.endAt) / minuteMs;
  return Math.max(5, niceOffset(minutes));
}

export type TrackProps = {
  lines: readonly TrackMark[];
  startAt: number;
  endAt: number;
  zone: string;
  now: number;
  mayEdit: boolean;
  acts: TrackActs;
};
