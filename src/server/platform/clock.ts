import { readFileSync, statSync } from "node:fs";

/** Time is a port: it enters at the edge and is passed on as an instant in milliseconds. */
export interface Clock {
  now(): number;
}

export const systemClock: Clock = { now: () => Date.now() };

/** A clock ahead of the machine's by the milliseconds in a file, read again whenever the file changes. */
export function fileClock(path: string): Clock {
  let stamp = -1;
  let aheadMs = 0;
  return {
    now() {
      try {
        const { mtimeMs } = statSync(path);
        if (mtimeMs !== stamp) {
          stamp = mtimeMs;
          aheadMs = Number(readFileSync(path, "utf8").trim()) || 0;
        }
      } catch {
        aheadMs = 0;
      }
      return Date.now() + aheadMs;
    },
  };
}
