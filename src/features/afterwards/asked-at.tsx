"use client";
import { spanText } from "@/features/shared/times";

/** Where the recording stood when somebody who watched asked. */
export const AskedAt = ({ seconds }: { seconds: number }) => (
  <p className="text-label text-ink-2">
    asked on demand, at <span className="mono">{spanText(seconds * 1000)}</span>
  </p>
);
