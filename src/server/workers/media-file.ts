import { ALL_FORMATS, FilePathSource, FilePathTarget, Input } from "mediabunny";

/** What of a file is held at once: an hour is read once, from its beginning to its end. */
const heldBytes = 8 * 2 ** 20;

/** A file of picture and sound, to be read. */
export const mediaFile = (path: string): Input<FilePathSource> =>
  new Input({ source: new FilePathSource(path, { maxCacheSize: heldBytes }), formats: ALL_FORMATS });

/** So much is written at once: by the library's own measure (16 MB, and as much again on its way) an hour took 55 MB more. */
const writtenAtOnceBytes = 2 ** 20;

/** A file of picture and sound, to be written. */
export const mediaTarget = (path: string): FilePathTarget =>
  new FilePathTarget(path, { chunkSize: writtenAtOnceBytes });
