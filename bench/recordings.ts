import { copyFileSync, mkdtempSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { MediaJob } from "../src/server/workers/media-words";
import { mediaInThread } from "../src/server/workers/media-worker";
import { composedPieces } from "../tests/support/pieces";
import { record, say } from "./figures";

const hourSeconds = 3600;
/** 0.9 Mbit/s */
const bytesASecond = 900_000 / 8;

/** One job in its thread: how long it takes, and by how much this process grows meanwhile, in megabytes. */
async function made(job: MediaJob): Promise<{ tookMs: number; grewMb: number }> {
  const before = process.memoryUsage().rss;
  let most = before;
  const timer = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 20);
  const from = performance.now();
  for await (const word of mediaInThread(job)) if (word.kind === "failed") throw new Error(word.why);
  clearInterval(timer);
  return { tookMs: performance.now() - from, grewMb: (most - before) / 1e6 };
}
const alone = (ms: number) => ({ median: ms, p99: ms, cpu: null });

/** Rule 25: an hour at 0.9 Mbit/s joined, and a part of it cut out, beside the same bytes merely copied. */
export async function recordingsBench(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "recordings-bench-"));
  try {
    const run = await composedPieces(folder, "hour", hourSeconds, bytesASecond);
    const [outPath, cutPath, copyPath] = ["hour.mp4", "cut.mp4", "copy.mp4"].map((name) => join(folder, name)) as [
      string,
      string,
      string,
    ];
    const runs = [{ ...run, seconds: hourSeconds, fromSeconds: 0 }];
    const joined = await made({ kind: "join", runs, outPath });
    const from = performance.now();
    copyFileSync(outPath, copyPath);
    const copiedMs = performance.now() - from;
    say(`${(statSync(outPath).size / 1e6).toFixed(0)} MB`);
    const aim = "at most 10 s and 200 MB";
    record(
      { name: "join-an-hour", n: 1, ...alone(joined.tookMs), cpu: null, bare: alone(copiedMs) },
      `${aim} (here ${joined.grewMb.toFixed(0)} MB)`,
    );
    const kept = [
      { from: 60_000, to: 1_500_000 },
      { from: 1_700_000, to: 3_600_000 },
    ];
    const cut = await made({ kind: "cut", path: outPath, kept, outPath: cutPath });
    record(
      { name: "cut-an-hour", n: 1, ...alone(cut.tookMs), cpu: null, bare: alone(copiedMs) },
      `${aim} (here ${cut.grewMb.toFixed(0)} MB)`,
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
