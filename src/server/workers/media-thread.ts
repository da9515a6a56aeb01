import { parentPort, workerData } from "node:worker_threads";
import { cutMedia } from "./cut-media";
import { joinPieces } from "./join-pieces";
import { soundAlone } from "./sound-alone";
import { lengthOf } from "./media-length";
import type { MediaJob, MediaWord } from "./media-words";

const say = (word: MediaWord) => parentPort!.postMessage(word);
const tell = (done: number, all: number) => say({ kind: "progress", done, all });

async function run(job: MediaJob): Promise<MediaWord> {
  if (job.kind === "join") return { kind: "done", durationSeconds: await joinPieces(job, tell) };
  if (job.kind === "sound") return { kind: "done", durationSeconds: await soundAlone(job) };
  if (job.kind === "length") return { kind: "done", durationSeconds: await lengthOf(job.path) };
  return { kind: "done", ...(await cutMedia(job, tell)) };
}

run(workerData as MediaJob).then(say, (error: unknown) => say({ kind: "failed", why: String(error) }));
