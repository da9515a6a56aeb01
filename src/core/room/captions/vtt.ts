import { vttTime } from "../../watching";
import type { CaptionLine } from "./state";

const escape = (text: string): string => text.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/>/g, "&gt;");

/** When a caption goes: when it has stood long enough, or the next one comes. */
export const endOf = (line: CaptionLine, next: CaptionLine | undefined): number =>
  Math.min(line.at + line.standsMs, next?.at ?? Infinity);

/**
 * Captions of one language as a WebVTT file (W3C). @param timeOf when something stands in the recording, in milliseconds, of its wall
 * time; null where it is not in it
 */
export function vttOf(lines: readonly CaptionLine[], timeOf: (at: number) => number | null): string {
  const cues = lines.flatMap((line, i) => {
    const from = timeOf(line.at);
    const until = timeOf(endOf(line, lines[i + 1]));
    if (from === null || until === null || until <= from) return [];
    return [`${vttTime(from / 1000)} --> ${vttTime(until / 1000)}\n${line.lines.map(escape).join("\n")}\n`];
  });
  return ["WEBVTT\n", ...cues].join("\n");
}
