import { mediaFile } from "./media-file";

/** How long a file plays, in seconds. @throws where it has no picture that plays */
export async function lengthOf(path: string): Promise<number> {
  const input = mediaFile(path);
  const seconds = (await input.getPrimaryVideoTrack()) ? await input.computeDuration() : 0;
  if (!(seconds > 0)) throw new Error("no picture");
  return seconds;
}
