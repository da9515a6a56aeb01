"use client";
import type { Done } from "@/contracts";

import type { TrackMark } from "@/contracts";
import { niceOffset, type TrackSpan } from "@/core/mailings";
import { minuteMs, spanWords } from "@/core/time";

export interface TrackActs {
  setReminders(offsets: number[]): Promise<Done<readonly number[]>>;
  setFollowUp(mailingId: string, change: { afterMinutes?: number; isOff?: boolean }): Promise<Done<void>>;
}

export const total = (counts: TrackMark["counts"]): number => Object.values(counts).reduce((sum, n) => sum + n, 0);

/** From here on the minutes say nothing more. */
const roughFromMinutes = 48 * 60;
/** What a mail still to come does, said before it does: "60 in 4 min, unless it is changed again". */
export function nextWords(line: TrackMark, now: number): string {
  const inMinutes = Math.max(0, Math.round((line.at - now) / minuteMs));
  const span = inMinutes < roughFromMinutes ? spanWords(inMinutes) : `${Math.round(inMinutes / (24 * 60))} days`;
  const when = inMinutes === 0 ? "now" : `in ${span}`;
  const planned = line.counts["planned"] ?? 0;
  const whom = planned > 0 ? `to ${planned} ` : line.move ? "to whoever it concerns then " : "";
  const isNotice = line.kind === "change" || line.kind === "cancellation";
  return `${whom}${when}${isNotice && inMinutes > 0 ? ", the last word of what changes until then" : ""}`;
}

/** Mails that have not gone: planned ones, and those that the plan will send by itself. */
export const isAhead = (line: TrackMark, now: number): boolean =>
  !line.isOff && ((line.counts["planned"] ?? 0) > 0 || (line.move !== null && line.at > now));

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
