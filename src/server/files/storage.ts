import { createReadStream, createWriteStream } from "node:fs";
import { appendFile, mkdir, open, readFile, rename, rm, stat } from "node:fs/promises";
import { join } from "node:path";
import { Readable, Transform } from "node:stream";
import { pipeline } from "node:stream/promises";
import { Refusal } from "@/core/shared";

export interface Storage {
  /** Streams to disk whole or not at all; the size is what arrived. */
  write(
    name: string,
    body: ReadableStream<Uint8Array>,
    limits: { maxBytes: number; expectedBytes: number | null },
  ): Promise<number>;
  read(name: string, range: { start: number; end: number } | null): Promise<ReadableStream<Uint8Array>>;
  head(name: string, bytes: number): Promise<Uint8Array>;
  size(name: string): Promise<number>;
  /** Where a program that reads files by their path finds it on this machine. */
  localPath(name: string): Promise<string>;
  remove(name: string): Promise<void>;
  /** Adds a line to a list that only grows. */
  append(name: string, line: string): Promise<void>;
  /** The lines of such a list; none where there is none yet. */
  lines(name: string): Promise<readonly string[]>;
}

function counted(maxBytes: number): { counter: Transform; received: () => number } {
  let received = 0;
  const counter = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      received += chunk.length;
      done(received > maxBytes ? new Refusal({ code: "file-too-large", limitBytes: maxBytes }) : null, chunk);
    },
  });
  return { counter, received: () => received };
}

/** Files in one folder on this machine. Names are the program's own, never a visitor's. */
export function folderStorage(folder: string): Storage {
  const pathOf = (name: string) => {
    if (!/^[\w.-]+$/.test(name)) throw new RangeError("storage name");
    return join(folder, name);
  };
  return {
    async write(name, body, { maxBytes, expectedBytes }) {
      await mkdir(folder, { recursive: true });
      const path = pathOf(name);
      const part = `${path}.part`;
      const { counter, received } = counted(maxBytes);
      try {
        await pipeline(
          Readable.fromWeb(body as Parameters<typeof Readable.fromWeb>[0]),
          counter,
          createWriteStream(part),
        );
        if (expectedBytes !== null && received() !== expectedBytes) {
          throw new Refusal({ code: "upload-cut", expectedBytes, receivedBytes: received() });
        }
        await rename(part, path);
        return received();
      } catch (error) {
        await rm(part, { force: true });
        if (error instanceof Refusal) throw error;
        throw new Refusal({ code: "upload-cut", expectedBytes: expectedBytes ?? 0, receivedBytes: received() });
      }
    },
    async read(name, range) {
      const stream = createReadStream(pathOf(name), range ? { start: range.start, end: range.end } : {});
      return Readable.toWeb(stream) as ReadableStream<Uint8Array>;
    },
    async head(name, bytes) {
      const file = await open(pathOf(name));
      try {
        const { buffer, bytesRead } = await file.read(Buffer.alloc(bytes), 0, bytes, 0);
        return buffer.subarray(0, bytesRead);
      } finally {
        await file.close();
      }
    },
    size: async (name) => (await stat(pathOf(name))).size,
    localPath: async (name) => pathOf(name),
    async append(name, line) {
      await mkdir(folder, { recursive: true });
      await appendFile(pathOf(name), `${line}\n`);
    },
    async lines(name) {
      const text = await readFile(pathOf(name), "utf8").catch(() => "");
      return text.split("\n").filter((line) => line !== "");
    },
    remove: (name) => rm(pathOf(name), { force: true }),
  };
}
