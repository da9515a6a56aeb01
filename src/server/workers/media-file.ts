import { ALL_FORMATS, FilePathSource, Input } from "mediabunny";

/** What of a file is held at once: an hour is read once, from its beginning to its end. */
const heldBytes = 8 * 2 ** 20;

/** A file of picture and sound, to be read. */
export const mediaFile = (path: string): Input<FilePathSource> =>
  new Input({ source: new FilePathSource(path, { maxCacheSize: heldBytes }), formats: ALL_FORMATS });
