import type { MediaJob, MediaWord } from "../../workers/media-words";
import { Refusal } from "@/core/shared";
import type { Context } from "../ground/context";

/** The media thread could not make it of what it was given. */
export class NotMade extends Error {}

/**
 * Has the media thread make one file of others, and keeps it whole under its name.
 * @param goesOn told again and again while it works @throws NotMade
 */
export function makeFile(
  { storage, makeMedia }: Pick<Context, "storage" | "makeMedia">,
  of: readonly string[],
  name: string,
  job: (paths: readonly string[], outPath: string) => MediaJob,
  goesOn: () => Promise<unknown> = async () => {},
): Promise<Extract<MediaWord, { kind: "done" }>> {
  return storage.withPaths(of, (paths) =>
    storage.make(name, async (outPath) => {
      for await (const word of makeMedia(job(paths, outPath))) {
        if (word.kind === "failed") throw new NotMade(word.why);
        if (word.kind === "done") return word;
        await goesOn();
      }
      throw new NotMade("nothing came of it");
    }),
  );
}

/** How long a file is, in seconds. @throws bad-file where no player could tell */
export const mediaLength = ({ storage, makeMedia }: Pick<Context, "storage" | "makeMedia">, name: string) =>
  storage.withPaths([name], async ([path]) => {
    for await (const word of makeMedia({ kind: "length", path: path! }))
      if (word.kind === "done") return word.durationSeconds;
    throw new Refusal({ code: "bad-file", reason: "not-a-video" });
  });
