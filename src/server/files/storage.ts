import type { ServerResponse } from "node:http";

/** Where files are kept: a folder on this machine, or an object store. Names are the program's own, never a visitor's. */
export interface Storage {
  /** Keeps a stream whole or not at all; the size is what arrived. */
  write(
    name: string,
    body: ReadableStream<Uint8Array>,
    limits: { maxBytes: number; expectedBytes: number | null },
  ): Promise<number>;
  /** Pours bytes into a response and ends it: for files that hundreds fetch at once. */
  pour(name: string, range: { start: number; end: number } | null, to: ServerResponse): Promise<void>;
  read(name: string, range: { start: number; end: number } | null): Promise<ReadableStream<Uint8Array>>;
  head(name: string, bytes: number): Promise<Uint8Array>;
  size(name: string): Promise<number>;
  /** For programs that read files by their path on this machine: the paths are good until `read` is done. */
  withPaths<T>(names: readonly string[], read: (paths: readonly string[]) => Promise<T>): Promise<T>;
  /** Keeps what `make` leaves at the path it is given, whole; nothing where it throws. */
  make<T>(name: string, make: (path: string) => Promise<T>): Promise<T>;
  /** Left on the disk; null where there is no end to it that one could ask for. */
  freeBytes(): Promise<number | null>;
  remove(name: string): Promise<void>;
  /** Adds a line to a list that only grows. */
  append(name: string, line: string): Promise<void>;
  /** The lines of such a list; none where there is none yet. */
  lines(name: string): Promise<readonly string[]>;
}

/** @returns the name, where it is one of the program's own: a plain one that leads nowhere else */
export function plainName(name: string): string {
  if (!/^[\w.-]+$/.test(name)) throw new RangeError("storage name");
  return name;
}
