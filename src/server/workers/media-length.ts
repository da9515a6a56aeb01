import { ALL_FORMATS, FilePathSource, Input } from "mediabunny";

/** How long a file plays, in seconds. @throws where it has no picture that plays */
export async function lengthOf(path: string): Promise<number> {
  const input = new Input({ source: new FilePathSource(path), formats: ALL_FORMATS });
  const seconds = (await input.getPrimaryVideoTrack()) ? await input.computeDuration() : 0;
  if (!(seconds > 0)) throw new Error("no picture");
  return seconds;
}
