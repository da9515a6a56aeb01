import type { MediaJob, MediaWord } from "./media-words";
import { threadWords } from "./thread-words";

/** Joins or cuts in a thread of its own, told of as it goes. */
export async function* mediaInThread(job: MediaJob): AsyncGenerator<MediaWord> {
  for await (const word of threadWords<MediaWord>("media-entry.mjs", job))
    yield word === "silent" || word === "broken" ? { kind: "failed", why: "its thread ended" } : word;
}
